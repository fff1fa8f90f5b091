import { isIPv4 } from 'node:net';
import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import QRCode from 'qrcode';
import { StartRefusal } from './db/startRefusal.ts';
import { wallClock } from './services/clock.ts';
import { copiesWords, startKibble, type Running } from './start.ts';

const kind = process.argv.includes('--demo') ? 'demo' : 'own';
const main = fileURLToPath(import.meta.url);
const root = resolve(dirname(main), '../..');
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

/** `--share`, or `--share=192.168.1.20` for one address of several. */
function shareAsked(): { addresses?: string[] } | undefined {
  const asked = process.argv.find((arg) => arg === '--share' || arg.startsWith('--share='));
  if (asked === undefined) return undefined;
  const named = asked.slice('--share='.length).split(',').filter(Boolean);
  for (const address of named)
    if (!isIPv4(address))
      throw new StartRefusal(
        `--share= takes addresses of this machine, as 192.168.1.20; got "${address}". Without one it listens on all of them.`,
      );
  return named.length > 0 ? { addresses: named } : {};
}

/** What is said at the start of a shared Kibble: where it is, and how the first device is let in. */
async function sharedWords({ sharing }: Running): Promise<string> {
  if (!sharing.on && sharing.proxy === null) return '';
  const { plain, secure } = sharing.urls();
  const { trouble } = await sharing.view(null);
  const invite = await sharing.invite({ rights: 'everything' });
  return [
    ...[...plain, ...secure].map((url) => `On the home network: ${url}`),
    ...(trouble && sharing.on ? [`It cannot be reached on the network: ${trouble}`] : []),
    `To let a device in within ten minutes: code ${invite.code}, or scan`,
    await QRCode.toString(invite.link, { type: 'terminal', small: true }),
    invite.link,
    '',
  ].join('\n');
}

try {
  const kibble = await startKibble({
    kind,
    folder,
    reset: process.argv.includes('--reset'),
    port: portAsked(),
    webDir: join(root, 'web', 'dist'),
    share: shareAsked(),
    home: process.env.KIBBLE_HOME || undefined,
    main,
    wall: wallClock,
  });
  process.stdout.write(
    `${await sharedWords(kibble)}Your data is in ${kibble.file}\nKibble is at ${kibble.url}\n`,
  );
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
