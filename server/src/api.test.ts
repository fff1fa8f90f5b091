import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { bedPageView, roundView, type GardenView, type RoundView } from '@kibble/contract';
import { stationApp } from '@kibble/simulators';
import { METHOD_FACTS } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import { QueryTypes, type Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { WeatherDayRow } from './db/models.ts';
import { append } from './record/log.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { seedDemo } from './seed.ts';
import type { WallClock } from './services/clock.ts';

const wall: WallClock = { now: () => new Date('2026-03-29T00:30:00Z') };
const log = pino({ level: 'silent' });
const dir = mkdtempSync(join(tmpdir(), 'kibble-api-'));
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

const round = async (id = 1): Promise<RoundView> =>
  roundView.parse((await ask(app).get(`/api/gardens/${id}/round`)).body);

const setup = {
  garden: {
    name: 'Test ground',
    latitudeDeg: 47.6,
    elevationM: 50,
    timeZone: 'America/Los_Angeles',
    clock: { mode: 'practice', date: '2015-07-08' },
  },
  bed: {
    name: 'Tomatoes',
    areaM2: 10,
    textureClass: 'loam',
    planting: { cropId: 'tomato', plantedOn: '2015-05-15' },
    delivery: { method: 'hose wand', litresPerMinute: 20, measured: true },
  },
};
const change = (path: string, value: unknown): unknown => {
  const copy = structuredClone(setup) as Record<string, unknown>;
  const keys = path.split('.');
  const last = String(keys.pop());
  const parent = keys.reduce((at, key) => at[key] as Record<string, unknown>, copy);
  parent[last] = value;
  return copy;
};

describe('the demo garden', () => {
  test('database: WAL, foreign keys on, migrations noted', async () => {
    const pragma = async (name: string) =>
      (await sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT }))[0] as
        Record<string, unknown> | undefined;
    const mode = await pragma('journal_mode');
    const keys = await pragma('foreign_keys');
    expect(mode?.journal_mode).toBe('wal');
    expect(keys?.foreign_keys).toBe(1);
    await expect(
      append({
        gardenId: 999,
        subject: { kind: 'garden', id: 999 },
        body: { kind: 'rain', rainMm: 1 },
        on: '2026-01-01',
        at: wall.now(),
      }),
    ).rejects.toThrow();
  });

  test('fifteen beds, each either on the round or left alone with a reason', async () => {
    const today = await round();
    expect(today.date).toBe('2026-07-14');
    expect(today.stops.length + today.leaveAlone.length).toBe(15);
    expect(today.measuredShare).toBe(1);
    expect(today.totals.litres).toBeCloseTo(
      today.stops.reduce((sum, s) => sum + s.run.litres, 0),
      6,
    );
  });

  test('done, taken back, stepped: each changes what is asked', async () => {
    const before = await round();
    const stop = before.stops[0];
    if (!stop) throw new Error('the demo must open with a stop');
    const done = await ask(app)
      .post(`/api/beds/${stop.bedId}/waterings`)
      .send({ litres: stop.run.litres, asPlanned: true });
    expect(done.status).toBe(201);
    expect((await round()).stops.map((s) => s.bedId)).not.toContain(stop.bedId);
    await ask(app).delete(`/api/events/${done.body.id}`);
    expect((await round()).stops.map((s) => s.bedId)).toContain(stop.bedId);
    await ask(app).post(`/api/events/${done.body.id}/restore`);
    await ask(app).post('/api/gardens/1/step').send({ days: 1 });
    expect((await round()).date).toBe('2026-07-15');
    const page = bedPageView.parse((await ask(app).get(`/api/beds/${stop.bedId}`)).body);
    // What reaches the soil, over the bed: litres × the method's share ÷ area.
    const { areaM2, delivery } = page.bed;
    const arrives = (stop.run.litres * METHOD_FACTS[delivery.method].efficiency) / areaM2;
    expect(page.days.find((d) => d.date === '2026-07-14')?.irrigationMm).toBeCloseTo(arrives, 6);
    await ask(app).post('/api/gardens/1/step').send({ days: -1 });
  });

  test('the season’s rain and waterings on the bed page are the station’s and the log’s own', async () => {
    const page = bedPageView.parse((await ask(app).get('/api/beds/1')).body);
    const first = page.days[0]?.date ?? '';
    const stationRain = (
      await WeatherDayRow.findAll({ where: { gardenId: 1, source: 'station' }, raw: true })
    )
      .filter((day) => day.date >= first && day.date < '2026-07-14')
      .reduce((sum, day) => sum + day.rainMm, 0);
    expect(stationRain).toBeGreaterThan(50);
    expect(page.season.rainMm).toBeCloseTo(stationRain, 6);
    const logged = page.events
      .filter((event) => event.kind === 'watering' && event.date < '2026-07-14')
      .reduce((sum, event) => sum + (event.netMm ?? 0), 0);
    expect(page.season.irrigationMm).toBeCloseTo(logged, 6);
  });

  test('a typed gauge outweighs the station, and a second reading replaces the first', async () => {
    await ask(app).post('/api/gardens/1/rain').send({ date: '2026-07-13', rainMm: 60 });
    const wet = await round();
    expect(wet.ribbon.find((d) => d.date === '2026-07-13')?.rainMm).toBe(60);
    const second = await ask(app).post('/api/gardens/1/rain').send({ date: '2026-07-13', rainMm: 5 });
    expect((await round()).ribbon.find((d) => d.date === '2026-07-13')?.rainMm).toBe(5);
    await ask(app).delete(`/api/events/${second.body.id}`);
    expect((await round()).ribbon.find((d) => d.date === '2026-07-13')?.rainMm).toBe(0);
    const late = await ask(app).post('/api/gardens/1/rain').send({ date: '2026-07-20', rainMm: 5 });
    expect(late.body.error).toMatchObject({ code: 'invalid', field: 'date' });
  });
});

