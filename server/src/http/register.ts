import { ENDPOINT_NAMES, endpoint, type Endpoint, type EndpointName } from '@kibble/contract';
import { Router, type RequestHandler } from 'express';
import { Refusal } from '../errors.ts';
import { bodyOf } from './body.ts';
import { originGuard } from './originGuard.ts';

export type Handlers = Readonly<Record<EndpointName, RequestHandler>>;

/** What answers some of the catalogue's endpoints. */
export const handlers = <K extends EndpointName>(
  table: Readonly<Record<K, RequestHandler>>,
): Readonly<Record<K, RequestHandler>> => table;

/** What Kibble hears at all; nothing answers a question about which methods there are. */
const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE']);

const nothingThere = (method: string, url: string): Refusal =>
  new Refusal('not-found', `There is nothing at ${method} ${url.slice(0, 200)}.`, 'address');

/**
 * Every endpoint of the catalogue, each with its guards before it. Letters and slashes of an address count as they are
 * written: what is not an entry of the catalogue to the letter is not there, so that no guard is passed by writing an
 * address another way.
 * @param guards decide who may ask, by the entry that was matched and never by the text of an address: before anything
 *   that was sent is read, and once it has been
 */
export function apiRouter(
  table: Handlers,
  guards: {
    authorize: (entry: Endpoint) => RequestHandler;
    authorizeBody: (name: EndpointName) => RequestHandler;
  },
): Router {
  const router = Router({ caseSensitive: true, strict: true });
  router.use((req, _res, next) => {
    if (!METHODS.has(req.method)) throw nothingThere(req.method, req.originalUrl);
    next();
  });
  for (const name of ENDPOINT_NAMES) {
    const entry = endpoint(name);
    const method = entry.method.toLowerCase() as 'get' | 'post' | 'put' | 'patch' | 'delete';
    // Whoever reads a calendar by its link is no page of ours.
    const own = entry.who === 'whoever has the link' ? [] : [originGuard];
    const sent = entry.method === 'GET' ? [] : [bodyOf(entry), guards.authorizeBody(name)];
    router[method](entry.path, ...own, guards.authorize(entry), ...sent, table[name]);
  }
  return router;
}

/** What nobody registered: under /api there is nothing, and only a page is read elsewhere. */
export const notInCatalogue: RequestHandler = (req, res, next) => {
  const isPage = (req.method === 'GET' || req.method === 'HEAD') && !/^\/(api|calendar)(\/|$)/.test(req.path);
  if (isPage) {
    next();
    return;
  }
  originGuard(req, res, (error?: unknown) => {
    next(error ?? nothingThere(req.method, req.originalUrl));
  });
};
