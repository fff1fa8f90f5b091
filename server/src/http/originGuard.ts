import type { RequestHandler } from 'express';
import { Refusal } from '../errors.ts';

/** Names under which this computer calls itself. */
const OWN_NAMES: readonly string[] = ['localhost', '127.0.0.1', '[::1]'];

const hostName = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/**
 * Kibble answers only to its own names: a foreign page whose name was bent to this computer is turned away, whatever
 * it asks for.
 * @param names further names it answers to, where it is shared
 */
export const hostGuard =
  (names: () => readonly string[]): RequestHandler =>
  (req, _res, next) => {
    const host = req.headers.host ?? '';
    const name = hostName(host);
    if (!OWN_NAMES.includes(name) && !names().includes(name))
      throw new Refusal(
        'wrong-address',
        `Kibble answers at ${OWN_NAMES.slice(0, 2).join(' and ')} on this computer, not at ${host.slice(0, 80) || 'an address without a name'}.`,
        'Host',
      );
    next();
  };

/** Takes what is asked only from Kibble's own pages, and changes only as JSON or bytes, which no form of another page can send. */
export const originGuard: RequestHandler = (req, _res, next) => {
  const from = req.headers['sec-fetch-site'];
  const { origin, host } = req.headers;
  const foreign =
    (from !== undefined && from !== 'same-origin' && from !== 'none') ||
    (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`);
  if (foreign)
    throw new Refusal(
      'not-allowed',
      'Kibble takes this only from its own pages, not from another site.',
      'Origin',
    );
  const changes = !['GET', 'HEAD'].includes(req.method);
  if (changes && !/^application\/(json|octet-stream)\b/i.test(req.headers['content-type'] ?? ''))
    throw new Refusal(
      'wrong-type',
      `Changes are taken as application/json; got ${req.headers['content-type']?.slice(0, 80) ?? 'nothing that says what it is'}.`,
      'Content-Type',
    );
  next();
};
