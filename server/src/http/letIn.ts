import type { RequestHandler } from 'express';
import { Refusal } from '../errors.ts';
import type { Sharing } from '../sharing/sharing.ts';

/** What a device may ask before it is let in. */
const OPEN = new Set(['GET /who', 'POST /pair']);

/** What "round only" may ask: to see the round and what it rests on, and to write down what was done on it. */
const ROUND_ONLY: readonly (readonly [method: string, path: RegExp])[] = [
  ['GET', /^\/gardens$/],
  ['GET', /^\/gardens\/\d+(\/(round|walk|progress|pots|runs|sharpen|alerts\/seen|working\/[\d-]+))?$/],
  ['GET', /^\/beds\/\d+(\/working\/[\w-]+)?$/],
  ['GET', /^\/(practice|events)$/],
  ['POST', /^\/beds\/\d+\/(waterings|skips)$/],
  ['PUT', /^\/beds\/\d+\/run$/],
  ['DELETE', /^\/beds\/\d+\/run$/],
  ['DELETE', /^\/(events|findings)\/\d+$/],
  ['POST', /^\/(events|findings)\/\d+\/restore$/],
  ['POST', /^\/gardens\/\d+\/(findings|pot-entries(\/(remove|restore))?|alerts\/seen)$/],
  ['POST', /^\/sequences\/\d+$/],
];

/** What is the machine's own to say: whether it shares at all. */
const HERE_ONLY: readonly (readonly [method: string, path: RegExp])[] = [
  ['PATCH', /^\/sharing$/],
  ['POST', /^\/practice$/],
];

const among = (table: typeof ROUND_ONLY, method: string, path: string): boolean =>
  table.some(([m, pattern]) => m === method && pattern.test(path));

/** Answers nobody but who sits at the machine itself and the devices that were let in, and them what they may. */
export function letIn(sharing: Sharing | undefined): RequestHandler {
  return (req, _res, next) => {
    if (!sharing || sharing.isHere(req)) return next();
    const { method } = req;
    const path = req.path.length > 1 ? req.path.replace(/\/$/, '') : req.path;
    if (OPEN.has(`${method} ${path}`)) return next();
    const { letIn: known, rights } = sharing.who(req);
    if (!known)
      throw new Refusal(
        'not-paired',
        'This device has not been let in. Ask for a code at the machine on which Kibble runs: Settings › On the home network.',
      );
    if (rights === 'round only' && !among(ROUND_ONLY, method, path))
      throw new Refusal('not-allowed', 'This device is let in for the round only.', 'rights');
    if (among(HERE_ONLY, method, path) && sharing.proxy === null)
      throw new Refusal('not-allowed', 'That is done at the machine itself, not from a device.', 'rights');
    next();
  };
}
