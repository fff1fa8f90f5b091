import { describe, expect, test } from '@jest/globals';
import express from 'express';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { pino } from 'pino';
import request from 'supertest';
import { errorHandler } from './errorHandler.ts';
import { pageFiles } from './pageFiles.ts';

const PROGRAM = 'export const round = 1;\n'.repeat(50);

function built(): string {
  const webDir = mkdtempSync(join(tmpdir(), 'kibble-web-'));
  mkdirSync(join(webDir, 'assets'));
  const file = join(webDir, 'assets', 'round-1.js');
  writeFileSync(file, PROGRAM);
  writeFileSync(`${file}.br`, brotliCompressSync(PROGRAM));
  writeFileSync(`${file}.gz`, gzipSync(PROGRAM));
  writeFileSync(join(webDir, 'index.html'), '<title>Kibble</title>');
  return webDir;
}

describe('the built interface', () => {
  const app = express()
    .use(pageFiles(built()))
    .use(errorHandler(pino({ level: 'silent' })));
  const asked = (encoding: string) => request(app).get('/assets/round-1.js').set('Accept-Encoding', encoding);

  test.each([
    ['gzip, deflate, br', 'br'],
    ['gzip, deflate', 'gzip'],
    ['identity', undefined],
  ])('to one that reads %s a program comes packed as %s, and is kept for a year', async (accepts, packed) => {
    // What is unpacked by the one that asks is compared; of brotli its length tells.
    const { headers, text } = await asked(accepts).buffer(packed !== 'br');
    expect(headers['content-encoding']).toBe(packed);
    expect(headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(headers['content-type']).toMatch(/^text\/javascript/);
    expect(headers.vary).toMatch(/Accept-Encoding/);
    if (packed === 'br')
      expect(Number(headers['content-length'])).toBe(brotliCompressSync(PROGRAM).byteLength);
    else expect(text).toBe(PROGRAM);
  });

  test('every address that is no file is the page, asked for anew each time', async () => {
    const { headers, text } = await request(app).get('/garden/1/round');
    expect(text).toBe('<title>Kibble</title>');
    expect(headers['cache-control']).toBe('no-cache');
  });

  test('a program that is not there is not the page', async () => {
    const { status, text } = await request(app).get('/assets/gone-1.js');
    expect(status).toBe(404);
    expect(text).toContain('There is no page at this address.');
    expect(text).not.toContain('id="root"');
  });

  test('a folder’s address is answered in Kibble’s words, not sent on by a library', async () => {
    for (const path of ['/assets', '/assets/']) {
      const { status, text } = await request(app).get(path);
      expect([path, status, text]).toEqual([path, 200, '<title>Kibble</title>']);
    }
  });
});
