import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { BedPageView, EventView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { KEY_OF_A_WATERING, RECORDED } from '../tests/recorded/gardens.ts';
import { readViews, unpackRecorded } from '../tests/recorded/recorded.ts';
import { openDatabase } from './db/open.ts';
import { EntryRow } from './db/models.ts';

// A phone that was offline while Kibble was updated, and a page that was open: both speak the addresses and the numbers
// of before everything became one log. The garden is one that the program of before wrote (014).
const folder = mkdtempSync(join(tmpdir(), 'kibble-phone-'));
const garden = RECORDED.find(({ name }) => name === 'own');
if (!garden) throw new Error('the own garden must be recorded');
const was = readViews('own')['/beds/1'] as BedPageView;
let sequelize: Sequelize;
let app: Express;

beforeAll(async () => {
  sequelize = await openDatabase(unpackRecorded('own', folder));
  app = appHere({ sequelize, wall: { now: () => new Date(garden.now) }, log: pino({ level: 'silent' }) });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(folder, { recursive: true, force: true });
});

interface Waiting {
  key: string;
  method: 'post' | 'put' | 'delete';
  /** `-n` stands for what the n-th of them was given as its number. */
  path: string;
  body: Record<string, unknown>;
}
const eventOnRecord = (litres: number): number => {
  const event = was.events.find((one) => one.litres === litres);
  if (!event) throw new Error(`no watering of ${litres} L is recorded`);
  return event.id;
};

/** Ten things done offline before the update: the fourth undoes the first of them, the eighth what had been sent before. */
const WAITING: readonly Omit<Waiting, 'key'>[] = [
  { method: 'post', path: '/beds/1/waterings', body: { litres: 21 } },
  { method: 'post', path: '/beds/2/waterings', body: { minutes: 4 } },
  { method: 'post', path: '/beds/3/skips', body: { reason: 'feels moist' } },
  { method: 'delete', path: '/events/-1', body: {} },
  {
    method: 'post',
    path: '/gardens/1/findings',
    body: {
      bedId: 2,
      input: { kind: 'look', tool: 'finger', depthMm: 70, state: 'damp', mulchMoved: false },
    },
  },
  { method: 'post', path: '/gardens/1/rain', body: { date: '2026-06-19', rainMm: 2 } },
  { method: 'post', path: '/gardens/1/ph', body: { ph: 6.4, of: 'rain' } },
  { method: 'delete', path: `/events/${eventOnRecord(88)}`, body: {} },
  {
    method: 'post',
    path: '/gardens/1/alerts/seen',
    body: {
      code: 'heat wave',
      act: 'shade pots and trays',
      from: '2026-06-21',
      until: '2026-06-23',
      badness: 34,
      done: true,
    },
  },
  {
    method: 'post',
    path: '/gardens/1/weather/said',
    body: { days: [{ date: '2026-06-24', said: { rain: 'dry' } }] },
  },
];

async function sendAll(): Promise<number[]> {
  const ids: number[] = [];
  for (const [i, { method, path, body }] of WAITING.entries()) {
    const address = path.replace(/-(\d+)$/, (_, nth: string) => String(ids[Number(nth) - 1]));
    const asked = ask(app)[method](`/api${address}`);
    const answer = await asked
      .set('Idempotency-Key', `waiting-${i}-xx`)
      .set('Kibble-Moment', `2026-06-20T06:${String(10 + i)}:00.000Z`)
      .set('Kibble-Offset', '0')
      .send(body);
    expect([address, answer.status < 300]).toEqual([address, true]);
    const { id, ids: several } = answer.body as { id?: number; ids?: number[] };
    ids.push(id ?? several?.[0] ?? 0);
  }
  return ids;
}

test('all that waited on the phone arrives, once, though it is sent twice', async () => {
  const before = await EntryRow.count();
  const first = await sendAll();
  const after = await EntryRow.count();
  expect(await sendAll()).toEqual(first);
  expect(await EntryRow.count()).toBe(after);
  // Eight of the ten make an entry, two undo one.
  expect(after - before).toBe(8);
  expect((await EntryRow.findByPk(first[0]))?.removedAt).not.toBeNull();
  const undone = await EntryRow.findAll({ where: { kind: 'watering' }, raw: true });
  expect(
    undone.filter(({ body, removedAt }) => JSON.parse(body).litres === 88 && removedAt !== null),
  ).toHaveLength(1);
});

test('a watering sent once more under the key of before the update is answered with its old number, which still holds', async () => {
  const { body, status } = await ask(app)
    .post('/api/beds/1/waterings')
    .set('Idempotency-Key', KEY_OF_A_WATERING)
    .send({ litres: 88 });
  expect(status).toBe(201);
  expect((body as EventView).id).toBe(eventOnRecord(88));
  const back = await ask(app)
    .post(`/api/events/${(body as EventView).id}/restore`)
    .send({});
  expect(back.body).toMatchObject({ litres: 88, bedId: 1 });
  // A page that was loaded anew calls it by the number it has now.
  const undone = await ask(app)
    .post('/api/gardens/1/entries/undo')
    .send({ ids: [(back.body as EventView).id] });
  expect(undone.body).toMatchObject({ events: [{ litres: 88 }] });
});

test('what the phone sent stands beside what was there', async () => {
  const page = (await ask(app).get('/api/beds/1')).body as BedPageView;
  expect(page.events.map(({ date, litres }) => [date, litres])).toEqual(
    expect.arrayContaining(was.events.filter(({ litres }) => litres !== 88).map((e) => [e.date, e.litres])),
  );
});
