import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { GardenView, PotPageView, PotsView, PotView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask as asking } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN } from '../tests/oneBed.ts';

/** One question, and what is answered. */
async function ask(
  of: Express,
  method: 'get' | 'post' | 'put' | 'patch' | 'delete',
  path: string,
  body?: object,
): Promise<{ status: number; body: unknown }> {
  const question = asking(of)[method](path);
  const answer = await (method === 'get' ? question : question.send(body ?? {}));
  return { status: answer.status, body: answer.body as unknown };
}

const dir = mkdtempSync(join(tmpdir(), 'kibble-pots-'));
const today = '2026-07-14';
let sequelize: Sequelize;
let app: Express;
let gardenId = 0;
let now = new Date('2026-07-14T05:00:00Z');

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({ sequelize, wall: { now: () => now }, log: pino({ level: 'silent' }) });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});
beforeEach(async () => {
  now = new Date('2026-07-14T05:00:00Z');
  const { body } = await ask(app, 'post', '/api/gardens', {
    ...GARDEN,
    garden: { ...GARDEN.garden, clock: { mode: 'practice', date: today } },
  });
  gardenId = (body as GardenView).id;
});

const POT = {
  name: 'Pepper',
  spot: 'Terrace',
  facts: { volumeL: 10, mix: 'standard', material: 'plastic' },
  plantings: [{ cropId: 'sweet-pepper', plantedOn: '2026-05-20' }],
};
const add = async (change: object = {}): Promise<number> => {
  const { body, status } = await ask(app, 'post', `/api/gardens/${gardenId}/pots`, { ...POT, ...change });
  expect(status).toBe(201);
  return (body as { id: number }).id;
};
const shelf = async (): Promise<PotsView> =>
  (await ask(app, 'get', `/api/gardens/${gardenId}/pots`)).body as PotsView;
const potOn = async (id: number): Promise<PotView> => {
  const pot = (await shelf()).spots.flatMap(({ pots }) => pots).find((one) => one.id === id);
  if (!pot) throw new Error(`pot ${id} is not on the shelf`);
  return pot;
};
const log = (entries: object[], more: object = {}) =>
  ask(app, 'post', `/api/gardens/${gardenId}/pot-entries`, { entries, ...more });
const weigh = (potId: number, kg: number, more: object = {}, sure = false) =>
  log([{ potId, entry: { kind: 'weighed', kg, ...more } }], { sure });
const message = (answer: { body: unknown }): string =>
  (answer.body as { error: { message: string } }).error.message;
const field = (answer: { body: unknown }): string | undefined =>
  (answer.body as { error: { field?: string } }).error.field;

