import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import type { BedPageView, EntriesAnswer, EntryDraft, GardenView, PotPageView } from '@kibble/contract';
import { ENTRY_KINDS, type EntryKind } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN, POT } from '../tests/oneBed.ts';
import { EntryRow } from './db/models.ts';

const root = mkdtempSync(join(tmpdir(), 'kibble-log-'));
const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
let sequelize: Sequelize;
let app: Express;
let n = 0;

beforeEach(async () => {
  sequelize = await freshDatabase(join(root, `${(n += 1)}.sqlite`));
  app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) });
  await ask(app).post('/api/gardens').send(GARDEN);
  await ask(app).post('/api/gardens/1/pots').send(POT);
  await ask(app).post('/api/gardens/1/taps').send({ name: 'Shed', nozzle: 'wand' });
});
afterEach(async () => {
  await settled(app);
  await sequelize.close();
});
afterAll(() => rmSync(root, { recursive: true, force: true }));

interface Answered {
  status: number;
  body: EntriesAnswer & { error: { code: string; message: string; field?: string } };
}
const send = (entries: EntryDraft[], more: object = {}): Promise<Answered> =>
  ask(app)
    .post('/api/gardens/1/entries')
    .send({ entries, ...more });
const mark = (how: 'undo' | 'restore', ids: number[]): Promise<Answered> =>
  ask(app).post(`/api/gardens/1/entries/${how}`).send({ ids });
const bed = { kind: 'bed', id: 1 } as const;
const pot = { kind: 'pot', id: 1 } as const;
const garden = { kind: 'garden', id: 1 } as const;
const page = async (): Promise<BedPageView> => (await ask(app).get('/api/beds/1')).body as BedPageView;
const planting = 1;

/** One entry of every kind that is entered here; what a bed is, is entered by its form. */
const ONE_OF_EACH: { readonly [K in EntryKind]?: EntryDraft } = {
  watering: { subject: bed, body: { kind: 'watering', litres: 40 } },
  skip: { subject: bed, body: { kind: 'skip', reason: 'feels moist' } },
  rain: { subject: garden, body: { kind: 'rain', rainMm: 3 }, on: '2026-07-12' },
  'manual forecast': {
    subject: garden,
    body: { kind: 'manual forecast', forecast: { heat: 'hot' } },
    on: '2026-07-15',
  },
  ph: { subject: garden, body: { kind: 'ph', ph: 7.1, of: 'tap' } },
  'task done': {
    subject: garden,
    body: {
      kind: 'task done',
      code: 'heat wave',
      act: 'ready the beds',
      from: '2026-07-15',
      until: '2026-07-17',
      badness: 33,
    },
  },
  given: { subject: pot, body: { kind: 'given', millilitres: 700 } },
  left: { subject: pot, body: { kind: 'left' } },
  'dry spell': { subject: pot, body: { kind: 'dry spell', what: 'start', days: 6 } },
  weighed: { subject: pot, body: { kind: 'weighed', kg: 7 } },
  heft: { subject: pot, body: { kind: 'heft', felt: 'light' } },
  meter: { subject: pot, body: { kind: 'meter', pct: 20 } },
  finger: { subject: pot, body: { kind: 'finger', found: 'dry' } },
  seen: { subject: pot, body: { kind: 'seen', sign: 'droops' } },
  feel: {
    subject: bed,
    body: {
      kind: 'feel',
      horizon: 'top',
      answers: { ball: true, ribbon: true, ribbonLength: '25 to 50 mm', rub: 'gritty' },
    },
  },
  jar: { subject: bed, body: { kind: 'jar', horizon: 'top', sandMm: 40, siltMm: 30, clayMm: 20 } },
  dig: { subject: bed, body: { kind: 'dig', topsoilMm: 260 } },
  hole: { subject: bed, body: { kind: 'hole', fallMm: 30, minutes: 60 } },
  pot: { subject: bed, body: { kind: 'pot', path: 'evenly down', fallMm: 20, minutes: 10 } },
  dye: { subject: bed, body: { kind: 'dye', path: 'evenly down', depthMm: 200 } },
  site: {
    subject: bed,
    body: { kind: 'site', slopePct: 2, sun: 'full', wind: 'open', wall: false, crusted: false },
  },
  filled: { subject: bed, body: { kind: 'filled', fill: 'compost', depthMm: 250 } },
  organic: { subject: bed, body: { kind: 'organic', organicMatterPct: 4 } },
  bucket: { subject: { kind: 'tap', id: 1 }, body: { kind: 'bucket', litres: 12, seconds: 50 } },
  cans: { subject: bed, body: { kind: 'cans', grid: [[6, 7, 8]], minutes: 30 } },
  drip: {
    subject: bed,
    body: {
      kind: 'drip',
      bedLengthM: 10,
      bedWidthM: 1,
      lines: 2,
      insetM: 0.25,
      emitterSpacingM: 0.3,
      emitterLitresPerHour: 2,
    },
  },
  soaker: { subject: bed, body: { kind: 'soaker', litres: 2, minutes: 10, caughtM: 1, lengthM: 10 } },
  'slow-bucket': { subject: bed, body: { kind: 'slow-bucket', litres: 12, minutesToEmpty: 20, buckets: 2 } },
  pooling: { subject: bed, body: { kind: 'pooling', minutes: 12 } },
  spread: { subject: bed, body: { kind: 'spread', widthM: 0.3, spacingM: 0.4 } },
  told: { subject: bed, body: { kind: 'told', field: 'area', value: 11 } },
  depth: {
    subject: bed,
    body: { kind: 'depth', tool: 'probe', pointsMm: [180], targetMm: 250, minutes: 60, mulchMoved: false },
  },
  look: {
    subject: bed,
    body: { kind: 'look', tool: 'finger', depthMm: 80, state: 'damp', mulchMoved: false },
  },
  stage: { subject: bed, body: { kind: 'stage', plantingId: planting, stage: 'in full leaf' } },
  up: { subject: bed, body: { kind: 'up', plantingId: planting } },
  stand: { subject: bed, body: { kind: 'stand', plantingId: planting, lost: 1 } },
  mulch: { subject: bed, body: { kind: 'mulch', what: 'looked at' } },
  wilt: { subject: bed, body: { kind: 'wilt', recovers: true } },
  toughen: { subject: bed, body: { kind: 'toughen', plantingId: planting, what: 'end', days: 5 } },
  'own line': { subject: bed, body: { kind: 'own line', plantingId: planting, share: 0.5 } },
  plan: { subject: bed, body: { kind: 'plan', date: '2026-07-16', to: '2026-07-17' } },
  amended: { subject: bed, body: { kind: 'amended', material: 'compost', depthMm: 30 } },
  changed: { subject: bed, body: { kind: 'changed', what: 'nozzle' } },
};

