import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { GardenView, RoundView, WeatherView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN } from '../tests/oneBed.ts';
import { WeatherDayRow } from './db/models.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-weather-'));
const today = '2026-07-14';
let sequelize: Sequelize;
let app: Express;
let station: Server;
let url = '';
let gardenId = 0;
/** What the station does with a question; each test sets its own. */
let respond: (path: string) => { status?: number; body: string; waitMs?: number; location?: string };
const asked: string[] = [];

const dayOf = (date: string, change: object = {}) => ({
  date,
  tMinC: 14,
  tMaxC: 27,
  rhMinPct: 45,
  rhMaxPct: 90,
  windMs: 2,
  solarMJ: 22,
  rainMm: 0,
  ...change,
});
const json = (days: object[]) => ({ body: JSON.stringify({ days }) });
const forecast = (change: object = {}) =>
  json(Array.from({ length: 7 }, (_, d) => ({ ...dayOf(addDays(today, d), change), rainChance: 0.1 })));
const sound = (path: string) =>
  path.startsWith('/days') ? json([dayOf('2026-07-12'), dayOf('2026-07-13')]) : forecast();

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-14T08:00:00Z') },
    log: pino({ level: 'silent' }),
  });
  station = createServer((req, res) => {
    const path = req.url ?? '';
    asked.push(path);
    const { status = 200, body, waitMs = 0, location } = respond(path);
    setTimeout(() => {
      res.writeHead(status, {
        'Content-Type': 'application/json',
        ...(location ? { Location: location } : {}),
      });
      res.end(body);
    }, waitMs);
  });
  await new Promise<void>((ready) => station.listen(0, '127.0.0.1', ready));
  url = `http://127.0.0.1:${(station.address() as AddressInfo).port}`;
});
afterAll(async () => {
  station.closeAllConnections();
  station.close();
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});
beforeEach(async () => {
  respond = sound;
  gardenId = ((await ask(app).post('/api/gardens').send(GARDEN)).body as GardenView).id;
});

const get = async <T>(path: string): Promise<T> =>
  (await ask(app).get(`/api/gardens/${gardenId}/${path}`)).body as T;
const weather = (): Promise<WeatherView> => get('weather');
const round = (): Promise<RoundView> => get('round');
const put = (body: object) => ask(app).put(`/api/gardens/${gardenId}/weather/station`).send(body);
const say = (days: object[]) => ask(app).post(`/api/gardens/${gardenId}/weather/said`).send({ days });

