import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { WeatherDay } from '@kibble/core';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { gardenBody } from '@kibble/contract';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { ImportRow, WeatherDayRow, type Garden } from '../db/models.ts';
import { MIGRATION_NAMES } from '../db/migrate.ts';
import { openDatabase } from '../db/open.ts';
import { writerOf } from '../db/writer.ts';
import { todayOf } from './clock.ts';
import { createGarden } from './gardens.ts';
import { askGardenStation, saveStationAnswer, stationOnRecord } from './station.ts';
import { gardenWeather } from './weather.ts';
import { storeDays } from './weatherRows.ts';

const at = new Date('2026-07-14T05:00:00Z');
const log = pino({ level: 'silent' });
const dir = mkdtempSync(join(tmpdir(), 'kibble-services-'));
const file = join(dir, 'kibble.sqlite');
let sequelize: Sequelize;

beforeAll(async () => {
  sequelize = await openDatabase(file);
});
afterAll(async () => {
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const garden = (change: { timeZone?: string; stationUrl?: string } = {}): Promise<Garden> =>
  createGarden(
    gardenBody.parse({ name: 'Test ground', latitudeDeg: 47, timeZone: change.timeZone ?? 'UTC' }),
    { stationUrl: change.stationUrl },
  );

describe('today at the garden', () => {
  test.each([
    // The nights on which clocks change in these zones, and either side of midnight there.
    ['Europe/Paris', '2026-03-28T22:59:00Z', '2026-03-28'],
    ['Europe/Paris', '2026-03-28T23:01:00Z', '2026-03-29'],
    ['Europe/Paris', '2026-10-25T22:59:00Z', '2026-10-25'],
    ['America/New_York', '2026-11-01T03:59:00Z', '2026-10-31'],
    ['America/New_York', '2026-11-01T04:01:00Z', '2026-11-01'],
    ['Pacific/Auckland', '2026-07-13T12:30:00Z', '2026-07-14'],
  ])('%s at %s is %s', async (timeZone, now, day) => {
    expect(todayOf(await garden({ timeZone }), { now: () => new Date(now) })).toBe(day);
  });
});

/** A file's days, brought in. */
async function imported(gardenId: number, fileName: string, days: WeatherDay[]): Promise<ImportRow> {
  const row = await ImportRow.create({ gardenId, fileName, at, days: days.length });
  await storeDays(gardenId, row.id, days);
  return row;
}

describe('weather of a garden', () => {
  test('a station that does not answer leaves what is known, and nothing fails', async () => {
    const made = await garden({ stationUrl: 'http://127.0.0.1:9' });
    await imported(made.id, 'july', [{ date: '2026-07-10', tMinC: 14, tMaxC: 29, rainMm: 2 }]);
    const said = await askGardenStation(made, '2026-07-14', log);
    expect(said?.trouble).toBe('it cannot be reached');
    await writerOf(sequelize)(() => saveStationAnswer(made, said, new Date('2026-07-14T06:00:00Z')));
    expect(await stationOnRecord(made)).toEqual({ days: [], trouble: 'it cannot be reached' });
    const days = await gardenWeather(made, '2026-07-14', '2026-07-08', 14);
    expect(days).toHaveLength(6 + 14);
    expect(days.find((d) => d.date === '2026-07-10')).toMatchObject({ source: 'record', rainMm: 2 });
    expect(days.find((d) => d.date === '2026-07-12')?.source).toBe('ordinary day');
  });

  test('an import outweighs the station and earlier ones; taken back, what it covered is there again', async () => {
    const made = await garden();
    const date = '2026-07-10';
    await imported(made.id, 'first', [{ date, tMinC: 10, tMaxC: 20, rainMm: 9 }]);
    await storeDays(made.id, 0, [{ date, tMinC: 11, tMaxC: 21, rainMm: 0 }]);
    await storeDays(made.id, 0, [{ date, tMinC: 11, tMaxC: 21, rainMm: 1 }]);
    const second = await imported(made.id, 'second', [{ date, tMinC: 10, tMaxC: 22, rainMm: 8 }]);
    const day = async () => (await gardenWeather(made, '2026-07-11', date, 1))[0];
    expect(await day()).toMatchObject({ tMaxC: 22, rainMm: 8, source: 'record' });
    await second.update({ removedAt: at });
    expect(await day()).toMatchObject({ tMaxC: 20, rainMm: 9 });
    await ImportRow.update({ removedAt: at }, { where: { gardenId: made.id } });
    expect(await day()).toMatchObject({ tMaxC: 21, rainMm: 1 });
    expect(await WeatherDayRow.count({ where: { gardenId: made.id } })).toBe(3);
  });

  test('a failed write leaves nothing behind', async () => {
    const made = await garden();
    const good = { date: '2026-07-10', tMinC: 10, tMaxC: 20, rainMm: 9 };
    const bad = { ...good, date: '2026-07-11', tMinC: null as unknown as number };
    await expect(
      writerOf(sequelize)(async () => {
        await storeDays(made.id, 0, [good]);
        await storeDays(made.id, 0, [bad]);
      }),
    ).rejects.toThrow();
    expect(await WeatherDayRow.count({ where: { gardenId: made.id } })).toBe(0);
  });
});

test('opening the same file again runs no migration twice and keeps what is in it', async () => {
  const made = await garden();
  const again = await openDatabase(file);
  const [rows] = await again.query(`SELECT count(*) AS n FROM gardens WHERE id = ${made.id}`);
  expect((rows as { n: number }[])[0]?.n).toBe(1);
  const [migrations] = await again.query('SELECT name FROM SequelizeMeta');
  expect(migrations).toEqual(MIGRATION_NAMES.map((name) => ({ name })));
  expect(MIGRATION_NAMES.map((name) => name.slice(0, 3))).toEqual([
    '001',
    '002',
    '003',
    '004',
    '005',
    '006',
    '007',
    '008',
    '009',
    '010',
    '011',
    '012',
    '013',
    '014',
    '015',
    '016',
    '017',
    '018',
    '019',
  ]);
  await again.close();
  sequelize = await openDatabase(file);
});
