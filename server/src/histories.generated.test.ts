import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, expect, test } from '@jest/globals';
import type { BedPageView, GardenView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import type { Express } from 'express';
import fc from 'fast-check';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

// Any sequence of valid writes: every room answers, a change of today leaves the record of yesterday, the plan that is
// kept is the plan that is read anew from what was told, and independent writes may come in any order.
const TODAY = '2026-07-14';
const root = mkdtempSync(join(tmpdir(), 'kibble-histories-'));
const wall = { now: () => new Date(`${TODAY}T05:30:00Z`) };
const log = pino({ level: 'silent' });
let sequelize: Sequelize | null = null;
let n = 0;

const garden = {
  name: 'Here',
  latitudeDeg: 47,
  timeZone: 'Europe/Paris',
  clock: { mode: 'practice', date: TODAY },
};
const bedOf = (name: string) => ({
  name,
  areaM2: 12,
  textureClass: 'loam',
  planting: { cropId: 'tomato', plantedOn: '2026-06-01' },
  delivery: { method: 'hose wand', litresPerMinute: 15 },
});

async function begin(): Promise<Express> {
  await sequelize?.close();
  sequelize = await freshDatabase(join(root, `${(n += 1)}.sqlite`));
  const app = appHere({ sequelize, wall, log });
  await ask(app)
    .post('/api/gardens')
    .send({ garden, bed: bedOf('Tomatoes') });
  await ask(app).post('/api/gardens/1/beds').send(bedOf('Peppers'));
  return app;
}
afterEach(async () => {
  await sequelize?.close();
  sequelize = null;
});
afterAll(() => rmSync(root, { recursive: true, force: true }));

type Write =
  | { do: 'water'; bed: number; by: 'litres' | 'minutes'; amount: number; ago: number }
  | { do: 'skip'; bed: number }
  | { do: 'change'; bed: number; change: object; ago: number }
  | { do: 'read'; bed: number; input: object; ago: number };

const bed = fc.constantFrom(1, 2);
const ago = fc.integer({ min: 0, max: 25 });
const change = fc.constantFrom<object>(
  { mulchMaterial: 'straw', mulchMm: 60 },
  { mulchMaterial: null, mulchMm: null },
  { underCover: true },
  { goal: 'show' },
  { form: 'basin' },
  { areaM2: 8 },
  { delivery: { method: 'drip', litresPerMinute: 4 } },
  { delivery: { method: 'watering can', litresPerMinute: 9 } },
  { shadeCloth: true },
);
const reading = fc.constantFrom<object>(
  { kind: 'bucket', litres: 10, seconds: 60 },
  { kind: 'feel', horizon: 'top', answers: { ball: false, ribbon: false, rub: 'gritty' } },
  { kind: 'jar', horizon: 'top', sandMm: 30, siltMm: 40, clayMm: 30 },
  { kind: 'told', field: 'area', value: 14 },
  { kind: 'told', field: 'evenness', value: 0.7 },
  { kind: 'changed', what: 'nozzle' },
  { kind: 'amended', material: 'compost', depthMm: 40 },
  { kind: 'site', slopePct: 5, sun: 'half', wind: 'open', wall: false, crusted: false },
  { kind: 'dig', topsoilMm: 250, belowClass: 'clay' },
);
const write: fc.Arbitrary<Write> = fc.oneof(
  fc.record({
    do: fc.constant('water' as const),
    bed,
    by: fc.constantFrom('litres' as const, 'minutes' as const),
    amount: fc.integer({ min: 1, max: 90 }),
    ago,
  }),
  fc.record({ do: fc.constant('skip' as const), bed }),
  fc.record({ do: fc.constant('change' as const), bed, change, ago }),
  fc.record({ do: fc.constant('read' as const), bed, input: reading, ago }),
);

async function send(app: Express, w: Write): Promise<number> {
  const on = addDays(TODAY, -('ago' in w ? w.ago : 0));
  switch (w.do) {
    case 'water':
      return (
        await ask(app)
          .post(`/api/beds/${w.bed}/waterings`)
          .send({ [w.by]: w.amount, on })
      ).status;
    case 'skip':
      return (await ask(app).post(`/api/beds/${w.bed}/skips`).send({ reason: 'no time' })).status;
    case 'change': {
      const body = { ...bedOf(w.bed === 1 ? 'Tomatoes' : 'Peppers'), ...w.change, since: on };
      return (await ask(app).put(`/api/beds/${w.bed}`).send(body)).status;
    }
    case 'read':
      return (
        await ask(app)
          .post('/api/gardens/1/findings')
          .send({ bedId: w.bed, input: w.input, on, confirmed: true })
      ).status;
  }
}

/** Everything the rooms show, as text, without what only counts the writes. */
async function shown(app: Express): Promise<string> {
  const rooms = [
    'gardens/1',
    'gardens/1/round',
    'gardens/1/fortnight',
    'gardens/1/section',
    'beds/1',
    'beds/2',
  ];
  const texts: string[] = [];
  for (const room of rooms) {
    const answer = await ask(app).get(`/api/${room}`);
    expect([room, answer.status]).toEqual([room, 200]);
    texts.push(answer.text);
  }
  return texts.join('\n');
}
const pastOf = async (app: Express, id: number) => {
  const { days } = (await ask(app).get(`/api/beds/${id}`)).body as BedPageView;
  return days.filter(({ ahead }) => !ahead);
};

test('whatever is written, every room answers, and the plan that is kept is the plan read anew', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(write, { minLength: 3, maxLength: 8 }), async (writes) => {
      const app = await begin();
      for (const w of writes) {
        const status = await send(app, w);
        expect([200, 201]).toContain(status);
        // The kept plan is asked after each write, so that it is changed step by step.
        await ask(app).get('/api/gardens/1/round');
      }
      if (!sequelize) throw new Error('it is open');
      const fresh = appHere({ sequelize, wall, log });
      expect(await shown(app)).toBe(await shown(fresh));
    }),
    { numRuns: 10 },
  );
});