describe('a station of one’s own', () => {
  test('is asked when its address is kept; its days and forecast are the garden’s', async () => {
    expect((await put({ url: `${url}/` })).body).toEqual({ url });
    const view = await weather();
    expect(view.station).toEqual({ url, trouble: null });
    expect(view.ahead.slice(0, 7).map(({ source }) => source)).toEqual(Array(7).fill('forecast'));
    expect(view.ahead[7]?.source).not.toBe('forecast');
    expect(view.days.map(({ date }) => date)).toEqual(['2026-07-13', '2026-07-12']);
    expect((await round()).ribbon.find(({ date }) => date === today)?.tMaxC).toBe(27);
  });

  test.each([
    ['silent', () => ({ body: '', status: 503 }), /answers “503”/],
    ['slow', () => ({ ...forecast(), waitMs: 6000 }), /does not answer within 4 seconds/],
    ['no JSON', () => ({ body: '<html>' }), /not JSON/],
    ['sends on', () => ({ body: '', status: 302, location: 'http://127.0.0.1:1/' }), /cannot be reached/],
    ['endless', () => ({ body: ' '.repeat(1_200_000) }), /more than a million letters/],
    [
      'another schema',
      () => ({ body: JSON.stringify({ data: [1] }) }),
      /something else than Kibble’s days: days/,
    ],
    ['colder by day', () => forecast({ tMinC: 30 }), /lowest temperature 30 °C is above the highest, 27 °C/],
    ['lying', () => forecast({ tMinC: -45, tMaxC: -40, rainMm: 99 }), /99 mm of rain at -40 °C/],
    ['out of range', () => forecast({ rhMaxPct: 300 }), /highest humidity cannot be 300 %/],
  ])(
    'one that is %s is refused in words when typed; kept anyway, the garden works and nothing is stored by half',
    async (_what, made, words) => {
      respond = made;
      const refused = await put({ url });
      expect(refused.status).toBe(409);
      expect((refused.body as { error: { message: string } }).error.message).toMatch(words);
      expect((await weather()).station).toBeNull();

      // Its past days are sound, but for their last.
      respond = (path) => {
        if (!path.startsWith('/days')) return made();
        const answer = made();
        const bad = answer.body.startsWith('{"days"')
          ? (JSON.parse(answer.body) as { days: object[] }).days[0]
          : null;
        return bad ? json([dayOf('2026-07-12'), { ...bad, date: '2026-07-13' }]) : made();
      };
      expect((await put({ url, anyway: true })).status).toBe(200);
      const view = await weather();
      expect(view.station?.trouble).toMatch(words);
      expect(view.ahead).toHaveLength(14);
      expect((await round()).date).toBe(today);
      if (_what !== 'slow') expect(await WeatherDayRow.count({ where: { gardenId } })).toBe(0);
    },
    30_000,
  );

  test.each(['ftp://here', 'here', 'http://here/days?x=1', ''])('“%s” is no address', async (bad) => {
    const { status, body } = await put({ url: bad });
    expect(status).toBe(400);
    expect((body as { error: { message: string } }).error.message).toMatch(/Address must begin with http/);
  });

  test('an answer of days that were not asked for stores none of them', async () => {
    respond = (path) =>
      path.startsWith('/days') ? json([dayOf('2019-01-01'), dayOf('2026-07-13')]) : forecast();
    await put({ url });
    expect((await weather()).days.map(({ date }) => date)).toEqual(['2026-07-13']);
  });
});

test('a record that ended long ago is told by its last days', async () => {
  const rows = Array.from({ length: 70 }, (_, i) => `${addDays('2012-03-01', i)},4,12,${i % 3}`);
  const text = ['date,tmin (°C),tmax (°C),rain (mm)', ...rows].join('\n');
  await ask(app).post(`/api/gardens/${gardenId}/weather/import`).send({ text });
  const { days, past, count } = await weather();
  expect(count).toBe(70);
  expect(days[0]?.date).toBe('2012-05-09');
  expect(past).toHaveLength(70);
});

describe('what was seen to', () => {
  const seen = () => ask(app).get(`/api/gardens/${gardenId}/alerts/seen`);
  const tick = (change: object = {}) =>
    ask(app)
      .post(`/api/gardens/${gardenId}/alerts/seen`)
      .send({
        code: 'heat wave',
        act: 'shade pots and trays',
        from: addDays(today, 1),
        until: addDays(today, 3),
        badness: 36,
        done: true,
        ...change,
      });
  test('an act is ticked, kept, and taken back though the forecast has moved by a day', async () => {
    expect((await tick()).status).toBe(200);
    expect((await seen()).body).toEqual([
      expect.objectContaining({ code: 'heat wave', act: 'shade pots and trays', badness: 36 }),
    ]);
    expect((await tick({ done: false, from: addDays(today, 2), until: addDays(today, 4) })).status).toBe(200);
    expect((await seen()).body).toEqual([]);
  });
  test('what is no alert, no act, or ends before it begins is refused by name', async () => {
    for (const [change, words] of [
      [{ code: 'locusts' }, /Alert/],
      [{ act: 'dance' }, /Act/],
      [{ until: today }, /Last day must not be before/],
    ] as const) {
      const { status, body } = await tick(change);
      expect(status).toBe(400);
      expect((body as { error: { message: string } }).error.message).toMatch(words);
    }
    expect((await seen()).body).toEqual([]);
  });
  test('a frost in sight brings a day to drain, as early as the household chose', async () => {
    respond = (path) => (path.startsWith('/days') ? sound(path) : forecast({ tMinC: -5, tMaxC: 3 }));
    await put({ url });
    expect((await weather()).drain).toMatchObject({ drainOn: today });
    const garden = (await ask(app).get(`/api/gardens/${gardenId}`)).body as GardenView;
    expect(garden.drains).toBe('usual');
    const patch = (drains: string) =>
      ask(app).patch(`/api/gardens/${gardenId}`).send({ version: garden.version, drains });
    expect((await patch('never')).body).toMatchObject({ error: { field: 'drains' } });
    expect((await patch('late')).status).toBe(200);
    expect((await weather()).drain?.drainOn).toBeNull();
  });
});

