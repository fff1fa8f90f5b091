import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { fortnightView, roundView, walkView, type GardenView, type RoundView } from '@kibble/contract';
import { stationApp } from '@kibble/simulators';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { seedDemo } from './seed.ts';
import { utcOffsetHours, type WallClock } from './services/clock.ts';

const wall: WallClock = { now: () => new Date('2026-07-14T04:00:00Z') };
const log = pino({ level: 'silent' });
const dir = mkdtempSync(join(tmpdir(), 'kibble-clock-'));
let sequelize: Sequelize;
let app: Express;
let station: Server;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  station = stationApp({ seed: 46, latitudeDeg: 46.9 }).listen(0, '127.0.0.1');
  await new Promise((ready) => station.once('listening', ready));
  await seedDemo(sequelize, `http://127.0.0.1:${(station.address() as AddressInfo).port}`, wall);
  app = appHere({ sequelize, wall, log });
});
afterAll(async () => {
  station.close();
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const round = async (): Promise<RoundView> =>
  roundView.parse((await ask(app).get('/api/gardens/1/round')).body);
const limit = (limits: object) => ask(app).patch('/api/gardens/1').send({ limits });

// Offsets by the zones' own rules: Bucharest and New York change their clocks, Kolkata lies between two hours.
test.each([
  ['Europe/Bucharest', '2026-07-14', 3],
  ['Europe/Bucharest', '2026-01-14', 2],
  ['America/New_York', '2026-03-09', -4],
  ['America/New_York', '2026-03-07', -5],
  ['Asia/Kolkata', '2026-07-14', 5.5],
  ['UTC', '2026-07-14', 0],
])('%s on %s is %p hours ahead', (zone, date, hours) => expect(utcOffsetHours(zone, date)).toBe(hours));

describe('the round on the clock', () => {
  test('stops stand in the order of their first run, each within daylight', async () => {
    const { stops, sun } = await round();
    const begins = stops.map((stop) => stop.runs[0]?.from ?? Number.NaN);
    expect(begins).toEqual([...begins].sort((a, b) => a - b));
    for (const stop of stops.filter((s) => s.byHand))
      for (const run of stop.runs) {
        expect(run.from).toBeGreaterThanOrEqual((sun.sunrise - 1) * 60 - 1);
        expect(run.until).toBeLessThanOrEqual(sun.sunset * 60 + 1);
      }
  });
  test('a walk at another hour; an hour that is none is refused by its name and range', async () => {
    const walk = walkView.parse((await ask(app).get('/api/gardens/1/walk?from=1200&minutes=30')).body);
    expect(walk.until).toBe(1230);
    for (const slot of walk.slots) expect(slot.until).toBeLessThanOrEqual(1230 + 1e-6);
    expect(walk.carriedOver.length).toBeGreaterThan(0);
    for (const [query, words] of [
      ['from=2000', /Time of day must be .*from 0 to 1440/],
      ['from=abc', /Time of day must be a number/],
      ['from=600&minutes=0', /Minutes must be a number from 0.01/],
    ] as const) {
      const refused = await ask(app).get(`/api/gardens/1/walk?${query}`);
      expect(refused.status).toBe(400);
      expect(refused.body.error.message).toMatch(words);
    }
  });
});

describe('limits', () => {
  test('impossible ones are refused in words and nothing is kept of them', async () => {
    for (const [limits, words] of [
      [{ hours: [{ from: 300, until: 300 }] }, /end at another time/],
      [{ hours: [{ from: -5, until: 300 }] }, /Time of day/],
      [{ lines: 0 }, /Lines at once must be .*from 1/],
      [{ lines: 1.5 }, /whole number/],
      [{ litresPerWeek: 0 }, /Water a week must be a number from 1 to/],
      [{ windHoldMs: 99 }, /Wind must be .*from 0.5 to 30/],
      [{ restricts: 'lawns' }, /Rules hold for/],
    ] as const) {
      const refused = await limit(limits);
      expect(refused.status).toBe(400);
      expect(refused.body.error.message).toMatch(words);
    }
    expect(((await ask(app).get('/api/gardens/1')).body as GardenView).limits).toEqual({});
  });
  test('what the taps have given counts: after a round the day’s cap is smaller', async () => {
    await limit({ minutesPerDay: 60 });
    const before = await round();
    const first = before.stops.find(({ byHand }) => byHand);
    const done = await ask(app).post(`/api/beds/${first?.bedId}/waterings`).send({ minutes: 50 });
    expect(done.status).toBe(201);
    const after = await round();
    expect(after.stops.reduce((sum, stop) => sum + stop.handsOnMinutes, 0)).toBeLessThanOrEqual(10 + 1e-6);
    await ask(app).delete(`/api/events/${(done.body as { id: number }).id}`);
    await limit({});
  });
  test('hours for sprays alone leave the drip lines theirs', async () => {
    await limit({ hours: [{ from: 1080, until: 1140 }], restricts: 'sprays' });
    const view = fortnightView.parse((await ask(app).get('/api/gardens/1/fortnight')).body);
    const slots = view.schedule.flatMap((day) => day.slots);
    const of = (name: string) => slots.filter((slot) => slot.bedName === name);
    for (const slot of of('Carrots and leeks')) {
      expect(slot.from).toBeGreaterThanOrEqual(1080 - 1e-6);
      expect(slot.until).toBeLessThanOrEqual(1140 + 1e-6);
    }
    expect(of('Peppers, low ground').some((slot) => slot.until < 1080)).toBe(true);
    await limit({});
  });
});

test('a longitude moves sunrise on the clock; without one it is marked as assumed', async () => {
  const here = await round();
  expect(here.sun.assumed).toBe(false);
  await ask(app).patch('/api/gardens/1').send({ longitudeDeg: 41.5 });
  // Fifteen degrees to the east the sun is up an hour earlier.
  expect(here.sun.sunrise - (await round()).sun.sunrise).toBeCloseTo(1, 6);
  await ask(app).patch('/api/gardens/1').send({ longitudeDeg: null });
  expect((await round()).sun.assumed).toBe(true);
  expect((await ask(app).patch('/api/gardens/1').send({ longitudeDeg: 300 })).status).toBe(400);
});
