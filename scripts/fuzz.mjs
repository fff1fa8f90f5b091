/**
 * `npm run fuzz`: bodies made from the contract's schemas, sent to every address; what is taken must leave every view
 * answering, what is refused must name its field. `-- --cases 2000 --seed 7` chooses how many and which.
 */
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { prepare, root, TS } from './prepare.mjs';

const argument = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};

prepare();
const cases = argument('cases', 50_000);
const calls = argument('calls', 2 * cases);
const seed = argument('seed', Math.floor(Date.now() / 1000));
const parts = Math.max(1, Math.min(2, availableParallelism()));
const done = await Promise.all(
  Array.from(
    { length: parts },
    (_, i) =>
      new Promise((ended) => {
        const run = spawn(
          process.execPath,
          [
            '--max-semi-space-size=64',
            ...TS,
            'server/tests/fuzz/run.ts',
            '--cases',
            Math.ceil(cases / parts),
            '--seed',
            seed + i,
            '--calls',
            Math.ceil(calls / parts),
          ].map(String),
          { cwd: root, stdio: 'inherit' },
        );
        run.on('exit', (code) => ended(code === 0));
      }),
  ),
);
process.exit(done.every(Boolean) ? 0 : 1);
