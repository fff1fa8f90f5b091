/** `npm run typecheck`: every workspace against its own rules (the core without Node or a browser); what has not changed is not read again. */
import { run } from './prepare.mjs';

if (!run('npx', ['tsc', '-b', '.', 'web', 'web/src/worker'])) process.exit(1);
