import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ClimateView, GardenView, RoundView, WeatherView } from '@kibble/contract';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import pino from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

const today = '2026-11-30';
const dir = mkdtempSync(join(tmpdir(), 'kibble-climate-'));
let sequelize: Sequelize;
let app: ReturnType<typeof appHere>;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date(`${today}T18:00:00Z`) },
    log: pino({ level: 'silent' }),
    towns: { search: async () => [], coastKm: async () => 1300 },
  });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const minneapolis = {
  name: 'Lakeside',
  latitudeDeg: 44.98,
  longitudeDeg: -93.26,
  timeZone: 'America/Chicago',
  units: 'us',
};
const bed = {
  name: 'Garlic',
  areaM2: 4,
  textureClass: 'loam',
  startWetness: 'moist',
  wetnessOn: today,
  planting: { cropId: 'garlic', plantedOn: '2026-10-10' },
  delivery: { method: 'hose wand', litresPerMinute: 15 },
};
const made = async (garden: object = {}): Promise<GardenView> => {
  const { status, body } = await ask(app)
    .post('/api/gardens')
    .send({ garden: { ...minneapolis, ...garden }, bed });
  expect({ status, body: status === 201 ? null : body }).toEqual({ status: 201, body: null });
  return body as GardenView;
};

test('a place is told its usual year, with the height of the stations around', async () => {
  const { body } = await ask(app).get('/api/climate?latitudeDeg=44.98&longitudeDeg=-93.26');
  const view = body as ClimateView;
  expect(view.elevationM).toBeGreaterThan(200);
  expect(view.elevationM).toBeLessThan(350);
  expect(view.coldest).toMatchObject({ month: 1 });
  expect(view.coldest.lowC).toBeLessThan(-10);
  expect(view.warmest.highC).toBeGreaterThan(26);
  const alps = async (elevationM: number): Promise<number> => {
    const { body: there } = await ask(app).get(
      `/api/climate?latitudeDeg=47&longitudeDeg=9&elevationM=${elevationM}`,
    );
    return (there as ClimateView).warmest.highC;
  };
  expect(await alps(1500)).toBeLessThan((await alps(500)) - 4);
});

test('no place and no number are refused in words', async () => {
  for (const query of ['', '?latitudeDeg=99&longitudeDeg=0', '?latitudeDeg=10&longitudeDeg=abc']) {
    const { status, body } = await ask(app).get(`/api/climate${query}`);
    expect(status).toBe(400);
    expect((body as { error: { message: string } }).error.message).toMatch(/(Latitude|Longitude) must be/);
  }
});

describe('a garden in Minneapolis on the last of November', () => {
  test('is cold, is told so, and asks for no water', async () => {
    const garden = await made();
    expect(garden.elevationM).toBeGreaterThan(200);
    const round = (await ask(app).get(`/api/gardens/${garden.id}/round`)).body as RoundView;
    expect(round.stops).toHaveLength(0);
    const weather = (await ask(app).get(`/api/gardens/${garden.id}/weather`)).body as WeatherView;
    for (const day of weather.ahead) {
      expect(day.tMaxC).toBeLessThan(6);
      expect(day.tMinC).toBeLessThan(0);
      expect(day.rainChance).toBeGreaterThan(0.05);
    }
  });

  test('what its gardener knows of the year counts, stands on record, and is given up by a move', async () => {
    const garden = await made();
    const known = { coldest: { highC: -10, lowC: -20, rainMm: 15 }, warmest: { highC: 24 } };
    const change = (patch: object, version: number) =>
      ask(app)
        .patch(`/api/gardens/${garden.id}`)
        .send({ version, ...patch });
    const corrected = (await change({ climateKnown: known }, garden.version)).body as GardenView;
    expect(corrected.climate).toMatchObject({
      corrected: true,
      coldest: { highC: -10, lowC: -20, rainMm: 15 },
    });
    const renamed = (await change({ name: 'Shore' }, corrected.version)).body as GardenView;
    expect(renamed.climate?.corrected).toBe(true);
    const wrong = await change({ climateKnown: { coldest: { highC: -15, lowC: 3 } } }, renamed.version);
    expect(wrong.status).toBe(400);
    const moved = (await change({ latitudeDeg: 25.8, longitudeDeg: -80.2 }, renamed.version))
      .body as GardenView;
    expect(moved.climate).toMatchObject({ corrected: false });
    expect(moved.climate?.coldest.lowC).toBeGreaterThan(10);
    expect(moved.elevationM).toBeLessThan(60);
  });

  test('a latitude alone has no climate, and goes by the words for its summers and its air', async () => {
    const garden = await made({ longitudeDeg: null });
    expect(garden.climate).toBeNull();
  });
});