describe('on the shelf', () => {
  test('a pot is told, planned, and grouped with those that stand beside it', async () => {
    await add({ startWetness: 'dry' });
    await add({ name: 'Second', startWetness: 'dry' });
    await add({
      name: 'Fern',
      spot: 'Sill',
      plantings: [{ cropId: 'fern', plantedOn: '2024-01-01' }],
      facts: { ...POT.facts, stands: 'indoors' },
    });
    const { spots, totals } = await shelf();
    expect(spots.map(({ name, pots }) => [name, pots.length])).toEqual([
      ['Terrace', 2],
      ['Sill', 1],
    ]);
    expect(spots[0]?.walk.pots).toBe(2);
    expect(totals.litres).toBeCloseTo(spots[0]?.walk.litres ?? 0, 9);
    expect(spots[0]?.pots[0]?.way).toBe('drench');
    expect(spots[1]?.pots[0]?.way).toBe('exact dose');
  });
  test.each([
    [{ facts: { mix: 'standard' } }, 'Size of the pot'],
    [{ facts: { ...POT.facts, volumeL: 0 } }, 'Size of the pot must be a number from 0.05 to 2000 L; got 0'],
    [{ facts: { ...POT.facts, material: 'paper' } }, 'Material'],
    [{ facts: { ...POT.facts, volumeL: null, topM: 9 } }, 'Across the pot'],
    [{ name: ' ' }, 'Name of the pot'],
    [{ plantings: [{ cropId: 'triffid', plantedOn: '2026-05-01' }] }, 'Crop'],
  ])('%j is refused in words, and nothing is written', async (change, words) => {
    const refused = await ask(app, 'post', `/api/gardens/${gardenId}/pots`, { ...POT, ...change });
    expect(refused.status).toBe(400);
    expect(message(refused)).toContain(words);
    expect((await shelf()).spots).toEqual([]);
  });
  test('moved, it was elsewhere until that day; put away and brought back it is as it was', async () => {
    const id = await add();
    const moved = await ask(app, 'put', `/api/pots/${id}`, {
      ...POT,
      spot: 'Yard',
      facts: { ...POT.facts, sun: 'shade' },
      since: today,
    });
    expect(moved.status).toBe(200);
    await ask(app, 'patch', `/api/gardens/${gardenId}`, { clock: { mode: 'practice', date: '2026-07-16' } });
    await ask(app, 'put', `/api/pots/${id}`, { ...POT, spot: 'Steps', rootsFound: 'upper half' });
    const { body } = await ask(app, 'get', `/api/pots/${id}`);
    const page = body as PotPageView;
    expect(page.pot.spot).toBe('Steps');
    expect(page.earlier.map(({ spot, until, rootsFound }) => [spot, until, rootsFound])).toEqual([
      ['Yard', '2026-07-16', 'upper half'],
    ]);
    expect(page.log.map(({ entry }) => entry)).toContainEqual({
      kind: 'seen',
      sign: 'roots in the upper half only',
    });
    await ask(app, 'delete', `/api/pots/${id}`);
    expect((await shelf()).archived.map((pot) => pot.id)).toEqual([id]);
    await ask(app, 'post', `/api/pots/${id}/restore`);
    expect((await potOn(id)).spot).toBe('Steps');
  });
  test('a change of a pot is undone by its entry: it is as it was, and brought back as it became', async () => {
    const id = await add();
    await ask(app, 'patch', `/api/gardens/${gardenId}`, { clock: { mode: 'practice', date: '2026-07-18' } });
    const changed = await ask(app, 'put', `/api/pots/${id}`, {
      ...POT,
      facts: { ...POT.facts, volumeL: 15 },
      since: '2026-07-16',
    });
    const { settings } = changed.body as { settings: number[] };
    const size = async () => (await potOn(id)).facts.volumeL;
    expect(await size()).toBe(15);
    await ask(app, 'post', `/api/gardens/${gardenId}/entries/undo`, { ids: settings });
    expect(await size()).toBe(10);
    await ask(app, 'post', `/api/gardens/${gardenId}/entries/restore`, { ids: settings });
    expect(await size()).toBe(15);
    // What it was on its first day cannot be undone: it was something.
    const page = (await ask(app, 'get', `/api/pots/${id}`)).body as PotPageView;
    expect(page.earlier).toMatchObject([{ until: '2026-07-16', facts: { volumeL: 10 } }]);
  });
  test('six more like one, each with its own name', async () => {
    const id = await add();
    await ask(app, 'post', `/api/pots/${id}/copies`, { count: 6 });
    const names = (await shelf()).spots[0]?.pots.map(({ name }) => name);
    expect(names).toEqual(['Pepper', ...[2, 3, 4, 5, 6, 7].map((n) => `Pepper ${n}`)]);
  });
  test('somebody else’s change is not written over unseen', async () => {
    const id = await add();
    await ask(app, 'put', `/api/pots/${id}`, { ...POT, notes: 'theirs', version: 0 });
    const mine = await ask(app, 'put', `/api/pots/${id}`, { ...POT, notes: 'mine', version: 0 });
    expect(mine.status).toBe(409);
  });
});

