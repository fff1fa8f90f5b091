import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { stationApp } from '@kibble/simulators';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN, POT } from '../tests/oneBed.ts';
import { LOCK_PATIENCE } from './db/lock.ts';
import { EntryRow, ForecastRow, ProposedRoundsRow } from './db/models.ts';
import { writerOf } from './db/writer.ts';
import { watchStations, type Stations } from './jobs/stations.ts';
import type { PlanStore } from './planner/planStore.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-locks-'));
const wall = { now: () => new Date('2026-07-14T08:00:00Z') };
const lines: { msg?: string; holder?: { by: string } }[] = [];
const log = pino(
  { level: 'warn' },
  { write: (line: string) => void lines.push(JSON.parse(line) as (typeof lines)[number]) },
);
/** Answers as a weather station does that takes its time. */
const SLOW_MS = 300;
let sequelize: Sequelize;
let app: Express;
let station: Server;
let stations: Stations;
let asked = 0;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({ sequelize, wall, log });
  const simulated = stationApp({ seed: 46, latitudeDeg: 47 });
  station = createServer((req, res) => {
    asked += 1;
    setTimeout(() => simulated(req, res), SLOW_MS);
  });
  await new Promise<void>((ready) => station.listen(0, '127.0.0.1', ready));
  stations = watchStations({ sequelize, wall, log, plans: app.locals.plans as PlanStore }, null);
  await ask(app).post('/api/gardens').send(GARDEN).expect(201);
  for (const kind of ['pot', 'tray'] as const)
    await ask(app)
      .post('/api/gardens/1/pots')
      .send({ ...POT, kind, name: kind })
      .expect(201);
  const url = `http://127.0.0.1:${(station.address() as AddressInfo).port}`;
  await ask(app).put('/api/gardens/1/weather/station').send({ url }).expect(200);
});
afterAll(async () => {
  await stations.stop();
  await settled(app);
  station.closeAllConnections();
  station.close();
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

describe('views, changes and a slow station at once', () => {
  test('all of them answer, whatever holds what: nothing waits for itself', async () => {
    const weigh = (kg: number) =>
      ask(app)
        .post('/api/gardens/1/pot-entries')
        .send({ entries: [{ potId: 1, entry: { kind: 'weighed', kg, full: true } }], sure: true });
    const soak = ask(app)
      .post('/api/gardens/1/sequences')
      .send({ kind: 'tray soak', potIds: [2] });
    const { id } = (await soak.expect(201)).body as { id: number };
    const statuses: number[] = [];
    const began = Date.now();
    // Each day the station has new days to give while pots are weighed, a tray is soaked and every room is looked at.
    for (let day = 0; day < 3; day += 1) {
      const answers = await Promise.all([
        ask(app).post('/api/gardens/1/step').send({ days: 1 }),
        stations.look(),
        ...['round', 'fortnight', 'pots', 'section', 'weather'].map((room) =>
          ask(app).get(`/api/gardens/1/${room}`),
        ),
        weigh(4 + day / 10),
        weigh(4.05 + day / 10),
        ask(app).post(`/api/sequences/${id}`).send({ act: 'next', from: day }),
        ask(app).post('/api/beds/1/waterings').send({ litres: 10 }),
        ask(app).get('/api/beds/1'),
        stations.look(),
      ]);
      for (const answer of answers) if (answer) statuses.push(answer.status);
    }
    expect(statuses.filter((status) => status >= 500)).toEqual([]);
    expect(statuses).toHaveLength(3 * 11);
    expect(Date.now() - began).toBeLessThan(60_000);
    expect(asked).toBeGreaterThan(4);
    expect(lines.filter(({ msg }) => /fault|could not/.test(msg ?? ''))).toEqual([]);
  });

  test('a view asks no station and writes nothing; the days it proposes are saved afterwards', async () => {
    await stations.look();
    await settled(app);
    await ProposedRoundsRow.destroy({ where: {} });
    await ask(app).post('/api/gardens/1/rain').send({ date: '2026-07-14', rainMm: 1 }).expect(201);
    const before = asked;
    // While somebody writes, a view neither waits nor fails.
    let written: () => void = () => undefined;
    const writing = writerOf(sequelize)(() => new Promise<void>((done) => (written = done)), 'a long write');
    for (const room of ['round', 'weather', 'pots', 'fortnight'])
      await ask(app).get(`/api/gardens/1/${room}`).expect(200);
    expect(asked).toBe(before);
    expect(await ProposedRoundsRow.count()).toBe(0);
    written();
    await writing;
    await settled(app);
    expect(await ProposedRoundsRow.count()).toBe(1);
  });

  test('a station that is silent, or says the same again, wakes nobody', async () => {
    const plans = app.locals.plans as PlanStore;
    const touched: unknown[] = [];
    const { onTouched } = plans;
    plans.onTouched = (what) => void touched.push(what);
    try {
      await ForecastRow.update({ today: '2026-01-01' }, { where: {} });
      await stations.look();
      expect(touched).toEqual([{ gardenId: 1 }]);
      await ForecastRow.update({ askedAt: new Date(0), trouble: 'it cannot be reached' }, { where: {} });
      await stations.look();
      expect(touched).toHaveLength(2);
      // Nothing is due, and asked all the same it would say the same.
      await stations.look();
      expect(touched).toHaveLength(2);
    } finally {
      plans.onTouched = onTouched;
    }
  });

  test('whoever waits too long to write is told so in words, nothing is half there, and the log names the holder', async () => {
    LOCK_PATIENCE.ms = 80;
    try {
      const count = await EntryRow.count();
      let written: () => void = () => undefined;
      const writing = writerOf(sequelize)(
        () => new Promise<void>((done) => (written = done)),
        'POST /api/something-long',
      );
      const { status, body } = await ask(app).post('/api/beds/1/waterings').send({ litres: 10 });
      expect([status, body.error.code]).toEqual([503, 'busy']);
      expect(body.error.message).toMatch(/busy with another change.*Nothing of this was saved/);
      written();
      await writing;
      expect(await EntryRow.count()).toBe(count);
      expect(lines.find(({ holder }) => holder)?.holder?.by).toBe('POST /api/something-long');
    } finally {
      LOCK_PATIENCE.ms = 10_000;
    }
  });

  test('an entry sent twice is answered as before, though it would be refused if it were checked anew', async () => {
    const weigh = () =>
      ask(app)
        .post('/api/gardens/1/pot-entries')
        .set('Idempotency-Key', 'weighed-once')
        .send({ entries: [{ potId: 1, entry: { kind: 'weighed', kg: 4.1, full: true } }], sure: true });
    const first = await weigh();
    expect(first.status).toBe(201);
    expect(first.headers['idempotency-key']).toBe('weighed-once');
    await ask(app).delete('/api/pots/1').send({}).expect(200);
    const again = await weigh();
    expect([again.status, again.body]).toEqual([201, first.body]);
  });
});