describe('one log', () => {
  const kinds = Object.entries(ENTRY_KINDS).filter(([, { sort }]) => sort !== 'setting');
  test.each(kinds)('%s is entered, undone and brought back by one address each', async (kind, facts) => {
    const draft = ONE_OF_EACH[kind as EntryKind];
    if (!draft) throw new Error(`no example of ${kind}`);
    const made = await send([draft], { sure: true });
    expect([kind, made.status, made.body.error?.message]).toEqual([kind, 201, undefined]);
    const [id = 0] = made.body.ids;
    const row = await EntryRow.findByPk(id, { raw: true });
    expect(row).toMatchObject({ kind, sort: facts.sort, source: 'person', version: row?.version });
    expect(facts.subjects).toContain(row?.subjectKind);
    expect((await mark('undo', [id])).body.ids).toEqual([id]);
    expect((await EntryRow.findByPk(id))?.removedAt).not.toBeNull();
    expect((await mark('restore', [id])).status).toBe(200);
    expect((await EntryRow.findByPk(id))?.removedAt).toBeNull();
  });

  test('several stand or fall together, and the one that is wrong is named', async () => {
    const before = await EntryRow.count();
    const { status, body } = await send([
      { subject: bed, body: { kind: 'watering', litres: 30 } },
      { subject: pot, body: { kind: 'given', millilitres: 500 } },
      { subject: { kind: 'bed', id: 7 }, body: { kind: 'watering', litres: 30 } },
    ]);
    expect([status, body.error.message]).toEqual([404, 'There is no bed 7.']);
    expect(await EntryRow.count()).toBe(before);
  });

  test('what it is of must fit what it says', async () => {
    const { status, body } = await send([{ subject: pot, body: { kind: 'watering', litres: 30 } }]);
    expect([status, body.error.field]).toEqual([400, 'subject.kind']);
    expect(body.error.message).toBe('Subject of this entry must be a bed; got a pot');
    const other = await send([
      { subject: { kind: 'garden', id: 2 }, body: { kind: 'ph', ph: 7, of: 'tap' } },
    ]);
    expect(other.status).toBe(404);
  });

  test('a second watering of a day is asked about once, and taken when somebody is sure', async () => {
    const water = (more: object = {}) =>
      send([{ subject: bed, body: { kind: 'watering', litres: 30 } }], more);
    expect((await water()).status).toBe(201);
    const asked = await water();
    expect([asked.status, asked.body.error.code]).toEqual([409, 'needs-consent']);
    expect((await water({ sure: true })).status).toBe(201);
  });

  test('an entry of another garden is not undone from this one', async () => {
    await ask(app).post('/api/gardens').send(GARDEN);
    const made = await send([{ subject: bed, body: { kind: 'watering', litres: 30 } }]);
    const answer = await ask(app).post('/api/gardens/2/entries/undo').send({ ids: made.body.ids });
    expect(answer.status).toBe(404);
  });

  test('a watering tells what of the round is another for it; what happened stands on the bed’s page', async () => {
    await ask(app).get('/api/gardens/1/round');
    const { body } = await send([{ subject: bed, body: { kind: 'watering', litres: 55 }, note: 'Slowly' }]);
    expect(body.events).toMatchObject([{ bedId: 1, litres: 55, note: 'Slowly', told: 'litres' }]);
    expect(body.changed).toMatchObject({ date: '2026-07-14' });
    expect((await page()).events).toMatchObject([{ id: body.ids[0], litres: 55 }]);
    const undone = await mark('undo', body.ids);
    expect(undone.body.changed).toMatchObject({ date: '2026-07-14' });
    expect((await page()).events).toEqual([]);
  });

  test('what a bed was since a day is undone and brought back, and so is what it had superseded', async () => {
    const mulched = async () => ((await ask(app).get('/api/gardens/1')).body as GardenView).beds[0]?.mulchMm;
    const lay = async (mulchMm: number, since: string) =>
      (
        (await ask(app)
          .put('/api/beds/1')
          .send({ ...GARDEN.bed, mulchMaterial: 'straw', mulchMm, since })) as unknown as {
          body: { settings: number[] };
        }
      ).body.settings;
    const first = await lay(40, '2026-07-10');
    const second = await lay(80, '2026-07-10');
    expect(await mulched()).toBe(80);
    await mark('undo', second);
    expect(await mulched()).toBe(40);
    expect((await mark('restore', second)).status).toBe(200);
    expect(await mulched()).toBe(80);
    const taken = await mark('restore', first);
    expect([taken.status, taken.body.error.code]).toEqual([409, 'conflict']);
  });

  test('a pot’s entries bear their hour and stand on its page', async () => {
    const { body } = await send([
      { subject: pot, body: { kind: 'given', millilitres: 900 }, hour: 19.5 },
      { subject: pot, body: { kind: 'finger', found: 'damp' } },
    ]);
    const of = (await ask(app).get('/api/pots/1')).body as PotPageView;
    expect(of.log.map(({ id }) => id).sort()).toEqual([...body.ids].sort());
    expect((await EntryRow.findByPk(body.ids[0]))?.hour).toBe(19.5);
  });
});

