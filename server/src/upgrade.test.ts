import { copyFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { BedPageView, GardenView, RoundView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { closeDatabase, openDatabase } from './db/open.ts';
import { openRaw } from './db/raw.ts';

// A garden of the version before (006) with a busy past, and what that version itself said of it: the beds of its
// round and each bed's log and season, written down by its own code on the same morning.
const wall = { now: () => new Date('2026-07-14T06:30:00Z') };
const dir = mkdtempSync(join(tmpdir(), 'kibble-upgrade-'));
const file = join(dir, 'kibble.sqlite');
const BEFORE = 'server/fixtures/kibble-006.sqlite';
interface Said {
  stops: { bedId: number }[];
  leaveAlone: { bedId: number }[];
  pages: Record<
    string,
    {
      season?: Record<string, number>;
      events?: [string, string, number | null, number | null, number | null][];
    }
  >;
}
const said = JSON.parse(readFileSync('server/fixtures/round-006.json', 'utf8')) as Said;
let sequelize: Sequelize;
let app: Express;

beforeAll(async () => {
  copyFileSync(BEFORE, file);
  sequelize = await openDatabase(file);
  app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) }, 100);
});
afterAll(async () => {
  await closeDatabase(sequelize);
  rmSync(dir, { recursive: true, force: true });
});

const bedsOf = ({ stops, leaveAlone }: { stops: { bedId: number }[]; leaveAlone: { bedId: number }[] }) =>
  [...stops, ...leaveAlone].map(({ bedId }) => bedId).sort((x, y) => x - y);

test('every bed is planned, and nothing is set aside', async () => {
  const round = (await ask(app).get('/api/gardens/1/round')).body as RoundView;
  expect(round.unplanned).toEqual([]);
  expect(((await ask(app).get('/api/gardens/1')).body as GardenView).setAside).toEqual([]);
  expect(bedsOf(round)).toEqual(bedsOf(said));
});

// What the balance makes of them moves with the engine; what came as rain and by watering is as it was told.
test('every bed’s log, its rain and its waterings are the same; nothing is lost', async () => {
  for (const [id, was] of Object.entries(said.pages)) {
    const page = (await ask(app).get(`/api/beds/${id}`)).body as BedPageView;
    for (const key of ['rainMm', 'irrigationMm'] as const)
      if (was.season) expect(page.season[key]).toBeCloseTo(was.season[key] ?? Number.NaN, 6);
    expect(
      page.events.map(({ kind, date, litres, minutes, netMm }) => [kind, date, litres, minutes, netMm]),
    ).toEqual(was.events);
  }
  const before = await openRaw(BEFORE);
  const after = await openRaw(file);
  const count = async (database: typeof before, text: string): Promise<unknown> =>
    (await database.all<{ n: number }>(text))[0]?.n;
  const sorts = "'reading', 'observation', 'decision', 'change'";
  expect(await count(after, `SELECT count(*) AS n FROM entries WHERE sort IN (${sorts})`)).toBe(
    await count(before, 'SELECT count(*) AS n FROM findings'),
  );
  expect(
    await count(after, "SELECT count(*) AS n FROM entries WHERE kind IN ('watering', 'skip', 'rain')"),
  ).toBe(await count(before, 'SELECT count(*) AS n FROM events'));
  for (const table of ['beds', 'plantings', 'weather_days', 'taps'])
    expect(await count(after, `SELECT count(*) AS n FROM ${table}`)).toBe(
      await count(before, `SELECT count(*) AS n FROM ${table}`),
    );
  await before.close();
  await after.close();
});

test('a tap that ran through the update runs on', async () => {
  const runs = (await ask(app).get('/api/gardens/1/runs')).body as unknown[];
  expect(runs).toMatchObject([
    { bedId: 2, startedAt: '2026-07-14T06:20:00.000Z', minutes: 20, runs: 2, run: 1, soakMinutes: 30 },
  ]);
});
