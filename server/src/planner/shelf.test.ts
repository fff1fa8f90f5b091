import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Sequelize } from 'sequelize';
import { closesInOrder } from '../../tests/fresh.ts';
import { RECORDED } from '../../tests/recorded/gardens.ts';
import { unpackRecorded } from '../../tests/recorded/recorded.ts';
import { Garden } from '../db/models.ts';
import { openDatabase } from '../db/open.ts';
import type { Facts } from './facts.ts';
import { gardenFacts } from './gardenFacts.ts';
import { shelfOf } from './views/pots.ts';

const folder = mkdtempSync(join(tmpdir(), 'kibble-shelf-'));
const recorded = RECORDED.find(({ name }) => name === 'pots');
const wall = { now: () => new Date(recorded?.now ?? 0) };
let sequelize: Sequelize;
let facts: Facts;

beforeAll(async () => {
  sequelize = closesInOrder(await openDatabase(unpackRecorded('pots', folder)));
  const garden = await Garden.findByPk(1);
  if (!garden) throw new Error('the balcony must be recorded');
  facts = await gardenFacts(garden, wall);
});
afterAll(async () => {
  await sequelize.close();
  rmSync(folder, { recursive: true, force: true });
});

const withEntry = (potId: number): Facts => ({
  ...facts,
  pots: {
    ...facts.pots,
    pots: facts.pots.pots.map((pot) =>
      pot.id === potId
        ? {
            ...pot,
            entries: [
              ...pot.entries,
              {
                id: 999,
                date: facts.today,
                hour: 7,
                entry: { kind: 'given', millilitres: 700, how: 'poured' },
              },
            ],
          }
        : pot,
    ),
  },
});

test('where one pot changed, that one alone is followed again, and the shelf is the same as made from nothing', () => {
  const before = shelfOf(facts);
  const [first = 0, ...others] = [...before.potted.keys()];
  expect(others.length).toBeGreaterThan(1);
  const changed = withEntry(first);
  const after = shelfOf(changed, before);
  for (const id of others) expect(after.potted.get(id)).toBe(before.potted.get(id));
  expect(after.potted.get(first)).not.toBe(before.potted.get(first));
  expect(after.view).toEqual(shelfOf(changed).view);
});

test('under other weather, and where something was seen to, nothing of before is taken', () => {
  const before = shelfOf(facts);
  const [first = 0] = before.potted.keys();
  const other = shelfOf({ ...facts, weather: [...facts.weather] }, before);
  expect(other.potted.get(first)).not.toBe(before.potted.get(first));
  const done = [{ subject: { kind: 'pot', id: first } as const, key: 'rescue: 2026-07-14' }];
  expect(shelfOf({ ...facts, done }, before).potted.get(first)).not.toBe(before.potted.get(first));
});
