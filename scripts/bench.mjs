/** `npm run bench`: medians and ratios of one run. `npm run bench -- windows [trials]`: how often the truth lies in the windows. */
import { prepare, run, TS } from './prepare.mjs';

prepare();
const [what = 'index', ...more] = process.argv.slice(2);
process.exit(
  run(process.execPath, [...TS, `bench/src/${what === 'windows' ? what : 'index'}.ts`, ...more]) ? 0 : 1,
);
