import { spawn } from 'node:child_process';
import { buildWeb, prepare, root, TS } from './prepare.mjs';

/**
 * Installs, builds and serves. A signal is handed on and the server's own end is waited for: it answers what was asked
 * and brings everything into its one file. Should this process be killed outright, the broken line to it tells the
 * server to stop as well.
 */
export function serve(args) {
  prepare();
  buildWeb();
  const server = spawn(process.execPath, [...TS, 'server/src/main.ts', ...args], {
    cwd: root,
    stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 1));
}
