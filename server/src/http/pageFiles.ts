import { join } from 'node:path';
import express, { Router } from 'express';
import packedStatic from 'express-static-gzip';
import { Refusal } from '../errors.ts';
import { pageLinks } from './pageLinks.ts';

/**
 * The built interface: its programs as the build packed them, and the page itself under every address that is no file.
 * @param webDir what the build made: `index.html`, `assets/`, and its manifest
 */
export function pageFiles(webDir: string): Router {
  const router = Router({ caseSensitive: true, strict: true });
  const links = pageLinks(webDir);
  // What bears its own hash never changes; everything else is asked for again.
  router.use(
    '/assets',
    packedStatic(join(webDir, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br'],
      index: false,
      serveStatic: { maxAge: '1y', immutable: true, redirect: false },
    }),
  );
  router.use(express.static(webDir, { index: false, maxAge: 0, redirect: false }));
  router.get('/{*path}', (req, res) => {
    // A file that is not there is not the page: a program in its place would be read as one.
    if (/\.[a-z0-9]+$/i.test(req.path))
      throw new Refusal('not-found', `There is no file ${req.path.slice(0, 200)}.`, 'address');
    const needed = links(req.path);
    if (needed.length > 0) res.set('Link', needed.join(', '));
    res.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html'));
  });
  return router;
}
