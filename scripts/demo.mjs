/** `npm run demo`: the demo garden, everything included. `-- --reset` starts it afresh. */
import { serve } from './serve.mjs';

await serve(['--demo', ...process.argv.slice(2)]);
