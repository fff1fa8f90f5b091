import type { IncomingMessage } from 'node:http';

/** By which of Kibble's doors a request came: on the machine itself, or from the home's network, plainly or with a certificate. */
export type Way = 'here' | 'network' | 'secure network';

/** What is not in it came by the machine's own door. */
export const cameBy = new WeakMap<IncomingMessage, Way>();
export const wayOf = (req: IncomingMessage): Way => cameBy.get(req) ?? 'here';
