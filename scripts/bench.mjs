/** `npm run bench`: medians and ratios of one run. */
import { prepare, run, TS } from './prepare.mjs';

prepare();
process.exit(run(process.execPath, [...TS, 'bench/src/index.ts']) ? 0 : 1);
