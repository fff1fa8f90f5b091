import { spawn } from 'node:child_process';
import { buildWeb, prepare, root, TS } from './prepare.mjs';

/** Installs, builds and serves; stops when the server stops. */
export function serve(args) {
  prepare();
  buildWeb();
  const server = spawn(process.execPath, [...TS, 'server/src/main.ts', ...args], {
    cwd: root,
    stdio: 'inherit',
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
