import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { GardenView, RoundView, TreeNow, TreesView } from '@kibble/contract';
import { cropById, newTree } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN, TREE } from '../tests/oneBed.ts';

/** Trees lived day by day by somebody who does what the round says: an old walnut through six dry weeks, and a bare-root pear through its first fortnight. */
const dir = mkdtempSync(join(tmpdir(), 'kibble-lived-trees-'));
const START = '2026-07-14';
const DRY_DAYS = 42;
const FIRST_DAYS = 14;
let sequelize: Sequelize;
let app: Express;
let walnut = 0;
let pear = 0;

async function send<T = { id: number }>(method: 'post' | 'patch', path: string, body: object): Promise<T> {
  const answer = await ask(app)[method](`/api${path}`).send(body);
  if (answer.status >= 300) throw new Error(`${path}: ${answer.status} ${answer.text}`);
  return answer.body as T;
}
const read = async <T>(path: string): Promise<T> => (await ask(app).get(`/api/gardens/1/${path}`)).body as T;

/** One morning: how the trees stand, what the round asks of them, given; and on to the next. */
async function day(): Promise<{ tree: (id: number) => TreeNow | undefined; asked: Set<number> }> {
  const { trees } = await read<TreesView>('trees');
  const stops = (await read<RoundView>('round')).stops.filter(({ bedId }) => bedId !== 1);
  if (stops.length > 0)
    await send('post', '/gardens/1/entries', {
      entries: stops.map(({ bedId, run }) => ({
        subject: { kind: 'bed', id: bedId },
        body: { kind: 'watering', minutes: run.minutes, asPlanned: true },
      })),
    });
  await send('post', '/gardens/1/step', { days: 1 });
  return {
    tree: (id) => trees.find(({ bedId }) => bedId === id)?.tree,
    asked: new Set(stops.map(({ bedId }) => bedId)),
  };
}

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date(`${START}T05:00:00Z`) },
    log: pino({ level: 'silent' }),
  });
  await send<GardenView>('post', '/gardens', {
    ...GARDEN,
    garden: { ...GARDEN.garden, clock: { mode: 'practice', date: START } },
  });
  walnut = (await send('post', '/gardens/1/trees', { ...TREE, tree: { ...TREE.tree, shares: [] } })).id;
  const { canopyM: _canopyM, ...tree } = newTree(cropById('pear'), 0);
  pear = (
    await send('post', '/gardens/1/trees', {
      name: 'Pear by the gate',
      cropId: 'pear',
      plantedOn: START,
      textureClass: 'loam',
      startWetness: 'soaked',
      delivery: { litresPerMinute: 10 },
      tree: { ...tree, canopyM: 0.9, trunkM: 0.02, cameAs: 'bare-root' },
    })
  ).id;
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

test('the walnut never stands past its longest gap; the pear’s ball stays within its band, asked daily to weekly (common practice)', async () => {
  let timesPear = 0;
  let timesWalnut = 0;
  for (let d = 0; d < DRY_DAYS; d += 1) {
    const { tree, asked } = await day();
    expect(tree(walnut)?.soak?.counted ?? 99).toBeLessThanOrEqual(21.01);
    expect(tree(pear)?.soak?.ballGone ?? 1).toBeLessThan(0.4);
    if (asked.has(walnut)) timesWalnut += 1;
    if (asked.has(pear) && d < FIRST_DAYS) timesPear += 1;
  }
  expect(timesWalnut).toBeGreaterThanOrEqual(2);
  expect(timesPear).toBeGreaterThanOrEqual(2);
  expect(timesPear).toBeLessThanOrEqual(FIRST_DAYS);
});
