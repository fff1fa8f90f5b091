import { spawn } from 'node:child_process';
import { buildServer, SERVER } from './buildServer.mjs';
import { buildWeb, prepare, root } from './prepare.mjs';

const LOOK_MS = 500;

/**
 * Installs, builds and serves. A signal is handed on and the server's own end is waited for: it answers what was asked
 * and brings everything into its one file. Should this process be killed outright, the broken line to it tells the
 * server to stop as well.
 */
export async function serve(args) {
  prepare();
  buildWeb();
  await buildServer();
  const server = spawn(process.execPath, [SERVER, ...args], {
    cwd: root,
    stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 1));
  // npm ends the shell between it and this process and tells nobody else: an orphan must not go on holding the port.
  const parent = process.ppid;
  if (process.env.npm_lifecycle_event)
    setInterval(() => {
      if (process.ppid !== parent) server.kill('SIGTERM');
    }, LOOK_MS).unref();
}