test('a garden put away is kept, left out of nothing it had, and comes back', async () => {
  const away = (value: boolean) => ask(app).put(`/api/gardens/${gardenId}/away`).send({ away: value });
  const names = async () => (await ask(app).get('/api/gardens')).body as { id: number; away: boolean }[];
  expect((await away(true)).status).toBe(200);
  expect((await names()).find(({ id }) => id === gardenId)?.away).toBe(true);
  expect(((await ask(app).get(`/api/gardens/${gardenId}`)).body as GardenView).beds).toHaveLength(1);
  expect((await away(false)).status).toBe(200);
  expect((await names()).find(({ id }) => id === gardenId)?.away).toBe(false);
  expect((await ask(app).put(`/api/gardens/${gardenId}/away`).send({ away: 'yes' })).status).toBe(400);
});

describe('weather said by hand', () => {
  test('a heat of 36° gets its before-heat list, and the days say where they come from', async () => {
    const lettuce = { ...GARDEN.bed, planting: { cropId: 'lettuce', plantedOn: '2026-06-20' } };
    const made = await ask(app)
      .post('/api/gardens')
      .send({ ...GARDEN, bed: lettuce });
    gardenId = (made.body as GardenView).id;
    const days = [1, 2, 3].map((d) => ({
      date: addDays(today, d),
      said: { tMaxC: 36, tMinC: 20, sky: 'sun', wind: 'still' },
    }));
    expect((await say(days)).status).toBe(201);
    const { alerts, ribbon, tasks } = await round();
    expect(alerts).toContainEqual(
      expect.objectContaining({ code: 'heat wave', from: addDays(today, 1), days: 3, highestC: 36 }),
    );
    expect(ribbon.find(({ date }) => date === addDays(today, 2))).toMatchObject({
      source: 'said',
      tMaxC: 36,
    });
    // Common practice: shade what bolts, and cover shallow roots, before heat.
    expect(tasks.map(({ task }) => task.code)).toEqual(
      expect.arrayContaining(['mulch before the heat', 'shade before the heat']),
    );
    expect((await weather()).ahead[1]).toMatchObject({ source: 'said', said: { tMaxC: 36 } });
  });

  test('by hand comes before the station; the latest word wins, and taken back the one before stands', async () => {
    await put({ url });
    const date = addDays(today, 1);
    const ahead = async () => (await weather()).ahead[1];
    expect((await ahead())?.tMaxC).toBe(27);
    await say([{ date, said: { heat: 'cool', rain: 'soaking' } }]);
    expect(await ahead()).toMatchObject({ source: 'said', rainMm: 20, rainChance: 0.8 });
    expect((await ahead())?.tMaxC).toBeLessThan(20);
    const { ids } = (await say([{ date, said: { tMaxC: 31 } }])).body as { ids: number[] };
    // Of what this word does not say the station speaks again.
    expect(await ahead()).toMatchObject({ tMaxC: 31, rainMm: 0, rainChance: 0.1 });
    await ask(app).post(`/api/gardens/${gardenId}/weather/said/take-back`).send({ ids });
    expect(await ahead()).toMatchObject({ rainMm: 20 });
    await say([{ date, said: null }]);
    expect(await ahead()).toMatchObject({ source: 'forecast', tMaxC: 27 });
  });

  test('what cannot be is refused with field, value and range, and nothing of it is written', async () => {
    const words = async (days: object[]): Promise<string> => {
      const { status, body } = await say(days);
      expect(status).toBe(400);
      return (body as { error: { message: string } }).error.message;
    };
    const date = addDays(today, 1);
    expect(await words([{ date, said: { tMinC: 25, tMaxC: 20 } }])).toMatch(
      /must not be above the highest, 20 °C; got 25/,
    );
    expect(await words([{ date, said: { heat: 'boiling' } }])).toMatch(
      /Heat must be one of hot, warm, mild, cool; got "boiling"/,
    );
    expect(await words([{ date, said: { tMaxC: 99 } }])).toMatch(/Highest temperature must be .*; got 99/);
    expect(
      await words([
        { date, said: { heat: 'hot' } },
        { date: '2027-01-01', said: { heat: 'hot' } },
      ]),
    ).toMatch(/Day must lie from 2026-06-14 to 2026-07-27; got 2027-01-01/);
    expect((await weather()).ahead[1]?.said).toBeNull();
  });

  test('a thermometer read yesterday outweighs the station, words of a measured day do not', async () => {
    await put({ url });
    await say([{ date: '2026-07-13', said: { tMaxC: 33, rain: 'soaking' } }]);
    const yesterday = (await round()).ribbon.find(({ date }) => date === '2026-07-13');
    expect(yesterday).toMatchObject({ tMaxC: 33, tMinC: 14, rainMm: 0, source: 'record' });
  });
});

