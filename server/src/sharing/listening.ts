import { createServer, type RequestListener, type Server } from 'node:http';
import { createServer as createSecure, type Server as SecureServer } from 'node:https';
import { hostname, networkInterfaces } from 'node:os';
import { cameBy, type Way } from './cameBy.ts';

/** The certificate's port is the first free one after the plain one. */
const PORTS_TO_TRY = 20;

/** Addresses of this machine on the home's network, the loopback left out. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((of) => of ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/** Names under which a machine on the home's network may be reached besides its addresses. */
export const ownNames = (): string[] => {
  const name = hostname().toLowerCase();
  return /^[a-z0-9-]+$/.test(name) ? [name, `${name}.local`] : [];
};

/** Marks every request with the way it came by. */
export const marked =
  (app: RequestListener, way: Way): RequestListener =>
  (req, res) => {
    cameBy.set(req, way);
    app(req, res);
  };

export interface Listening {
  address: string;
  plainPort: number;
  securePort: number | null;
  servers: (Server | SecureServer)[];
  secure: SecureServer | null;
}

const listenOn = <S extends Server | SecureServer>(server: S, port: number, address: string): Promise<S> =>
  new Promise((done, failed) => {
    server.once('error', failed);
    server.listen(port, address, () => {
      server.removeListener('error', failed);
      done(server);
    });
  });

/** Listens on one address: plainly at `port`, and with a certificate at the next free one. */
export async function listenAt(
  app: RequestListener,
  address: string,
  port: number,
  certificate: { key: string; cert: string } | null,
): Promise<Listening> {
  const plain = await listenOn(createServer(marked(app, 'network')), port, address);
  const listening: Listening = { address, plainPort: port, securePort: null, servers: [plain], secure: null };
  if (!certificate) return listening;
  for (let next = port + 1; next < port + PORTS_TO_TRY; next += 1) {
    try {
      const secure = await listenOn(createSecure(certificate, marked(app, 'secure network')), next, address);
      return { ...listening, securePort: next, servers: [plain, secure], secure };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') break;
    }
  }
  return listening;
}