describe('one list of tasks', () => {
  const tasks = async () => (await page()).tasks;
  test('a task that is said to be done is asked no more, and undone it is asked again', async () => {
    // A little on each of the last days, though the plan did not ask.
    for (const on of ['2026-07-08', '2026-07-09', '2026-07-10', '2026-07-11', '2026-07-12', '2026-07-13'])
      await send([{ subject: bed, body: { kind: 'watering', litres: 8 }, on }], { sure: true });
    const habit = (await tasks()).find(({ task }) => task.code === 'a little every day');
    expect(habit).toMatchObject({
      key: 'a little every day: 2026-07-13',
      due: { from: '2026-07-13', until: '2026-07-19' },
    });
    const key = habit?.key ?? '';
    const { body } = await send([{ subject: bed, body: { kind: 'task done', key } }]);
    expect(body.touched).toEqual({ beds: [1], pots: true });
    expect((await tasks()).some((one) => one.key === key)).toBe(false);
    await mark('undo', body.ids);
    expect((await tasks()).some((one) => one.key === key)).toBe(true);
  });

  test('a task is named by its key or is one of an alert, and not both', async () => {
    for (const body of [{ kind: 'task done' }, { kind: 'task done', key: 'x', code: 'heat wave' }] as const) {
      const answer = await send([{ subject: bed, body: body }]);
      expect([answer.status, answer.body.error.message]).toEqual([
        400,
        'A task must be named by its key, or be one of an alert; got both or neither',
      ]);
    }
  });
});
