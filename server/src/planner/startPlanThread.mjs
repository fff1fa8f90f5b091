// A worker thread of this Node does not inherit the loader that reads TypeScript: it is registered here first.
import { register } from 'tsx/esm/api';

register();
const { planThread } = await import('./planThread.ts');
export default planThread;