describe('days ahead in a file', () => {
  test('are a forecast', async () => {
    const text = 'date;tmin;tmax;rain\n2026-07-13;12;24;0\n2026-07-15;12;24;18\n2026-07-16;15;29;0';
    const { status } = await ask(app)
      .post(`/api/gardens/${gardenId}/weather/import`)
      .send({ text, fileName: 'ahead.csv', units: {} });
    expect(status).toBe(201);
    const { ahead } = await weather();
    expect(ahead[1]).toMatchObject({ source: 'forecast', rainMm: 18, rainChance: 0.8 });
    expect(ahead[2]).toMatchObject({ source: 'forecast', tMaxC: 29, rainChance: 0.1 });
  });
});

describe('where the garden lies', () => {
  test('can be put right later, town and all; what cannot be is refused', async () => {
    const patch = (body: object) => ask(app).patch(`/api/gardens/${gardenId}`).send(body);
    const place = {
      latitudeDeg: -36.76,
      longitudeDeg: 144.28,
      elevationM: 225,
      timeZone: 'Australia/Melbourne',
      town: 'Bendigo, Victoria, Australia',
      summers: 'hot',
      air: 'dry',
    };
    const changed = await patch(place);
    expect(changed.status).toBe(200);
    expect(changed.body).toMatchObject(place);
    // In the south July is winter: what nobody measured is an ordinary day of it there.
    expect((await weather()).ahead[5]?.tMaxC).toBeLessThan(32);
    expect((await patch({ town: null })).body).toMatchObject({ town: null, latitudeDeg: -36.76 });
    for (const [bad, words] of [
      [{ latitudeDeg: 95 }, /Latitude must be a number from -90 to 90.*; got 95/],
      [{ timeZone: 'Mars/Base' }, /Time zone must be one this computer knows.*got "Mars\/Base"/],
      [{ summers: 'scorching' }, /Summers must be one of cool, mild, warm, hot; got "scorching"/],
    ] as const) {
      const refused = await patch(bad);
      expect(refused.status).toBe(400);
      expect((refused.body as { error: { message: string } }).error.message).toMatch(words);
    }
  });
});