describe('a garden of one’s own', () => {
  test('real weather in, a true plan out; three bad rows wait for consent and nothing is half-written', async () => {
    const made = (await ask(app).post('/api/gardens').send(setup)).body as GardenView;
    expect(made.today).toBe('2015-07-08');
    const lines = readFileSync('node_modules/vega-datasets/data/seattle-weather.csv', 'utf8')
      .trimEnd()
      .split('\n');
    lines[5] = '2012-01-05,oops,8.9,2.8,6.1,rain';
    const body = { text: lines.join('\n'), fileName: 'seattle.csv' };
    const refused = await ask(app).post(`/api/gardens/${made.id}/weather/import`).send(body);
    expect(refused.status).toBe(409);
    expect(refused.body.error.message).toMatch(/line 6: rain must be a number; got "oops"/);
    expect(await WeatherDayRow.count({ where: { gardenId: made.id } })).toBe(0);
    const stored = await ask(app)
      .post(`/api/gardens/${made.id}/weather/import`)
      .send({ ...body, acceptRejected: true });
    expect(stored.body).toMatchObject({ stored: 1460, leftOut: 1 });
    const again = await ask(app)
      .post(`/api/gardens/${made.id}/weather/import`)
      .send({ ...body, acceptRejected: true });
    expect(again.status).toBe(201);
    // Both files are kept, so that either can be taken back; the days they cover count once.
    expect(await WeatherDayRow.count({ where: { gardenId: made.id } })).toBe(2 * 1460);
    const page = (await ask(app).get(`/api/gardens/${made.id}/weather`)).body;
    expect(page.imports).toHaveLength(2);
    const today = await round(made.id);
    expect(today.stops.map((s) => s.bedName)).toEqual(['Tomatoes']);
    // Watered to the full in the dry end of August; 43 mm of rain follow on the 29th and 30th.
    const bedId = today.stops[0]?.bedId ?? 0;
    const goTo = (date: string) =>
      ask(app)
        .patch(`/api/gardens/${made.id}`)
        .send({ clock: { mode: 'practice', date } });
    await goTo('2015-08-28');
    const dry = await round(made.id);
    expect(dry.stops).toHaveLength(1);
    // One round’s passes do not fill what seven weeks took.
    await ask(app).post(`/api/beds/${bedId}/waterings`).send({ litres: 1200 });
    await goTo('2015-08-31');
    expect((await round(made.id)).stops).toEqual([]);
  });

  test('the real clock is the garden’s own local day, also on the night clocks change', async () => {
    const made = await ask(app)
      .post('/api/gardens')
      .send({
        ...setup,
        garden: { ...setup.garden, timeZone: 'America/New_York', clock: { mode: 'real' } },
      });
    // 00:30 UTC on 29 March is still the evening of the 28th in New York.
    expect(made.body.today).toBe('2026-03-28');
    const stepped = await ask(app).post(`/api/gardens/${made.body.id}/step`).send({ days: 1 });
    expect(stepped.status).toBe(409);
    expect(stepped.body.error.message).toMatch(/real date/);
  });
});

