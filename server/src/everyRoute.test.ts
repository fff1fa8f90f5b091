import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { endpoint, ENDPOINT_NAMES, mayAsk, type EndpointName, type InviteView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import { QueryTypes, type Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN, POT, TREE } from '../tests/oneBed.ts';
import { Sharing } from './sharing/sharing.ts';

/** An address of this machine that no other machine reaches (127.0.0.0/8 is the loopback, RFC 1122). */
const ADDRESS = '127.0.0.2';
const root = mkdtempSync(join(tmpdir(), 'kibble-routes-'));
const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
const log = pino({ level: 'silent' });
let sequelize: Sequelize;
let sharing: Sharing;
let app: Express;
let server: Server;

/** Everybody who may come to the door, each as they come. */
const CALLERS = ['owner', 'device', 'helper', 'stranger', 'hostile page', 'hostile device'] as const;
type Caller = (typeof CALLERS)[number];
const headersOf: Record<Caller, Record<string, string>> = {
  owner: {},
  device: {},
  helper: {},
  stranger: {},
  'hostile page': { Origin: 'http://evil.example', 'Sec-Fetch-Site': 'cross-site' },
  'hostile device': { Origin: 'http://evil.example', 'Sec-Fetch-Site': 'cross-site' },
};
const port = (): number => (server.address() as AddressInfo).port;
const isHere = (caller: Caller): boolean => caller === 'owner' || caller === 'hostile page';

async function send(
  caller: Caller,
  method: string,
  path: string,
  body: unknown = {},
): Promise<{ status: number; type: string; text: string; headers: Headers }> {
  const gone = new AbortController();
  const answer = await fetch(`http://${isHere(caller) ? '127.0.0.1' : ADDRESS}:${port()}${path}`, {
    method,
    redirect: 'manual',
    signal: gone.signal,
    headers: { 'Content-Type': 'application/json', ...headersOf[caller] },
    body: method === 'GET' ? undefined : JSON.stringify(body),
  });
  const type = answer.headers.get('Content-Type') ?? '';
  const streams = type.startsWith('text/event-stream');
  const text = streams ? '' : await answer.text();
  if (streams) gone.abort();
  return { status: answer.status, type, text, headers: answer.headers };
}

beforeAll(async () => {
  sequelize = await freshDatabase(join(root, 'kibble.sqlite'));
  sharing = new Sharing({ folder: root, wall, log, on: true, addresses: [ADDRESS] });
  app = appHere({ sequelize, wall, log, sharing });
  server = createServer(app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  await sharing.begin(app, port());
  for (const [path, body] of [
    ['/api/gardens', GARDEN],
    ['/api/gardens', { ...GARDEN, garden: { ...GARDEN.garden, name: 'Elsewhere' } }],
    ['/api/gardens/1/pots', POT],
    ['/api/gardens/1/trees', TREE],
    ['/api/gardens/1/taps', { name: 'Shed' }],
    ['/api/beds/1/waterings', { litres: 5 }],
    ['/api/gardens/1/sequences', { kind: 'drench twice', potIds: [1] }],
  ] as const)
    expect([path, (await send('owner', 'POST', path, body)).status]).toEqual([path, 201]);
  const connect = async (caller: Caller, rights: string, gardens?: number[]): Promise<void> => {
    const { text } = await send('owner', 'POST', '/api/sharing/invitation', { rights, gardens });
    const { code } = JSON.parse(text) as InviteView;
    const paired = await send('stranger', 'POST', '/api/pair', { code, name: caller });
    headersOf[caller] = {
      ...headersOf[caller],
      Cookie: paired.headers.get('Set-Cookie')?.split(';')[0] ?? '',
    };
  };
  await connect('device', 'everything');
  await connect('hostile device', 'everything');
  await connect('helper', 'round only', [1]);
});
afterAll(async () => {
  await sharing.stop();
  await new Promise((done) => {
    server.close(done);
    server.closeAllConnections();
  });
  await settled(app);
  await sequelize.close();
  rmSync(root, { recursive: true, force: true });
});

/** Everything on record, but who was seen when. */
async function record(): Promise<string> {
  const tables = await sequelize.query<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT IN ('kept_rounds', 'acts')",
    { type: QueryTypes.SELECT },
  );
  const rows = await Promise.all(tables.map(({ name }) => sequelize.query(`SELECT * FROM "${name}"`)));
  return JSON.stringify(rows.map(([all]) => all));
}

/** An entry's address with something that is there in each of its places, or nothing that is. */
function addressOf(name: EndpointName, garden = '1'): string {
  const { path } = endpoint(name);
  const there: Record<string, string> = {
    id: garden,
    key: 'jar',
    date: '2026-07-14',
    number: 'minutes',
    planting: '1',
    file: 'none',
    secret: 'wrong',
  };
  return path.replace(/:(\w+)/g, (_all, part: string) => there[part] ?? part);
}

/** The same address as somebody might write it to get past a guard that looks at its letters. */
const spellings = (path: string): string[] => [
  path.replace('/api', '/API').replace('/calendar', '/CALENDAR'),
  path.replace('/api', '/Api').replace('/calendar', '/Calendar'),
  path.replace(/\/(\w)(\w+)/g, (_all, first: string, rest: string) => `/${first.toUpperCase()}${rest}`),
  `${path}/`,
  `/${path}`,
  path.replace('/api', '/%61pi').replace('/calendar', '/c%61lendar'),
  path.replace('/api/', '/api//'),
  path.replace('/api', '/x/../API'),
];

describe('every route of the catalogue, asked by everybody', () => {
  test.each(ENDPOINT_NAMES)('%s', async (name) => {
    const { method, who } = endpoint(name);
    const path = addressOf(name);
    const before = await record();
    const as = async (caller: Caller, at = path) => (await send(caller, method, at)).status;
    const isOpen = who === 'anybody' || who === 'whoever has the link';

    // Whoever has no right is told so before anything of the question is looked at.
    expect([name, await as('stranger')]).toEqual([name, isOpen ? expect.not.closeTo(401) : 401]);
    for (const caller of ['hostile page', 'hostile device'] as const)
      expect([caller, await as(caller)]).toEqual([caller, who === 'whoever has the link' ? 404 : 403]);
    if (who === 'device' || who === 'this computer') expect([name, await as('helper')]).toEqual([name, 403]);
    if (who === 'this computer') expect([name, await as('device')]).toEqual([name, 403]);
    // Of another garden a helper learns nothing.
    const { of } = endpoint(name);
    if (of) expect([name, await as('helper', addressOf(name, '2'))]).toEqual([name, 403]);

    // However it is spelt, it is that entry or none: nobody gets further than by its proper name.
    for (const caller of CALLERS)
      for (const spelt of spellings(path)) {
        const { status, type, text } = await send(caller, method, spelt);
        expect([caller, spelt, status, status < 500]).toEqual([caller, spelt, status, true]);
        expect([caller, spelt, [200, 201, 202].includes(status) && type.includes('json')]).toEqual([
          caller,
          spelt,
          false,
        ]);
        expect(text).not.toMatch(/Cannot (GET|POST|PUT|PATCH|DELETE)|<pre>/);
      }
    expect(await record()).toBe(before);
  });

  test.each(ENDPOINT_NAMES.filter((name) => endpoint(name).method === 'GET'))(
    '%s answers by its schema whoever may ask for it',
    async (name) => {
      const { who, answers } = endpoint(name);
      for (const caller of ['owner', 'device', 'helper'] as const) {
        const has = caller === 'owner' ? 'this computer' : caller;
        if (who !== 'whoever has the link' && !mayAsk(has, who)) continue;
        const { status, text, type } = await send(caller, 'GET', addressOf(name));
        expect([caller, status, status < 500 && status !== 401 && status !== 403]).toEqual([
          caller,
          status,
          true,
        ]);
        if (status !== 200) continue;
        if (typeof answers === 'string') expect(type).toContain(answers);
        else expect(answers.safeParse(JSON.parse(text)).error).toBeUndefined();
      }
    },
  );

  test('each entry is registered once, and no two have the same method and address', () => {
    const all = ENDPOINT_NAMES.map((name) => `${endpoint(name).method} ${endpoint(name).path}`);
    expect(new Set(all).size).toBe(all.length);
  });

  test('an address nobody registered is answered in JSON under /api, and with Kibble’s own words elsewhere', async () => {
    for (const [method, path, status] of [
      ['GET', '/api/nothing', 404],
      ['GET', '/api', 404],
      ['POST', '/nowhere', 404],
      ['OPTIONS', '/api/gardens', 404],
      ['PROPFIND', '/api/gardens', 404],
      ['GET', '/api/%E0%A4%A', 404],
      ['GET', '/%E0%A4%A', 404],
      ['GET', '/calendar/1', 404],
    ] as const) {
      const answer = await send('owner', method, path);
      expect([method, path, answer.status]).toEqual([method, path, status]);
      if (path.startsWith('/api')) expect(answer.type).toContain('application/json');
      expect(answer.text).not.toMatch(/Cannot (GET|POST|OPTIONS|PROPFIND)|<pre>/);
    }
  });

  test('deep and huge bodies are refused in words, on every way in', async () => {
    const deep = `{"litres":${'['.repeat(5000)}${']'.repeat(5000)}}`;
    for (const path of ['/api/beds/1/waterings', '/api/gardens', '/api/gardens/1/weather/import']) {
      const answer = await fetch(`http://127.0.0.1:${port()}${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: deep,
      });
      const { error } = (await answer.json()) as { error: { message: string; field: string } };
      expect([path, answer.status, error.field]).toEqual([path, 400, 'body']);
      expect(error.message).toContain('nested more than 64 levels deep');
    }
    const long = await send('owner', 'POST', '/api/beds/1/waterings', { note: 'x'.repeat(300_000) });
    expect(long.status).toBe(413);
  });
});