describe('written down', () => {
  test('what it asks for is given, settles it for today, and can be taken back', async () => {
    const id = await add({ startWetness: 'dry' });
    const { give } = await potOn(id);
    const { body } = await log([
      {
        potId: id,
        entry: { kind: 'given', millilitres: Math.round(give?.millilitres ?? 0), how: give?.how },
      },
    ]);
    const given = await potOn(id);
    expect(given.give).toBeNull();
    expect(given.leave).toEqual({ code: 'seen to today' });
    expect(given.heldMl).toBeGreaterThan(0.995 * given.holdsMl);
    await ask(app, 'post', `/api/gardens/${gardenId}/pot-entries/remove`, body as object);
    expect((await potOn(id)).give).toEqual(give);
    await ask(app, 'post', `/api/gardens/${gardenId}/pot-entries/restore`, body as object);
    expect((await potOn(id)).give).toBeNull();
  });
  test('weights: heavier a day later without water, and a loss larger than the pot, are refused; odd ones are asked about once', async () => {
    const id = await add({ facts: { ...POT.facts, volumeL: 2 } });
    await weigh(id, 1.7, { full: true });
    const heavier = await weigh(id, 1.9);
    expect(heavier.status).toBe(400);
    expect(message(heavier)).toContain('1.7 kg');
    const gone = await weigh(id, 0.5);
    expect(gone.status).toBe(400);
    const odd = await weigh(id, 1.0);
    expect([odd.status, field(odd)]).toEqual([400, 'sure']);
    expect((await potOn(id)).lastKg).toBe(1.7);
    expect((await weigh(id, 1.0, {}, true)).status).toBe(201);
    expect((await potOn(id)).lastKg).toBe(1.0);
  });
  test('a meter over 100 %, water of no litres and a day to come are refused by their field', async () => {
    const id = await add();
    const answers = await Promise.all([
      log([{ potId: id, entry: { kind: 'meter', pct: 130 } }]),
      log([{ potId: id, entry: { kind: 'given', millilitres: 0 } }]),
      log([{ potId: id, entry: { kind: 'left' }, date: '2026-07-20' }]),
      log([{ potId: 9999, entry: { kind: 'left' } }]),
    ]);
    expect(answers.map(({ status }) => status)).toEqual([400, 400, 400, 404]);
    expect(message(answers[0])).toContain('from 0 to 100 %');
    expect((await potOn(id)).today).toEqual([]);
  });
  test('of a walk with one pot that cannot be, nothing is written', async () => {
    const id = await add({ startWetness: 'dry' });
    const before = await potOn(id);
    const half = await log([
      { potId: id, entry: { kind: 'given', millilitres: 500 } },
      { potId: 9999, entry: { kind: 'given', millilitres: 500 } },
    ]);
    expect(half.status).toBe(404);
    expect(await potOn(id)).toEqual(before);
  });
  test('pH: read, judged, taken back; 15 is refused', async () => {
    expect((await ask(app, 'post', `/api/gardens/${gardenId}/ph`, { ph: 15, of: 'tap' })).status).toBe(400);
    const { body } = await ask(app, 'post', `/api/gardens/${gardenId}/ph`, { ph: 8.4, of: 'tap' });
    await add();
    expect((await shelf()).water.ph).toMatchObject([{ ph: 8.4, of: 'tap', verdict: 'far too hard' }]);
    await ask(app, 'post', `/api/gardens/${gardenId}/pot-entries/remove`, body as object);
    expect((await shelf()).water.ph).toEqual([]);
  });
});

describe('by the clock', () => {
  const tray = {
    kind: 'tray',
    spot: 'Bench',
    startWetness: 'drying',
    facts: { trough: true, topM: 0.36, baseM: 0.22, heightM: 0.055, mix: 'seed', material: 'plastic' },
  };
  const step = (id: number, body: object) => ask(app, 'post', `/api/sequences/${id}`, body);
  test('two trays through their soak: two taps are one step, and what they took up is written down at its end', async () => {
    const ids = [await add({ ...tray, name: 'A' }), await add({ ...tray, name: 'B' })];
    const { body } = await ask(app, 'post', `/api/gardens/${gardenId}/sequences`, {
      kind: 'tray soak',
      potIds: ids,
    });
    const { id } = body as { id: number };
    const [begun] = (await shelf()).sequences;
    expect(begun?.names).toEqual(['A', 'B']);
    expect(begun?.water?.litres).toBeGreaterThan(begun?.water?.bathL ?? 99);
    const again = await ask(app, 'post', `/api/gardens/${gardenId}/sequences`, {
      kind: 'tray soak',
      potIds: ids,
    });
    expect(again.status).toBe(409);
    now = new Date('2026-07-14T05:31:00Z');
    await step(id, { act: 'next', from: 0 });
    await step(id, { act: 'next', from: 0 });
    expect((await shelf()).sequences[0]).toMatchObject({ step: 1, stepAt: '2026-07-14T05:31:00.000Z' });
    const steps = begun?.steps.length ?? 0;
    for (let at = 1; at < steps; at += 1) await step(id, { act: 'next', from: at });
    expect((await shelf()).sequences).toEqual([]);
    for (const potId of ids) {
      const pot = await potOn(potId);
      // What went between dawn and the bath it took up besides.
      expect(pot.heldMl).toBeGreaterThan(0.97 * pot.holdsMl);
      expect(pot.today[0]?.entry).toMatchObject({ kind: 'given', how: 'from below' });
    }
    expect((await step(id, { act: 'next', from: 3 })).status).toBe(409);
  });
  test('a rescue ends with “recovered”; given up, nothing is written', async () => {
    const id = await add({ startWetness: 'dry' });
    const begin = async (): Promise<number> =>
      (
        (await ask(app, 'post', `/api/gardens/${gardenId}/sequences`, { kind: 'rescue', potIds: [id] }))
          .body as { id: number }
      ).id;
    const first = await begin();
    await step(first, { act: 'give up' });
    expect((await shelf()).sequences).toEqual([]);
    // Given up by mistake: its clock goes on as it was. What is over is not taken up.
    await step(first, { act: 'take up' });
    expect((await shelf()).sequences.map((one) => one.id)).toEqual([first]);
    await step(first, { act: 'give up' });
    expect((await potOn(id)).today).toEqual([]);
    const rescue = await begin();
    for (const from of [0, 1, 2]) await step(rescue, { act: 'next', from });
    expect((await potOn(id)).today.map(({ entry }) => entry.kind).sort()).toEqual(['given', 'seen']);
    expect((await step(rescue, { act: 'take up' })).status).toBe(409);
  });
  test('a batch keeps its count; feed halves the dose; no litres is refused', async () => {
    const refused = await ask(app, 'post', `/api/gardens/${gardenId}/sequences`, {
      kind: 'acid batch',
      litres: 0,
    });
    expect(refused.status).toBe(400);
    const { body } = await ask(app, 'post', `/api/gardens/${gardenId}/sequences`, {
      kind: 'acid batch',
      litres: 19,
      feed: false,
    });
    await add();
    await step((body as { id: number }).id, { act: 'count', count: 3 });
    const [batch] = (await shelf()).sequences;
    expect(batch).toMatchObject({ count: 3, batch: { litres: 19, whole: 5 } });
    expect(batch?.batch?.millilitres).toBeCloseTo(24.7, 1);
  });
});

