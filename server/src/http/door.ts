import type { RequestHandler } from 'express';
import { Refusal } from '../errors.ts';

/** Names under which this machine calls itself. */
const OWN_NAMES: readonly string[] = ['localhost', '127.0.0.1', '[::1]'];

const hostName = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/**
 * Who may ask. Kibble answers only to its own names (a foreign page whose name was bent to this machine is turned
 * away), takes changes only from its own pages, and only as JSON, which no form of another page can send.
 * @param names further names it answers to, where it is shared
 */
export function door(names: () => readonly string[] = () => []): RequestHandler {
  return (req, _res, next) => {
    const host = req.headers.host ?? '';
    const name = hostName(host);
    if (!OWN_NAMES.includes(name) && !names().includes(name))
      throw new Refusal(
        'wrong-address',
        `Kibble answers at ${OWN_NAMES.slice(0, 2).join(' and ')} on this machine, not at ${host.slice(0, 80) || 'an address without a name'}.`,
        'Host',
      );
    if (!req.path.startsWith('/api')) return next();
    const from = req.headers['sec-fetch-site'];
    const { origin } = req.headers;
    const foreign =
      (from !== undefined && from !== 'same-origin' && from !== 'none') ||
      (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`);
    if (foreign)
      throw new Refusal(
        'not-allowed',
        'Kibble takes this only from its own pages, not from another site.',
        'Origin',
      );
    const changes = !['GET', 'HEAD', 'OPTIONS'].includes(req.method);
    if (changes && !/^application\/(json|octet-stream)\b/i.test(req.headers['content-type'] ?? ''))
      throw new Refusal(
        'wrong-type',
        `Changes are taken as application/json; got ${req.headers['content-type']?.slice(0, 80) ?? 'nothing that says what it is'}.`,
        'Content-Type',
      );
    next();
  };
}
