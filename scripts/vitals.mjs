/**
 * `npm run vitals`: how fast each room stands on a poor phone, printed and not tested. A CPU four times slower and a line of
 * 9 Mbps with 165 ms to and fro; cold, and again warm from the worker's store.
 */
import { spawnSync } from 'node:child_process';
import { buildServer } from './buildServer.mjs';
import { buildWeb, prepare, root, TS } from './prepare.mjs';

prepare();
buildWeb();
await buildServer();
process.exit(
  spawnSync(process.execPath, [...TS, 'e2e/vitals.ts', ...process.argv.slice(2)], {
    cwd: root,
    stdio: 'inherit',
  }).status ?? 1,
);