describe('beds and pots', () => {
  test('a bed that is a pot becomes one, with its plant and the way to its log', async () => {
    const { body } = await ask(app, 'get', `/api/gardens/${gardenId}`);
    const [bed] = (body as GardenView).beds;
    const made = await ask(app, 'post', `/api/beds/${bed?.id}/pot`, {
      spot: 'Terrace',
      facts: { volumeL: 30 },
    });
    expect(made.status).toBe(201);
    const page = (await ask(app, 'get', `/api/pots/${(made.body as { id: number }).id}`)).body as PotPageView;
    expect(page.pot.name).toBe(bed?.name);
    expect(page.pot.plantings.map(({ cropId }) => cropId)).toEqual(
      bed?.plantings.map(({ cropId }) => cropId),
    );
    expect(page.fromBed).toEqual({ id: bed?.id, name: bed?.name });
    const after = (await ask(app, 'get', `/api/gardens/${gardenId}`)).body as GardenView;
    expect(after.beds[0]?.archived).toBe(true);
  });
  test('a plant leaves its pot for a bed and stands there from that day', async () => {
    const id = await add();
    const { body } = await ask(app, 'get', `/api/gardens/${gardenId}`);
    const bedId = (body as GardenView).beds[0]?.id ?? 0;
    expect((await ask(app, 'post', `/api/pots/${id}/plant-out`, { bedId: 4711 })).status).toBe(400);
    const full = await ask(app, 'post', `/api/pots/${id}/plant-out`, { bedId });
    expect(full.status).toBe(409);
    expect(message(full)).toContain('has no room');
    const [planting] = (body as GardenView).beds[0]?.plantings ?? [];
    await ask(app, 'put', `/api/beds/${bedId}/plantings/${planting?.id}`, {
      cropId: planting?.cropId,
      plantedOn: planting?.plantedOn,
      share: 0.7,
    });
    const out = await ask(app, 'post', `/api/pots/${id}/plant-out`, { bedId });
    expect(out.status).toBe(200);
    const after = (await ask(app, 'get', `/api/gardens/${gardenId}`)).body as GardenView;
    expect(after.beds[0]?.plantings.map(({ cropId, plantedOn }) => [cropId, plantedOn])).toContainEqual([
      'sweet-pepper',
      today,
    ]);
    expect((await shelf()).archived.map((pot) => pot.id)).toEqual([id]);
  });
  test('pots come first: what they take of a day’s litres the beds do not have', async () => {
    const fortnight = async (): Promise<number> =>
      (
        (await ask(app, 'get', `/api/gardens/${gardenId}/fortnight`)).body as { perDay: { litres: number }[] }
      ).perDay.reduce((most, day) => Math.max(most, day.litres), 0);
    await ask(app, 'patch', `/api/gardens/${gardenId}`, { limits: { litresPerDay: 40 } });
    const alone = await fortnight();
    expect(alone).toBeGreaterThan(25);
    const id = await add({ startWetness: 'dry', facts: { ...POT.facts, volumeL: 60 } });
    await ask(app, 'post', `/api/pots/${id}/copies`, { count: 5 });
    const taken = (await shelf()).perDay.reduce((sum, { litres }) => sum + litres, 0) / 14;
    expect(taken).toBeGreaterThan(5);
    expect(await fortnight()).toBeLessThanOrEqual(Math.max(4, 40 - taken) + 1e-6);
  });
});
