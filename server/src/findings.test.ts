import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BedView, GardenView, TryView, WorkingView } from '@kibble/contract';
import { leaves, type Working } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { EntryRow } from './db/models.ts';
import { freshDatabase } from '../tests/fresh.ts';
import type { WallClock } from './services/clock.ts';

let now = new Date('2026-07-14T08:00:00Z');
const wall: WallClock = { now: () => now };
const dir = mkdtempSync(join(tmpdir(), 'kibble-findings-'));
let sequelize: Sequelize;
let app: Express;
let gardenId = 0;
let bedId = 0;
let otherId = 0;

const bedOf = (name: string, method: string) => ({
  name,
  areaM2: 10,
  textureClass: 'loam',
  planting: { cropId: 'tomato', plantedOn: '2026-05-10' },
  delivery: { method, litresPerMinute: 12 },
});

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) });
  const made = await ask(app)
    .post('/api/gardens')
    .send({
      garden: {
        name: 'Test ground',
        latitudeDeg: 47,
        timeZone: 'UTC',
        clock: { mode: 'practice', date: '2026-07-14' },
      },
      bed: bedOf('Tomatoes', 'hose wand'),
    });
  gardenId = made.body.id;
  bedId = made.body.beds[0].id;
  otherId = (await ask(app).post(`/api/gardens/${gardenId}/beds`).send(bedOf('Peppers', 'hose wand'))).body
    .id;
});
afterAll(async () => {
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const garden = async (): Promise<GardenView> => (await ask(app).get(`/api/gardens/${gardenId}`)).body;
const bed = async (id: number): Promise<BedView> => {
  const found = (await garden()).beds.find((b) => b.id === id);
  if (!found) throw new Error(`bed ${id} must be there`);
  return found;
};
const find = (body: object) => ask(app).post(`/api/gardens/${gardenId}/findings`).send(body);
const working = async (of: string, id = bedId): Promise<Working> => {
  const view = (await ask(app).get(`/api/beds/${id}/working/${of}`)).body as WorkingView;
  if (!view.working) throw new Error(`${of} must have a working`);
  return view.working;
};
const flow = async (id = bedId): Promise<Working> => {
  const tree = await working('rate', id);
  const leaf = leaves(tree).find(({ label }) => label === 'Flow');
  if (!leaf) throw new Error('rate must rest on a flow');
  return leaf;
};

describe('a measurement changes what follows from it', () => {
  test('a bucket: the working says measured and when; undo brings the guess back', async () => {
    expect((await flow()).provenance.kind).toBe('assumed');
    const kept = await find({ bedId, input: { kind: 'bucket', litres: 20, seconds: 50 } });
    expect(kept.status).toBe(201);
    expect(await flow()).toMatchObject({ value: 24, provenance: { kind: 'measured', on: '2026-07-14' } });
    expect((await working('minutes')).value).toBeCloseTo((await working('litres')).value / 24, 6);
    await ask(app).delete(`/api/findings/${kept.body.id}`);
    expect((await flow()).value).toBe(12);
    await ask(app).post(`/api/findings/${kept.body.id}/restore`);
    expect((await flow()).value).toBe(24);
    await ask(app).delete(`/api/findings/${kept.body.id}`);
  });

  test('a figure tried in the working is shown before it is kept, and nothing is written', async () => {
    const rows = await EntryRow.count();
    const tried = (
      await ask(app)
        .post(`/api/beds/${bedId}/try`)
        .send({ inputs: [{ kind: 'told', field: 'area', value: 20 }], of: 'litres' })
    ).body as TryView;
    // Twice the area under the same tap is half the rate.
    expect(tried.after.rateMmPerHour).toBeCloseTo((tried.before.rateMmPerHour ?? 0) / 2, 6);
    expect(tried.working?.value).toBeCloseTo(tried.after.litres ?? 0, 6);
    expect(await EntryRow.count()).toBe(rows);
  });

  test('every number that can be opened comes down to leaves with a source', async () => {
    for (const of of [
      'minutes',
      'litres',
      'depth',
      'gone',
      'spare',
      'use',
      'reaches',
      'rate',
      'fortnight',
      'rain',
      'lost',
    ]) {
      const tree = await working(of);
      expect(Number.isFinite(tree.value)).toBe(true);
      for (const leaf of leaves(tree))
        expect(leaf.provenance.kind).toMatch(/measured|told|table|assumed|worked out/);
    }
    const none = await ask(app).get(`/api/beds/${bedId}/working/colour`);
    expect(none.status).toBe(400);
    expect(none.body.error.message).toMatch(/Number must be one of .*got "colour"/);
  });
});

describe('taps and shared ground', () => {
  // A flow that is measured tells what earlier minutes were worth: what the preview says is what is kept.
  test('what is tried of a bucket is what comes of it, the waterings of before among it', async () => {
    const input = { kind: 'bucket', litres: 20, seconds: 240 };
    const on = (date: string) =>
      ask(app).post(`/api/beds/${otherId}/waterings`).send({ minutes: 40, on: date, asPlanned: true });
    for (const date of ['2026-07-05', '2026-07-11']) expect((await on(date)).status).toBeLessThan(300);
    const tried = (
      await ask(app)
        .post(`/api/beds/${otherId}/try`)
        .send({ inputs: [input] })
    ).body as TryView;
    const kept = await find({ bedId: otherId, input });
    const after = (await ask(app).post(`/api/beds/${otherId}/try`).send({ inputs: [] })).body as TryView;
    expect(tried.after).toEqual(after.before);
    expect(tried.after).not.toEqual(tried.before);
    await ask(app).delete(`/api/findings/${(kept.body as { id: number }).id}`);
  });
  test('a bucket at the tap serves the beds that draw from it, until another nozzle is put on', async () => {
    const tap = (await ask(app).post(`/api/gardens/${gardenId}/taps`).send({ name: 'Shed', nozzle: 'wand' }))
      .body;
    await find({ tapId: tap.id, input: { kind: 'bucket', litres: 15, seconds: 45 } });
    expect((await flow()).value).toBe(12);
    await ask(app).patch(`/api/beds/${bedId}/links`).send({ tapId: tap.id });
    expect(await flow()).toMatchObject({ value: 20, provenance: { kind: 'measured', on: '2026-07-14' } });
    const change = (body: object) =>
      ask(app)
        .put(`/api/taps/${tap.id}`)
        .send({ name: 'Shed', ...body });
    // The same one under another name changes nothing.
    await change({ nozzle: 'wand with a rose', sameNozzle: true });
    expect(await flow()).toMatchObject({ value: 20, provenance: { kind: 'measured' } });
    const late = await change({ nozzle: 'open hose', since: '2026-07-15' });
    expect([late.status, late.body.error.message]).toEqual([
      400,
      'On it since must be 2026-07-14 (today) or earlier; got 2026-07-15',
    ]);
    // One that was on it before the bucket was timed was timed with it.
    await change({ nozzle: 'open hose', since: '2026-07-10' });
    expect(await flow()).toMatchObject({ value: 20, provenance: { kind: 'measured' } });
    await change({ nozzle: 'sprinkler' });
    expect((await flow()).provenance).toMatchObject({ stale: expect.stringMatching(/nozzle/) });
    await ask(app).patch(`/api/beds/${bedId}/links`).send({ tapId: null });
  });

  test('beds on one ground share its tests, not its slope', async () => {
    await ask(app).patch(`/api/beds/${otherId}/links`).send({ groundOf: bedId });
    await find({ bedId, input: { kind: 'jar', horizon: 'top', sandMm: 70, siltMm: 20, clayMm: 10 } });
    await find({
      bedId,
      input: { kind: 'site', slopePct: 9, sun: 'full', wind: 'open', wall: false, crusted: false },
    });
    const kinds = (await bed(otherId)).findings.map((f) => f.input.kind);
    expect(kinds).toEqual(['jar']);
    // Said the other way round it is the same: one ground under both.
    const round = await ask(app).patch(`/api/beds/${bedId}/links`).send({ groundOf: otherId });
    expect(round.status).toBe(200);
    expect((await bed(otherId)).groundId).toBe((await bed(bedId)).groundId);
  });
});

describe('tests under way', () => {
  test('a draft with a running clock is there for every tab and goes when it is dropped', async () => {
    const startedAt = now.getTime();
    const put = await ask(app)
      .put(`/api/gardens/${gardenId}/drafts/bucket:bed-1`)
      .send({ body: { startedAt, litres: '15' } });
    expect(put.status).toBe(200);
    now = new Date(startedAt + 3_600_000);
    await ask(app)
      .put(`/api/gardens/${gardenId}/drafts/bucket:bed-1`)
      .send({ body: { startedAt, litres: '15', seconds: '4' } });
    const all = (await ask(app).get(`/api/gardens/${gardenId}/drafts`)).body;
    expect(all).toHaveLength(1);
    expect(all[0].body).toEqual({ startedAt, litres: '15', seconds: '4' });
    await ask(app).delete(`/api/gardens/${gardenId}/drafts/bucket:bed-1`);
    expect((await ask(app).get(`/api/gardens/${gardenId}/drafts`)).body).toEqual([]);
  });
});

describe('bad readings', () => {
  test.each([
    [{ kind: 'bucket', litres: 10, seconds: 0 }, /Seconds must be a number from 0.1 to 86400 s; got 0/],
    [{ kind: 'bucket', litres: -4, seconds: 30 }, /The bucket must be a number from 0.01 to 1000 L; got -4/],
    [{ kind: 'cans', grid: [[-3]], minutes: 30 }, /Depth in the can must be a number from 0 .*got -3/],
    [
      { kind: 'cans', grid: [[120]], minutes: 30, canHeightMm: 100 },
      /at most its own height of 100 mm; got 120/,
    ],
    [{ kind: 'cans', grid: [[0, 0]], minutes: 30 }, /At least one can/],
    [{ kind: 'jar', horizon: 'top', sandMm: 0, siltMm: 0, clayMm: 0 }, /nothing has settled/],
    [{ kind: 'dig', topsoilMm: 400, rockMm: 300 }, /Rock .* at or below the topsoil, 400 mm; got 300 mm/],
    [{ kind: 'hole', fallMm: 30, minutes: -5 }, /Minutes must be a number from 0.01 to 10080 min; got -5/],
    [
      {
        kind: 'drip',
        bedLengthM: 5,
        bedWidthM: 1,
        lines: 2,
        insetM: 0.7,
        emitterSpacingM: 0.3,
        emitterLitresPerHour: 2,
      },
      /Inset .* at most half the bed, 0.5 m; got 0.7/,
    ],
    [{ kind: 'soaker', litres: 1, minutes: 5, caughtM: 20, lengthM: 10 }, /at most the length of the hose/],
    [
      { kind: 'told', field: 'wettedShare', value: 3 },
      /Share that gets wet must be a number from 5 to 100 %; got 300/,
    ],
    [
      { kind: 'feel', horizon: 'top', answers: { ball: true, ribbon: true, rub: 'smooth' } },
      /Length of the ribbon/,
    ],
    [
      { kind: 'depth', tool: 'probe', pointsMm: [], targetMm: 200, minutes: 20, mulchMoved: true },
      /at least one/,
    ],
  ])('%j is refused by name, and nothing is stored', async (input, message) => {
    const rows = await EntryRow.count();
    const answer = await find({ bedId, input });
    expect(answer.status).toBe(400);
    expect(answer.body.error.message).toMatch(message);
    expect(await EntryRow.count()).toBe(rows);
  });

  test('99 L/min from a garden tap is asked about first, and kept when it was meant', async () => {
    const odd = { bedId, input: { kind: 'bucket', litres: 99, seconds: 60 } };
    const asked = await find(odd);
    expect(asked.status).toBe(409);
    expect(asked.body.error).toMatchObject({
      code: 'needs-consent',
      message: expect.stringMatching(/99 L\/min/),
    });
    const kept = await find({ ...odd, confirmed: true });
    expect(kept.status).toBe(201);
    await ask(app).delete(`/api/findings/${kept.body.id}`);
  });

  test('neither of both, a bed of another garden, or a day to come', async () => {
    const input = { kind: 'bucket', litres: 10, seconds: 60 };
    expect((await find({ input })).status).toBe(400);
    expect((await find({ bedId: 999, input })).status).toBe(404);
    const later = await find({ bedId, input, on: '2026-08-01' });
    expect(later.body.error).toMatchObject({ code: 'invalid', field: 'on' });
    expect((await find({ tapId: 1, input: { kind: 'pooling', minutes: 5 } })).status).toBe(400);
  });
});

describe('plantings, stages and copies', () => {
  const plant = (body: object, id = otherId) => ask(app).post(`/api/beds/${id}/plantings`).send(body);

  test('neighbours share the bed; more than the bed is refused and nothing is stored', async () => {
    const view = await bed(otherId);
    const own = view.plantings[0];
    await ask(app)
      .put(`/api/beds/${otherId}/plantings/${own?.id}`)
      .send({ cropId: 'tomato', plantedOn: '2026-05-15', share: 0.6 });
    expect((await plant({ cropId: 'lettuce', plantedOn: '2026-06-01', share: 0.4 })).status).toBe(201);
    const full = await plant({ cropId: 'onion', plantedOn: '2026-06-10', share: 0.2 });
    expect(full.status).toBe(400);
    expect(full.body.error.message).toMatch(/up to 100 % of the bed; got 120 % on 2026-06-10/);
    const back = await plant({
      cropId: 'onion',
      plantedOn: '2026-06-10',
      endedOn: '2026-06-01',
      share: 0.01,
    });
    expect(back.body.error.message).toMatch(/must not be before its planting/);
    expect((await bed(otherId)).plantings).toHaveLength(2);
    expect((await bed(otherId)).planting?.cropId).toBe('tomato');
  });

  test('an earlier planting moves the beginning of the balance; the last one goes and comes back', async () => {
    const made = await plant({ cropId: 'radish', plantedOn: '2026-04-01', endedOn: '2026-05-10' });
    expect((await bed(otherId)).startOn).toBe('2026-04-01');
    await ask(app).delete(`/api/plantings/${made.body.id}`);
    expect((await bed(otherId)).startOn).toBe('2026-05-15');
    const only = (await bed(bedId)).plantings[0];
    const emptied = await ask(app).delete(`/api/plantings/${only?.id}`);
    expect(emptied.status).toBe(200);
    expect(await bed(bedId)).toMatchObject({ planting: null, plantings: [] });
    expect((await ask(app).post(`/api/plantings/${only?.id}/restore`)).status).toBe(200);
  });

  test('a stage seen today stands in the calendar; a plant of one’s own can be planted, another garden’s cannot', async () => {
    const planting = (await bed(bedId)).planting;
    await find({ bedId, input: { kind: 'stage', plantingId: planting?.id, stage: 'in full leaf' } });
    expect((await bed(bedId)).planting?.seen).toEqual([{ stage: 'in full leaf', on: '2026-07-14' }]);
    const own = await ask(app)
      .post(`/api/gardens/${gardenId}/crops`)
      .send({ name: 'Long red', likeId: 'sweet-pepper', rootDepthM: 0.4 });
    expect(own.body.id).toMatch(/^own-\d+$/);
    const lettuce = (await bed(otherId)).plantings.find((p) => p.cropId === 'lettuce');
    const put = await ask(app)
      .put(`/api/beds/${otherId}/plantings/${lettuce?.id}`)
      .send({ cropId: own.body.id, plantedOn: '2026-06-01', share: 0.4 });
    expect(put.status).toBe(200);
    expect((await bed(otherId)).plantings.map((p) => p.cropName)).toContain('Long red');
    const strange = await plant({ cropId: 'own-999', plantedOn: '2026-06-01', share: 0.01 });
    expect(strange.body.error.message).toMatch(/one of this garden's plants; got "own-999"/);
  });

  test('copies are named on, carry plants and ground, and no log', async () => {
    const made = await ask(app).post(`/api/beds/${otherId}/copies`).send({ count: 3 });
    const ids = made.body.ids as number[];
    expect(ids).toHaveLength(3);
    const copy = await bed(ids[2] ?? 0);
    expect(copy).toMatchObject({ name: 'Peppers 4', groundId: (await bed(bedId)).groundId });
    expect(copy.plantings.map((p) => p.share)).toEqual([0.6, 0.4]);
    const none = await ask(app).post(`/api/beds/${otherId}/copies`).send({ count: 0 });
    expect(none.body.error.message).toMatch(/How many beds must be a number from 1 to 200 beds; got 0/);
  });

  test('the section holds every standing bed, on the same days, and pages', async () => {
    const section = (await ask(app).get(`/api/gardens/${gardenId}/section?sort=urgency`)).body;
    expect(section.total).toBe(5);
    expect(section.beds[0].days).toHaveLength(section.dates.length);
    const other = (await ask(app).get(`/api/gardens/${gardenId}/section?words=pepp&offset=1`)).body;
    expect(other).toMatchObject({ total: 4, offset: 1 });
    expect(other.beds).toHaveLength(3);
  });
});
