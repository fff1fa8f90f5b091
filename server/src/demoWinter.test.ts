import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { PotsView, RoundView, TreesView } from '@kibble/contract';
import { cropById } from '@kibble/core';
import { stationApp } from '@kibble/simulators';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { seedDemo } from './seed.ts';

/** Mornings of the demo's winter, from the first hard frosts to the thaw. */
const MORNINGS = ['2026-11-28', '2026-12-08', '2027-01-17', '2027-01-27', '2027-03-08'];
const dir = mkdtempSync(join(tmpdir(), 'kibble-winter-'));
const wall = { now: () => new Date('2026-07-14T05:00:00Z') };
let sequelize: Sequelize;
let station: Server;
let app: Express;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  station = stationApp({ seed: 46, latitudeDeg: 46.9 }).listen(0, '127.0.0.1');
  await new Promise((ready) => station.once('listening', ready));
  await seedDemo(sequelize, `http://127.0.0.1:${(station.address() as AddressInfo).port}`, wall);
  app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) });
});
afterAll(async () => {
  station.close();
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const read = async <T>(path: string): Promise<T> => (await ask(app).get(`/api/gardens/1/${path}`)).body as T;

test('through a winter nothing outdoors is asked for on a frozen day, what is dead is asked for nothing, and a bare tree is left alone', async () => {
  let frozenMornings = 0;
  const dead = new Set<string>();
  for (const today of MORNINGS) {
    const clock = { clock: { mode: 'practice', date: today } };
    expect((await ask(app).patch('/api/gardens/1').send(clock)).status).toBe(200);
    const round = await read<RoundView>('round');
    const pots = (await read<PotsView>('pots')).spots.flatMap((spot) => spot.pots);
    const { trees } = await read<TreesView>('trees');
    const day = round.ribbon.find(({ date }) => date === today);
    if (!day) throw new Error(`no weather on ${today}`);
    const outdoors = pots.filter(({ facts }) => facts.stands === 'outdoors' || facts.stands === 'balcony');
    if (day.tMinC + day.tMaxC < 0) {
      frozenMornings += 1;
      expect([today, outdoors.filter(({ give }) => give).map(({ name }) => name)]).toEqual([today, []]);
      expect([today, round.stops.map(({ bedName }) => bedName)]).toEqual([today, []]);
    }
    for (const pot of outdoors) {
      if (pot.leave?.code === 'killed by frost') dead.add(pot.name);
      // What died stays dead, and has no tasks.
      const asks = { name: pot.name, give: pot.give, tasks: pot.tasks.map(({ code }) => code) };
      if (dead.has(pot.name)) expect(asks).toEqual({ name: pot.name, give: null, tasks: [] });
    }
    const bare = new Set(
      trees
        .filter(({ tree }) => tree.season === 'bare' || tree.season === 'frozen')
        .map(({ bedId }) => bedId),
    );
    expect(bare.size).toBeGreaterThan(0);
    const wateredBare = round.stops.filter(({ bedId }) => bare.has(bedId));
    expect([today, wateredBare.map(({ bedName }) => bedName)]).toEqual([today, []]);
  }
  expect(frozenMornings).toBeGreaterThanOrEqual(2);
  // Tender plants that nobody brought in did not live through it.
  const { spots } = await read<PotsView>('pots');
  for (const { name, plantings, facts } of spots.flatMap((spot) => spot.pots))
    if (facts.stands === 'outdoors' && plantings.some(({ cropId }) => cropById(cropId).frost === 'tender'))
      expect([name, dead.has(name)]).toEqual([name, true]);
});
