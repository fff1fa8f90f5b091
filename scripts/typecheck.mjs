/** `npm run typecheck`: every workspace against its own rules (the core without Node or a browser). */
import { run } from './prepare.mjs';

const failed = ['core', 'web', 'web/src/worker', '.'].filter(
  (project) => !run('npx', ['tsc', '-p', project]),
);
if (failed.length > 0) process.exit(1);
