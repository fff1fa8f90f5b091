import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { StartRefusal } from './db/startRefusal.ts';
import { wallClock } from './services/clock.ts';
import { copiesWords, startKibble } from './start.ts';

const kind = process.argv.includes('--demo') ? 'demo' : 'own';
const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
const folder = process.env.KIBBLE_DATA
  ? resolve(process.env.KIBBLE_DATA)
  : kind === 'demo'
    ? join(root, 'data', 'demo')
    : join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'kibble');

/** A port from the environment, in words when it is none. */
function portAsked(): number | undefined {
  if (!process.env.PORT) return undefined;
  const port = Number(process.env.PORT);
  if (Number.isInteger(port) && port >= 0 && port <= 65535) return port;
  throw new StartRefusal(`PORT must be a whole number from 0 to 65535; got "${process.env.PORT}".`);
}

try {
  const kibble = await startKibble({
    kind,
    folder,
    reset: process.argv.includes('--reset'),
    port: portAsked(),
    webDir: join(root, 'web', 'dist'),
    home: process.env.KIBBLE_HOME || undefined,
    wall: wallClock,
  });
  process.stdout.write(`Your data is in ${kibble.file}\nKibble is at ${kibble.url}\n`);
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    kibble.stop().then(
      () => process.exit(0),
      (error: unknown) => {
        process.stderr.write(`Kibble did not stop in good order: ${String(error)}\n`);
        process.exit(1);
      },
    );
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, stop);
  // Whoever started this has gone: nothing may go on holding the port.
  process.on('disconnect', stop);
} catch (error) {
  if (!(error instanceof StartRefusal)) throw error;
  process.stderr.write(`${error.message}\n${copiesWords(folder)}\n`.trimEnd() + '\n');
  process.exit(1);
}