test('a change of today never changes a record of yesterday', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(write, { maxLength: 4 }), change, async (writes, today) => {
      const app = await begin();
      for (const w of writes) await send(app, w);
      const { beds } = (await ask(app).get('/api/gardens/1')).body as GardenView;
      const before = await pastOf(app, 1);
      const now = beds[0];
      if (!now) throw new Error('the bed is there');
      const body = {
        ...bedOf('Tomatoes'),
        areaM2: now.areaM2,
        form: now.form,
        underCover: now.underCover,
        shadeCloth: now.shadeCloth,
        mulchMaterial: now.mulchMaterial,
        mulchMm: now.mulchMm,
        goal: now.goal,
        delivery: now.delivery,
        ...today,
      };
      expect((await ask(app).put('/api/beds/1').send(body)).status).toBe(200);
      expect(await pastOf(app, 1)).toEqual(before);
    }),
    { numRuns: 8 },
  );
});

test('writes on two beds may come in either order', async () => {
  const onBed = (id: number) =>
    fc.array(
      write.map((w) => ({ ...w, bed: id })),
      { minLength: 1, maxLength: 3 },
    );
  await fc.assert(
    fc.asyncProperty(onBed(1), onBed(2), async (first, second) => {
      const seen: unknown[] = [];
      for (const order of [
        [...first, ...second],
        [...second, ...first],
      ]) {
        const app = await begin();
        for (const w of order) await send(app, w);
        const pages = [];
        for (const id of [1, 2]) {
          const { days, season, next, core } = (await ask(app).get(`/api/beds/${id}`)).body as BedPageView;
          pages.push({ days, season, next, core });
        }
        seen.push(pages);
      }
      expect(seen[0]).toEqual(seen[1]);
    }),
    { numRuns: 5 },
  );
});
