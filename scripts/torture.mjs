/** `npm run torture`: the plug pulled a hundred times in every phase, then a full disk. `-- --kills 12` for fewer. */
import { buildServer } from './buildServer.mjs';
import { prepare, run, TS } from './prepare.mjs';

prepare();
await buildServer();
process.exit(run(process.execPath, [...TS, 'server/tests/torture/run.ts', ...process.argv.slice(2)]) ? 0 : 1);
