import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { BedPageView, BedView, GardenView, RoundView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import { stationApp } from '@kibble/simulators';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { seedDemo } from './seed.ts';

/**
 * The hot fortnight of the demo, lived by somebody who does what the round says and lays the covers that it advises, and
 * nothing else. What it cost is read off the balance behind, not off the plan.
 */
const DAYS = 14;
/** Straw as it is laid, mm. */
const STRAW_MM = 75;
/** As many as a garden of this size is planned by. */
const MEMBERS = 64;
const dir = mkdtempSync(join(tmpdir(), 'kibble-lived-'));
const wall = { now: () => new Date('2026-07-14T05:00:00Z') };
let sequelize: Sequelize;
let station: Server;
let app: Express;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  station = stationApp({ seed: 46, latitudeDeg: 46.9 }).listen(0, '127.0.0.1');
  await new Promise((ready) => station.once('listening', ready));
  await seedDemo(sequelize, `http://127.0.0.1:${(station.address() as AddressInfo).port}`, wall);
  app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) }, MEMBERS);
});
afterAll(async () => {
  station.close();
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

async function read<T>(path: string): Promise<T> {
  const answer = await ask(app).get(`/api${path}`);
  expect(answer.status).toBe(200);
  return answer.body as T;
}
const round = (): Promise<RoundView> => read('/gardens/1/round');

/** A bed as its form would send it back, with its cover another. */
const covered = (bed: BedView, cover: { mulch: boolean; shade: boolean }): object => ({
  ...bed,
  ...(cover.mulch ? { mulchMaterial: 'straw', mulchMm: STRAW_MM } : {}),
  ...(cover.shade ? { shadeCloth: true } : {}),
  planting: { ...bed.planting, method: bed.planting?.method, endedOn: bed.planting?.endedOn ?? undefined },
});

test('a hot fortnight lived by the round: work on at most ten days, and at most three per cent of the growth lost', async () => {
  // A fortnight of whole plans: alone it takes most of a minute.
  const { tasks } = await round();
  const told = (code: string): Set<number> =>
    new Set(tasks.filter(({ task }) => task.code === code).map(({ bedId }) => bedId));
  const mulch = told('mulch before the heat');
  const shade = told('shade before the heat');
  expect(mulch.size).toBeGreaterThan(0);
  const { beds } = await read<GardenView>('/gardens/1');
  for (const bed of beds.filter(({ id }) => mulch.has(id) || shade.has(id))) {
    const answer = await ask(app)
      .put(`/api/beds/${bed.id}`)
      .send(covered(bed, { mulch: mulch.has(bed.id), shade: shade.has(bed.id) }));
    expect([answer.status, answer.text]).toEqual([200, expect.anything()]);
  }

  let worked = 0;
  let { date } = await round();
  for (let day = 0; day < DAYS; day += 1) {
    const { stops } = await round();
    if (stops.length > 0) {
      worked += 1;
      const answer = await ask(app)
        .post('/api/gardens/1/entries')
        .send({
          sure: true,
          entries: stops.map(({ bedId, run }) => ({
            subject: { kind: 'bed', id: bedId },
            body: { kind: 'watering', litres: run.litres, asPlanned: true },
          })),
        });
      expect(answer.status).toBe(201);
    }
    expect((await round()).stops).toEqual([]);
    date = addDays(date, 1);
    await ask(app)
      .patch('/api/gardens/1')
      .send({ clock: { mode: 'practice', date } });
  }
  expect(worked).toBeLessThanOrEqual(10);

  let area = 0;
  let lost = 0;
  for (const { id, areaM2 } of beds) {
    const { loss } = await read<BedPageView>(`/beds/${id}`);
    area += areaM2;
    lost += areaM2 * loss.lately;
  }
  expect(lost / area).toBeLessThanOrEqual(0.03);
}, 180_000);
