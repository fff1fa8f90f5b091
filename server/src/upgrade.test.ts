import { copyFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { BedPageView, FortnightView, GardenView, RoundView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { closeDatabase, openDatabase } from './db/open.ts';
import { openRaw } from './db/raw.ts';

// A garden of the version before (006) with a busy past, and what that version itself said of it: its round, its
// fortnight and each bed's season, written down by its own code on the same morning.
const wall = { now: () => new Date('2026-07-14T06:30:00Z') };
const dir = mkdtempSync(join(tmpdir(), 'kibble-upgrade-'));
const file = join(dir, 'kibble.sqlite');
const BEFORE = 'server/fixtures/kibble-006.sqlite';
interface Said {
  stops: { bedId: number; litres: number; minutes: number; code: string; depletionMm: number }[];
  leaveAlone: { bedId: number; code: string; depletionMm: number; nextDate: string | null }[];
  totals: { minutes: number; litres: number };
  fortnight: { bedId: number; waterings: [string, number][] }[];
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

test('the round is the same within rounding', async () => {
  const round = (await ask(app).get('/api/gardens/1/round')).body as RoundView;
  expect(round.unplanned).toEqual([]);
  expect(((await ask(app).get('/api/gardens/1')).body as GardenView).setAside).toEqual([]);
  const now = round.stops.map(({ bedId, run, reason }) => ({
    bedId,
    litres: run.litres,
    minutes: run.minutes,
    code: reason.code,
    depletionMm: reason.depletionMm,
  }));
  expect(now.map(({ bedId, code }) => [bedId, code])).toEqual(
    said.stops.map(({ bedId, code }) => [bedId, code]),
  );
  for (const [i, stop] of now.entries()) {
    expect(stop.litres).toBeCloseTo(said.stops[i]?.litres ?? 0, 6);
    expect(stop.minutes).toBeCloseTo(said.stops[i]?.minutes ?? 0, 6);
    expect(stop.depletionMm).toBeCloseTo(said.stops[i]?.depletionMm ?? 0, 6);
  }
  expect(round.leaveAlone.map(({ bedId, reason, nextDate }) => [bedId, reason.code, nextDate])).toEqual(
    said.leaveAlone.map(({ bedId, code, nextDate }) => [bedId, code, nextDate]),
  );
  expect(round.totals.litres).toBeCloseTo(said.totals.litres, 6);
});

test('the fortnight is the same within rounding', async () => {
  const fortnight = (await ask(app).get('/api/gardens/1/fortnight')).body as FortnightView;
  for (const bed of fortnight.beds) {
    const was = said.fortnight.find(({ bedId }) => bedId === bed.bedId)?.waterings ?? [];
    expect(bed.waterings.map(({ date }) => date)).toEqual(was.map(([date]) => date));
    for (const [i, { litres }] of bed.waterings.entries()) expect(litres).toBeCloseTo(was[i]?.[1] ?? 0, 6);
  }
});

test('every bed’s season and log are the same; nothing is lost', async () => {
  for (const [id, was] of Object.entries(said.pages)) {
    const page = (await ask(app).get(`/api/beds/${id}`)).body as BedPageView;
    for (const [key, mm] of Object.entries(was.season ?? {}))
      expect(page.season[key as keyof BedPageView['season']]).toBeCloseTo(mm, 6);
    expect(
      page.events.map(({ kind, date, litres, minutes, netMm }) => [kind, date, litres, minutes, netMm]),
    ).toEqual(was.events);
  }
  const before = await openRaw(BEFORE);
  const after = await openRaw(file);
  const count = async (database: typeof before, text: string): Promise<unknown> =>
    (await database.all<{ n: number }>(text))[0]?.n;
  expect(await count(after, "SELECT count(*) AS n FROM entries WHERE sort <> 'setting'")).toBe(
    await count(before, 'SELECT count(*) AS n FROM findings'),
  );
  for (const table of ['events', 'beds', 'plantings', 'weather_days', 'taps'])
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