describe('bad input', () => {
  test.each([
    ['garden.latitudeDeg', 140, /Latitude must be a number from -90 to 90 °; got 140/],
    ['garden.name', '  ', /Name of the garden must not be empty/],
    ['garden.timeZone', 'Moon/Base', /Time zone/],
    ['bed.areaM2', 0, /Area must be a number from 0.005 to 100000 m²; got 0/],
    ['bed.areaM2', 'ten', /Area must be a number .*got "ten"/],
    ['bed.textureClass', 'custard', /Soil must be one of sand, .*got "custard"/],
    ['bed.planting.cropId', 'triffid', /Crop must be one of/],
    ['bed.planting.plantedOn', '2015-02-30', /calendar day/],
    ['bed.planting.plantedOn', '2020-01-01', /2016-07-08 \(a year from today at this garden\) or earlier/],
    ['bed.delivery.litresPerMinute', -3, /Flow must be a number from 0.001 to 500 L.min; got -3/],
  ])('%s = %p is refused by name and nothing is stored', async (path, value, message) => {
    const before = ((await ask(app).get('/api/gardens')).body as unknown[]).length;
    const answer = await ask(app)
      .post('/api/gardens')
      .send(change(path, value) as object);
    expect(answer.status).toBe(400);
    expect(answer.body.error.message).toMatch(message);
    expect(answer.body.error.field).toBeTruthy();
    expect(((await ask(app).get('/api/gardens')).body as unknown[]).length).toBe(before);
  });

  test.each([
    [{}, /either in litres or in minutes/],
    [{ litres: 5, minutes: 5 }, /either in litres or in minutes/],
    [{ litres: -1 }, /Litres must be a number from 0.001/],
    [{ minutes: 10_000 }, /at most 400 mm over the bed/],
  ])('a watering of %p is refused', async (body, message) => {
    const answer = await ask(app).post('/api/beds/1/waterings').send(body);
    expect(answer.status).toBe(400);
    expect(answer.body.error.message).toMatch(message);
  });

  test('what is not there is 404, what is not JSON is 400, neither is 500', async () => {
    expect((await ask(app).get('/api/gardens/77/round')).status).toBe(404);
    expect((await ask(app).get('/api/beds/x')).status).toBe(404);
    expect((await ask(app).delete('/api/events/99999')).status).toBe(404);
    expect((await ask(app).get('/api/nothing')).status).toBe(404);
    const broken = await ask(app)
      .post('/api/gardens')
      .set('Content-Type', 'application/json')
      .send('{"garden":');
    expect(broken.status).toBe(400);
    expect(broken.body.error.code).toBe('invalid');
  });
});
