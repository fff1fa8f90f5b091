import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { request as secureRequest } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { InviteView, SharingView } from '@kibble/contract';
import type { Express } from 'express';
import ICAL from 'ical.js';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import request from 'supertest';
import { appHere, settled } from '../tests/appHere.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN } from '../tests/oneBed.ts';
import { EntryRow } from './db/models.ts';
import { certificateFor } from './sharing/authority.ts';
import { Sharing } from './sharing/sharing.ts';

/** An address of this machine that no other machine reaches (127.0.0.0/8 is the loopback, RFC 1122). */
const ADDRESS = '127.0.0.2';
const root = mkdtempSync(join(tmpdir(), 'kibble-sharing-'));
const clock = { now: new Date('2026-07-14T06:00:00Z') };
const wall = { now: () => clock.now };
const log = pino({ level: 'silent' });
let sequelize: Sequelize;
let sharing: Sharing;
let app: Express;
let server: Server;
let folder = '';
let n = 0;

async function stop(): Promise<void> {
  await sharing?.stop();
  await new Promise((done) => (server ? server.close(done) : done(null)));
  await settled(app);
  await sequelize?.close();
}
beforeEach(async () => {
  await stop();
  folder = join(root, String((n += 1)));
  clock.now = new Date('2026-07-14T06:00:00Z');
  sequelize = await freshDatabase(join(root, `${n}.sqlite`));
  sharing = new Sharing({ folder, wall, log, on: true, addresses: [ADDRESS] });
  app = appHere({ sequelize, wall, log, sharing });
  server = createServer(app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  await sharing.begin(app, (server.address() as AddressInfo).port);
  expect((await here('post', '/api/gardens').send(GARDEN)).status).toBe(201);
});
afterAll(async () => {
  await stop();
  rmSync(root, { recursive: true, force: true });
});

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';
const port = (): number => (server.address() as AddressInfo).port;
const asked = (at: string) => (method: Method, path: string) =>
  request(at)[method](path).set('Content-Type', 'application/json');
const here = (method: Method, path: string) => asked(`http://127.0.0.1:${port()}`)(method, path);
const network = (method: Method, path: string) => asked(`http://${ADDRESS}:${port()}`)(method, path);

const invite = async (rights: 'everything' | 'round only' = 'everything'): Promise<InviteView> =>
  (await here('post', '/api/sharing/invitation').send({ rights })).body as InviteView;
async function letIn(rights: 'everything' | 'round only' = 'everything'): Promise<string> {
  const { code } = await invite(rights);
  const answer = await network('post', '/api/pair').send({ code, name: 'kitchen phone' });
  expect(answer.status).toBe(201);
  return String(answer.headers['set-cookie']).split(';')[0] ?? '';
}
const devices = async () => ((await here('get', '/api/sharing')).body as SharingView).devices;

/** Every kind of address of the API, as somebody might try it. */
const ADDRESSES: readonly (readonly [Method, string])[] = [
  ['get', '/api/gardens'],
  ['get', '/api/gardens/1'],
  ['get', '/api/gardens/1/round'],
  ['get', '/api/gardens/1/section'],
  ['get', '/api/gardens/1/fortnight'],
  ['get', '/api/gardens/1/weather'],
  ['get', '/api/gardens/1/runs'],
  ['get', '/api/gardens/1/drafts'],
  ['get', '/api/gardens/1/pots'],
  ['get', '/api/gardens/1/trees'],
  ['get', '/api/gardens/1/calendar'],
  ['get', '/api/beds/1'],
  ['get', '/api/your-data'],
  ['get', '/api/your-data/archive'],
  ['get', '/api/sharing'],
  ['get', '/api/sharing/authority.crt'],
  ['get', '/api/events'],
  ['get', '/api/towns?named=a'],
  ['post', '/api/gardens'],
  ['post', '/api/gardens/1/step'],
  ['post', '/api/beds/1/waterings'],
  ['post', '/api/sharing/invitation'],
  ['patch', '/api/sharing'],
  ['put', '/api/beds/1'],
  ['delete', '/api/beds/1'],
  ['post', '/api/your-data/restore'],
];

describe('who is let in', () => {
  test('nothing but pairing answers an unknown device', async () => {
    for (const [method, path] of ADDRESSES) {
      const answer = await network(method, path).send(method === 'get' ? undefined : {});
      expect([path, answer.status, answer.body.error?.code]).toEqual([path, 401, 'not-paired']);
    }
    expect((await network('get', '/api/who')).body).toEqual({
      letIn: false,
      here: false,
      name: null,
      rights: null,
    });
    // On the machine itself nothing is asked.
    expect((await here('get', '/api/who')).body).toMatchObject({ letIn: true, here: true });
  });

  test('six figures let one device in, once; its cookie is kept from scripts and other sites', async () => {
    const { code, link, picture } = await invite();
    expect(code).toMatch(/^\d{6}$/);
    expect(picture).toContain('<svg');
    expect(link).toMatch(new RegExp(`^http://${ADDRESS}:\\d+/pair#`));
    const answer = await network('post', '/api/pair').send({
      code: `${code.slice(0, 3)} ${code.slice(3)}`,
      name: 'phone',
    });
    const cookie = String(answer.headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    const shown = cookie.split(';')[0] ?? '';
    expect((await network('get', '/api/gardens/1/round').set('Cookie', shown)).status).toBe(200);
    expect((await network('post', '/api/pair').send({ code, name: 'another' })).status).toBe(400);
    expect((await devices()).map(({ name }) => name)).toEqual(['phone']);
  });

  test('the link of the square lets in once as well', async () => {
    const { link } = await invite();
    const secret = link.split('#')[1] ?? '';
    expect((await network('post', '/api/pair').send({ link: secret, name: 'tablet' })).status).toBe(201);
    expect((await network('post', '/api/pair').send({ link: secret, name: 'tablet' })).status).toBe(400);
  });

  test('a code ends after ten minutes', async () => {
    const late = await invite();
    clock.now = new Date('2026-07-14T06:10:01Z');
    expect((await here('get', '/api/sharing')).body.invite).toBeNull();
    expect((await here('post', '/api/pair').send({ code: late.code, name: 'x' })).status).toBe(400);
  });

  test('whoever guesses is locked out, with the right code too', async () => {
    const { code } = await invite();
    const wrong = code === '000000' ? '000001' : '000000';
    for (let i = 0; i < 5; i += 1)
      expect((await network('post', '/api/pair').send({ code: wrong, name: 'x' })).status).toBe(400);
    const locked = await network('post', '/api/pair').send({ code, name: 'x' });
    expect(locked.status).toBe(429);
    expect(locked.body.error.message).toMatch(/for 15 min/);
  });

  test('a device that is shut out is out at once; a cookie that was tampered with never was in', async () => {
    const cookie = await letIn();
    const [device] = await devices();
    const forged = cookie.replace(/.$/, (last) => (last === 'A' ? 'B' : 'A'));
    expect((await network('get', '/api/gardens').set('Cookie', forged)).status).toBe(401);
    expect((await network('get', '/api/gardens').set('Cookie', cookie)).status).toBe(200);
    expect((await here('delete', `/api/sharing/devices/${device?.id}`).send({})).status).toBe(200);
    expect((await network('get', '/api/gardens').set('Cookie', cookie)).status).toBe(401);
  });

  test('a helper walks the round and nothing else', async () => {
    const cookie = await letIn('round only');
    const as = (method: Method, path: string) => network(method, path).set('Cookie', cookie);
    expect((await as('get', '/api/gardens/1/round')).status).toBe(200);
    const done = await as('post', '/api/beds/1/waterings').send({ litres: 20 });
    expect(done.status).toBe(201);
    // Whoever looks sees on which device it was written down.
    expect(done.body.by).toBe('kitchen phone');
    expect((await as('delete', `/api/events/${done.body.id}`).send({})).status).toBe(200);
    expect((await as('post', `/api/events/${done.body.id}/restore`).send({})).status).toBe(200);
    // What was entered elsewhere is not theirs to undo, and nothing that changes a setting or the plan is theirs to enter.
    const elsewhere = (await here('post', '/api/beds/1/waterings').send({ litres: 5 })).body as {
      id: number;
    };
    expect((await as('delete', `/api/events/${elsewhere.id}`).send({})).status).toBe(403);
    const finding = (input: object) => as('post', '/api/gardens/1/findings').send({ bedId: 1, input });
    const look = { kind: 'look', tool: 'trowel', depthMm: 200, state: 'damp', mulchMoved: true };
    expect((await finding(look)).status).toBe(201);
    expect((await finding({ kind: 'plan', what: 'leave out', date: '2026-07-16' })).status).toBe(403);
    expect((await finding({ kind: 'hang', soil: 'dry' })).status).toBe(403);
    for (const [method, path] of [
      ['put', '/api/beds/1'],
      ['patch', '/api/gardens/1'],
      ['post', '/api/gardens/1/step'],
      ['get', '/api/your-data/archive'],
      ['get', '/api/sharing'],
      ['post', '/api/sharing/invitation'],
      ['get', '/api/gardens/1/calendar'],
      ['get', '/api/gardens/1/working/2026-07-14'],
      ['post', '/api/gardens/1/alerts/seen'],
    ] as const) {
      const answer = await as(method, path).send(method === 'get' ? undefined : {});
      expect([path, answer.status]).toEqual([path, 403]);
    }
  });

  test('a helper sees the gardens of the invitation, nothing of another, and no coordinates of any', async () => {
    const second = { ...GARDEN, garden: { ...GARDEN.garden, name: 'Elsewhere', latitudeDeg: 12.3456 } };
    expect((await here('post', '/api/gardens').send(second)).status).toBe(201);
    const unsaid = await here('post', '/api/sharing/invitation').send({ rights: 'round only' });
    expect([unsaid.status, unsaid.body.error.field]).toEqual([400, 'gardens']);
    const { code } = (
      await here('post', '/api/sharing/invitation').send({ rights: 'round only', gardens: [2] })
    ).body as InviteView;
    const paired = await network('post', '/api/pair').send({ code, name: 'helper' });
    const cookie = String(paired.headers['set-cookie']).split(';')[0] ?? '';
    const as = (method: Method, path: string) => network(method, path).set('Cookie', cookie);
    expect((await as('get', '/api/gardens')).body).toEqual([{ id: 2, name: 'Elsewhere', away: false }]);
    for (const path of ['/api/gardens/2', '/api/gardens/2/round', '/api/beds/2', '/api/gardens/2/pots']) {
      const { status, text } = await as('get', path);
      expect([path, status]).toEqual([path, 200]);
      expect(text).not.toContain('12.3456');
    }
    expect((await as('get', '/api/gardens/2')).body).toMatchObject({ latitudeDeg: null, town: null });
    for (const path of ['/api/gardens/1', '/api/gardens/1/round', '/api/beds/1', '/api/gardens/1/runs'])
      expect([path, (await as('get', path)).status]).toEqual([path, 403]);
    expect((await as('post', '/api/beds/1/waterings').send({ litres: 5 })).status).toBe(403);
    expect((await as('post', '/api/beds/2/waterings').send({ litres: 5 })).status).toBe(201);
  });

  test('helpers from before keep the one garden there is; where there are several they ask for a new code', () => {
    const device = { id: 'a', name: 'old', rights: 'round only', proof: '', pairedAt: '', seenAt: '' };
    const bookWith = (gardens: number[]) => {
      const at = join(root, `earlier-${gardens.length}`);
      mkdirSync(join(at, 'sharing'), { recursive: true });
      writeFileSync(
        join(at, 'sharing', 'devices.json'),
        JSON.stringify({
          version: 1,
          on: true,
          proxy: null,
          secret: 's',
          devices: [device],
          calendars: { 1: 'given-out-earlier' },
        }),
      );
      const earlier = new Sharing({ folder: at, wall, log });
      earlier.adoptHelpers('house', gardens);
      return earlier;
    };
    const one = bookWith([7]);
    expect(one.gardensOf({ ...device, rights: 'round only', gardens: [7], house: 'house' })).toEqual([7]);
    const kept = (sharing: Sharing) =>
      (JSON.parse(JSON.stringify(sharing)) as { book: { pages: { devices: { gardens?: number[] }[] } } }).book
        .pages.devices[0]?.gardens;
    expect(kept(one)).toEqual([7]);
    expect(kept(bookWith([7, 8]))).toBeUndefined();
    // An address given out when a garden had one for everybody goes on.
    expect(one.isCalendarSecret(1, 'given-out-earlier')).toBe(true);
    one.calendarSecret(1, null, true);
    expect(one.isCalendarSecret(1, 'given-out-earlier')).toBe(false);
  });

  test('connected again, a browser is the same device: its own entries stay its own', async () => {
    const cookie = await letIn('round only');
    const { id } = (await network('post', '/api/beds/1/waterings').set('Cookie', cookie).send({ litres: 4 }))
      .body as { id: number };
    const { code } = await invite('round only');
    const again = await network('post', '/api/pair').set('Cookie', cookie).send({ code, name: 'same phone' });
    const newer = String(again.headers['set-cookie']).split(';')[0] ?? '';
    expect((await devices()).map(({ name }) => name)).toEqual(['same phone']);
    expect((await network('get', '/api/gardens').set('Cookie', cookie)).status).toBe(401);
    expect((await network('delete', `/api/events/${id}`).set('Cookie', newer).send({})).status).toBe(200);
  });

  test('whether it is shared is said at the machine itself', async () => {
    const cookie = await letIn();
    expect((await network('patch', '/api/sharing').set('Cookie', cookie).send({ on: false })).status).toBe(
      403,
    );
    expect((await here('patch', '/api/sharing').send({ on: false })).body).toMatchObject({
      on: false,
      plain: [],
    });
    await expect(network('get', '/api/who')).rejects.toThrow(/ECONNREFUSED/);
    expect((await here('patch', '/api/sharing').send({ on: true })).body.plain).toHaveLength(1);
    expect((await network('get', '/api/gardens').set('Cookie', cookie)).status).toBe(200);
  });

  test('behind a declared proxy everybody pairs, and only its name is answered besides', async () => {
    expect((await here('patch', '/api/sharing').send({ proxy: 'http://kibble' })).status).toBe(400);
    expect((await here('patch', '/api/sharing').send({ proxy: 'kibble.example' })).status).toBe(200);
    expect((await here('get', '/api/gardens')).status).toBe(401);
    expect((await here('get', '/api/who').set('Host', 'kibble.example')).status).toBe(200);
    expect((await here('get', '/api/who').set('Host', 'other.example')).status).toBe(421);
    const { code } = await sharing.invite({ rights: 'everything' });
    const answer = await here('post', '/api/pair')
      .set('Host', 'kibble.example')
      .set('X-Forwarded-Proto', 'https')
      .send({ code, name: 'desk' });
    expect(String(answer.headers['set-cookie'])).toMatch(/Secure/);
  });

  test('behind a declared proxy a stranger’s wrong codes lock out the stranger alone', async () => {
    expect((await here('patch', '/api/sharing').send({ proxy: 'kibble.example' })).status).toBe(200);
    const pair = (code: string, forwarded: string) =>
      here('post', '/api/pair')
        .set('Host', 'kibble.example')
        .set('X-Forwarded-For', forwarded)
        .send({ code, name: 'x' });
    const { code } = await sharing.invite({ rights: 'everything' });
    const wrong = code === '000000' ? '000001' : '000000';
    // What stands before the last address is the asker's own word, and another one each time.
    for (let i = 0; i < 5; i += 1) await pair(wrong, `10.0.0.${i}, 203.0.113.9`);
    expect((await pair(wrong, '10.0.0.77, 203.0.113.9')).status).toBe(429);
    expect((await pair(code, '198.51.100.4')).status).toBe(201);
  });

  test('keys and devices are this machine’s: readable by its owner alone, and known again after a start', async () => {
    const cookie = await letIn();
    for (const name of ['devices.json', 'authority.json', 'certificate.json'])
      expect(statSync(join(folder, 'sharing', name)).mode & 0o077).toBe(0);
    expect(readFileSync(join(folder, 'sharing', 'devices.json'), 'utf8')).not.toContain(
      cookie.split('~')[1]?.slice(0, 12),
    );
    await sharing.stop();
    const again = new Sharing({ folder, wall, log, on: true, addresses: [ADDRESS] });
    expect(again.deviceOf({ headers: { cookie } } as never)?.name).toBe('kitchen phone');
    await again.stop();
    expect(existsSync(join(folder, 'sharing', 'devices.json.new'))).toBe(false);
  });
});

test('a certificate that was made while the clock was ahead is made anew once it is right', async () => {
  const at = join(root, 'clock-ahead');
  const made = await certificateFor(at, [ADDRESS], new Date());
  expect((await certificateFor(at, [ADDRESS], new Date())).cert).toBe(made.cert);
  // By a clock that is put back a year the one that stands is not valid yet.
  const year = new Date(Date.now() - 365 * 86_400_000);
  const again = await certificateFor(at, [ADDRESS], year);
  expect(again.cert).not.toBe(made.cert);
  expect(again.root).not.toBe(made.root);
});

test('its own authority signs what the secure address shows, and Node’s own TLS believes it', async () => {
  const [secure = ''] = sharing.urls().secure;
  const { root: ca } = await certificateFor(join(folder, 'sharing'), [ADDRESS], new Date());
  const status = await new Promise((done, failed) => {
    secureRequest(`${secure}/api/who`, { ca }, (res) => done(res.statusCode))
      .on('error', failed)
      .end();
  });
  expect(status).toBe(200);
  await expect(
    new Promise((done, failed) => {
      secureRequest(`${secure}/api/who`, (res) => done(res.statusCode))
        .on('error', failed)
        .end();
    }),
  ).rejects.toThrow(/self-signed|unable to/);
});

describe('the calendar', () => {
  test('its secret address needs no cookie and is read by another library; a new address ends the old', async () => {
    const { path } = (await here('get', '/api/gardens/1/calendar')).body as { path: string };
    const text = (await network('get', path)).text;
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    expect(events.length).toBeGreaterThan(0);
    const first = new ICAL.Event(events[0]);
    expect(first.summary).toMatch(/^Here: water one bed, \d+ min of your time$/);
    expect(first.description).toMatch(/^Tomatoes: \d+ min, \d+ L$/);
    expect(first.startDate.compare(first.endDate)).toBeLessThan(0);
    expect(first.startDate.toString().slice(0, 10) >= '2026-07-14').toBe(true);
    expect((await network('get', path.replace(/.{4}\.ics$/, 'aaaa.ics'))).status).toBe(404);
    await here('post', '/api/gardens/1/calendar').send({});
    expect((await network('get', path)).status).toBe(404);
  });

  test('every device has an address of its own, which ends with the device and with no other', async () => {
    const cookie = await letIn();
    const own = (await network('get', '/api/gardens/1/calendar').set('Cookie', cookie)).body as {
      path: string;
    };
    const ours = (await here('get', '/api/gardens/1/calendar')).body as { path: string };
    expect(own.path).not.toBe(ours.path);
    await here('post', '/api/gardens/1/calendar').send({});
    expect((await network('get', own.path)).status).toBe(200);
    await here('delete', `/api/sharing/devices/${(await devices())[0]?.id}`).send({});
    expect((await network('get', own.path)).status).toBe(404);
  });
});

describe('never twice, and never lost', () => {
  test('a second watering of a day is asked about where the page takes it to be the only one', async () => {
    const water = (body: object) => here('post', '/api/beds/1/waterings').send({ litres: 40, ...body });
    const first = await water({ onlyOne: true });
    expect(first.status).toBe(201);
    expect(first.body.by).toBeNull();
    const asks = await water({ onlyOne: true });
    expect(asks.status).toBe(409);
    expect(asks.body.error).toMatchObject({ code: 'needs-consent', field: 'onlyOne' });
    expect(asks.body.error.message).toMatch(/Tomatoes had 40 L today already/);
    expect((await water({ onlyOne: true, on: '2026-07-13' })).status).toBe(201);
    expect((await water({})).status).toBe(201);
    expect(await EntryRow.count({ where: { kind: 'watering', removedAt: null } })).toBe(3);
  });

  test('what was done before it could be sent is written down as of its moment and its day', async () => {
    await here('patch', '/api/gardens/1').send({ clock: { mode: 'real' } });
    const water = (moment: string) =>
      here('post', '/api/beds/1/waterings').set('Kibble-Moment', moment).send({ litres: 30 });
    const done = await water('2026-07-12T18:30:00.000Z');
    expect(done.body).toMatchObject({ date: '2026-07-12', at: '2026-07-12T18:30:00.000Z' });
    expect((await water('2026-06-01T06:00:00Z')).status).toBe(409);
    expect((await water('yesterday')).status).toBe(400);
  });

  test('the corrected moment counts; one still to come is taken as now, and marked', async () => {
    await here('patch', '/api/gardens/1').send({ clock: { mode: 'real' } });
    const water = (moment: string, offsetMs: number, more: object = {}) =>
      here('post', '/api/beds/1/waterings')
        .set('Kibble-Moment', moment)
        .set('Kibble-Offset', String(offsetMs))
        .send({ litres: 30, ...more });
    // A phone whose clock is three days behind, and knows it: yesterday evening's watering stays yesterday's.
    const behind = await water('2026-07-10T18:30:00.000Z', 3 * 86_400_000);
    expect(behind.body).toMatchObject({
      date: '2026-07-13',
      at: '2026-07-13T18:30:00.000Z',
      clockWasAhead: false,
    });
    // A clock that is ahead, and nobody has told it: never refused.
    const ahead = await water('2031-01-01T07:00:00Z', 0);
    expect(ahead.status).toBe(201);
    expect(ahead.body).toMatchObject({
      date: '2026-07-14',
      at: clock.now.toISOString(),
      clockWasAhead: true,
    });
    const row = await EntryRow.findByPk(ahead.body.id as number, { raw: true });
    expect([row?.enteredAt, row?.clockOffsetMs].map(String)).toEqual(['2031-01-01 07:00:00.000 +00:00', '0']);
    // One from before the planting is asked about, and sent again with a truer clock it is taken.
    const before = await water('2026-06-20T06:00:00Z', -60 * 86_400_000, {});
    expect(before.status).toBe(409);
    const early = await water('2026-06-20T06:00:00Z', 0, {});
    expect(early.status).toBe(201);
    expect((await water('2026-07-13T06:00:00Z', Number.NaN)).status).toBe(400);
  });

  test('a moment before its bed was planted is asked about, and nothing is saved', async () => {
    await here('patch', '/api/gardens/1').send({ clock: { mode: 'real' } });
    const bed = { ...GARDEN.bed, planting: { cropId: 'lettuce', plantedOn: '2026-07-10' }, name: 'Lettuce' };
    const { id } = (await here('post', '/api/gardens/1/beds').send(bed)).body as { id: number };
    const sent = (moment: string, offsetMs: number) =>
      here('post', `/api/beds/${id}/waterings`)
        .set('Kibble-Moment', moment)
        .set('Kibble-Offset', String(offsetMs))
        .set('Idempotency-Key', 'kept-on-a-phone')
        .send({ litres: 30 });
    const asked = await sent('2026-07-02T06:00:00Z', 0);
    expect([asked.status, asked.body.error.code]).toEqual([409, 'needs-consent']);
    expect(asked.body.error.message).toContain('2 Jul, before Lettuce was planted (10 Jul)');
    expect(await EntryRow.count({ where: { subjectKind: 'bed', subjectId: id, sort: 'watering' } })).toBe(0);
    expect((await sent('2026-07-02T06:00:00Z', 10 * 86_400_000)).body).toMatchObject({ date: '2026-07-12' });
  });

  test('a page that listens hears what others did, and of whom', async () => {
    const heard: string[] = [];
    const stream = await fetch(`http://127.0.0.1:${port()}/api/events`);
    const reader = stream.body?.getReader();
    const reading = (async () => {
      for (;;) {
        const part = await reader?.read();
        if (!part || part.done) return;
        heard.push(new TextDecoder().decode(part.value));
        if (heard.join('').includes('data:')) return;
      }
    })();
    await here('post', '/api/beds/1/waterings').set('Kibble-Page', 'page-one').send({ litres: 12 });
    await reading;
    await reader?.cancel();
    expect(JSON.parse(/data: (.*)/.exec(heard.join(''))?.[1] ?? '')).toEqual({
      gardenId: 1,
      beds: [1],
      by: 'page-one',
    });
  });
});
