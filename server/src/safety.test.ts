import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeEach, describe, expect, test } from '@jest/globals';
import { apiError, type BedPageView, type GardenView, type RoundView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import request from 'supertest';
import { kibbleApp } from './app.ts';
import { Bed, EntryRow, Garden, Planting } from './db/models.ts';
import { WorkerPlanner } from './planner/workerPlanner.ts';
import { WeatherFiles } from './files/weatherFiles.ts';
import { InProcessPlanner } from './planner/planner.ts';
import { PlanStore } from './planner/planStore.ts';
import { closesInOrder, freshDatabase } from '../tests/fresh.ts';
import { openDatabase } from './db/open.ts';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { GARDEN } from '../tests/oneBed.ts';

const root = mkdtempSync(join(tmpdir(), 'kibble-safety-'));
const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
const written: { msg: string; number?: string }[] = [];
const log = pino({ level: 'error' }, { write: (line: string) => written.push(JSON.parse(line) as never) });
let sequelize: Sequelize;
let app: Express;
let plans: PlanStore;
let n = 0;

beforeEach(async () => {
  await sequelize?.close();
  sequelize = await freshDatabase(join(root, `${(n += 1)}.sqlite`));
  plans = new PlanStore(new InProcessPlanner({ members: 12 }), wall, log);
  app = kibbleApp({ sequelize, wall, log, plans, files: WeatherFiles.here() });
  written.length = 0;
  expect((await ask(app).post('/api/gardens').send(GARDEN)).status).toBe(201);
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(root, { recursive: true, force: true });
});

const round = async (): Promise<RoundView> => {
  const answer = await ask(app).get('/api/gardens/1/round');
  expect(answer.status).toBe(200);
  return answer.body as RoundView;
};
const page = async (bedId = 0): Promise<BedPageView> =>
  (await ask(app).get(`/api/beds/${bedId}`)).body as BedPageView;
const garden = async (): Promise<GardenView> => (await ask(app).get('/api/gardens/1')).body as GardenView;
const find = (input: object, more: object = {}) =>
  ask(app)
    .post('/api/gardens/1/findings')
    .send({ bedId: 1, confirmed: true, input, ...more });
const refusalOf = (answer: { status: number; body: unknown }, status = 400) => {
  expect(answer.status).toBe(status);
  return apiError.parse(answer.body).error;
};

describe('no accepted value locks a garden', () => {
  test('the garden that a jar of 65 % clay had locked opens, and is planned as what it is', async () => {
    await settled(app);
    await sequelize.close();
    const file = join(root, 'locked.sqlite');
    copyFileSync('server/fixtures/kibble-005.sqlite', file);
    sequelize = closesInOrder(await openDatabase(file));
    app = appHere({ sequelize, wall, log });
    const today = await round();
    expect(today.unplanned).toEqual([]);
    const beans = (await garden()).beds.find((bed) => bed.name === 'Beans');
    expect((await page(beans?.id)).beyond).toEqual([]);
  });

  test('a pot-sized bed by a can is planned', async () => {
    const pot = {
      ...GARDEN.bed,
      name: 'Pot',
      areaM2: 0.1,
      delivery: { method: 'watering can', litresPerMinute: 12 },
    };
    expect((await ask(app).post('/api/gardens/1/beds').send(pot)).status).toBe(201);
    expect((await round()).unplanned).toEqual([]);
  });

  test('a limit next to nothing is refused by its field', async () => {
    const answer = await ask(app)
      .patch('/api/gardens/1')
      .send({ limits: { litresPerDay: 5e-324 } });
    expect(refusalOf(answer)).toMatchObject({
      field: 'limits.litresPerDay',
      message: 'Litres a day must be a number from 1 to 1000000 L; got 5e-324',
      limit: { field: 'capLitres', value: 5e-324 },
    });
    expect((await garden()).limits).toEqual({});
  });

  test('a copied bed’s name stays within its letters', async () => {
    await Bed.update({ name: 'x'.repeat(80) }, { where: { id: 1 } });
    const made = await ask(app).post('/api/beds/1/copies').send({ count: 2 });
    expect(made.status).toBe(201);
    const names = (await garden()).beds.map((b) => b.name);
    expect(new Set(names).size).toBe(3);
    expect(Math.max(...names.map((name) => name.length))).toBe(80);
  });

  test('a plant that is in no list any more takes its own bed from the plan, and nothing else', async () => {
    await ask(app)
      .post('/api/gardens/1/beds')
      .send({ ...GARDEN.bed, name: 'Onions' });
    await Planting.update({ cropId: 'moonflower' }, { where: { bedId: 1 } });
    const today = await round();
    expect(today.unplanned).toEqual([
      {
        bedId: 1,
        bedName: 'Tomatoes',
        message: 'The plant must be a plant of the catalogue; got moonflower.',
        field: 'cropId',
        number: null,
      },
    ]);
    expect([...today.stops, ...today.leaveAlone].map((s) => s.bedName)).toEqual(['Onions']);
    const page = (await ask(app).get('/api/beds/1')).body;
    expect(page.unplanned.bedId).toBe(1);
    // And it can be put right.
    const body = { ...GARDEN.bed, planting: { cropId: 'onion', plantedOn: '2026-05-15' } };
    expect((await ask(app).put('/api/beds/1').send(body)).status).toBe(200);
    expect((await round()).unplanned).toEqual([]);
  });

  test('a bed that cannot be planned may be changed step by step', async () => {
    await Planting.update({ cropId: 'moonflower' }, { where: { bedId: 1 } });
    expect((await ask(app).post('/api/beds/1/waterings').send({ litres: 20 })).status).toBe(201);
  });

  test('rows whose text is not understood are set aside by name; the rest of the list of gardens stands', async () => {
    const { id } = (await find({ kind: 'bucket', litres: 10, seconds: 40 })).body;
    await EntryRow.update({ body: '{"kind":"sext' }, { where: { id } });
    plans.touch();
    expect((await ask(app).get('/api/gardens')).status).toBe(200);
    expect((await garden()).setAside).toEqual([
      { what: 'a reading (bucket) of 2026-07-14', id, why: 'its text is not understood' },
    ]);
    expect((await ask(app).delete(`/api/findings/${id}`)).status).toBe(200);
    expect((await garden()).setAside).toEqual([]);
  });

  test('a stored reading that cannot be computed is left out and named', async () => {
    const { id } = (await find({ kind: 'jar', horizon: 'top', sandMm: 10, siltMm: 25, clayMm: 5 })).body;
    await EntryRow.update({ body: '{"kind":"jar","horizon":"top","sandMm":-4}' }, { where: { id } });
    plans.touch();
    const today = await round();
    expect(today.unplanned).toEqual([]);
    expect((await page(1)).unread).toEqual([{ id, on: '2026-07-14', label: 'Jar' }]);
  });
});

describe('dates', () => {
  test.each([3650, 1000])('the clock does not leave the calendar: %s days a step', async (days) => {
    let last = 200;
    for (let i = 0; i < 200 && last === 200; i += 1)
      last = (await ask(app).post('/api/gardens/1/step').send({ days })).status;
    expect(last).toBe(400);
    expect((await garden()).today <= '2100-12-31').toBe(true);
    await round();
  });

  test('a plan is not moved to the year 9999, and a row that says so blocks nothing', async () => {
    const answer = await find({ kind: 'plan', date: '2026-07-15', to: '9999-12-31' });
    expect(refusalOf(answer).field).toBe('input.to');
    await find({ kind: 'plan', date: '2026-07-15', to: '2026-07-18' });
    const body = JSON.stringify({ kind: 'plan', date: '2026-07-15', to: '9999-12-31' });
    await EntryRow.update({ body, version: 1 }, { where: { kind: 'plan' } });
    plans.touch();
    // It would plan seven thousand years, and not be answered within the time of a test.
    await round();
  });

  test('yesterday’s watering can be written down, and one of the last thirty days; no other', async () => {
    const water = (on: string) => ask(app).post('/api/beds/1/waterings').send({ litres: 20, on });
    const yesterday = await water('2026-07-13');
    expect(yesterday.body).toMatchObject({ date: '2026-07-13', litres: 20 });
    expect((await water('2026-06-14')).status).toBe(201);
    for (const on of ['2026-06-13', '2026-07-15', '0001-01-01', '9999-12-31', 'yesterday'])
      expect(refusalOf(await water(on)).field).toBe('on');
  });

  test('a watering before the bed was planted is refused by its day', async () => {
    const body = { ...GARDEN.bed, planting: { cropId: 'tomato', plantedOn: '2026-07-05' } };
    await ask(app).put('/api/beds/1').send(body);
    const answer = await ask(app).post('/api/beds/1/waterings').send({ litres: 20, on: '2026-07-01' });
    expect(refusalOf(answer)).toMatchObject({
      field: 'on',
      message: expect.stringMatching(/2026-07-05.*planted/),
    });
  });

  test('nothing is written down on a bed that is put away', async () => {
    await ask(app).delete('/api/beds/1');
    for (const [what, body] of [
      ['waterings', { litres: 20 }],
      ['skips', { reason: 'other' }],
    ] as const)
      expect(refusalOf(await ask(app).post(`/api/beds/1/${what}`).send(body), 409).message).toMatch(
        /put away/,
      );
    expect(await EntryRow.count({ where: { sort: 'watering' } })).toBe(0);
  });
});

describe('once, and nobody’s word lost', () => {
  test('the same act sent again is answered again and done once', async () => {
    const send = () =>
      ask(app).post('/api/beds/1/waterings').set('Idempotency-Key', 'act-0000-1').send({ litres: 20 });
    const answers = await Promise.all(Array.from({ length: 5 }, send));
    expect(answers.map((a) => a.status)).toEqual([201, 201, 201, 201, 201]);
    expect(new Set(answers.map((a) => a.body.id)).size).toBe(1);
    expect(await EntryRow.count({ where: { sort: 'watering' } })).toBe(1);
  });

  test('a key used for another act is refused; a refused act may be sent again under its key', async () => {
    const send = (body: object) =>
      ask(app).post('/api/beds/1/waterings').set('Idempotency-Key', 'act-0000-2').send(body);
    expect((await send({ litres: -1 })).status).toBe(400);
    expect((await send({ litres: 20 })).status).toBe(201);
    expect(refusalOf(await send({ litres: 30 }), 409).field).toBe('Idempotency-Key');
  });

  test('two who change one bed: the later is shown both sides, and nothing is overwritten unseen', async () => {
    const [bed] = (await garden()).beds;
    const change = (name: string, version?: number) =>
      ask(app)
        .put('/api/beds/1')
        .send({ ...GARDEN.bed, name, version });
    expect((await change('Hers', bed?.version)).status).toBe(200);
    const refused = refusalOf(await change('His', bed?.version), 409);
    expect(refused.conflict).toEqual({
      version: (bed?.version ?? 0) + 1,
      sides: [{ field: 'name', yours: 'His', theirs: 'Hers' }],
    });
    expect((await garden()).beds[0]?.name).toBe('Hers');
    expect((await change('His', refused.conflict?.version)).status).toBe(200);
    // Both wanting the same is no conflict.
    expect((await change('His', bed?.version)).status).toBe(200);
  });

  test('one gauge reading of a day stands, whatever is clicked; an earlier one can be brought back in its place', async () => {
    const rain = (rainMm: number) =>
      ask(app).post('/api/gardens/1/rain').send({ date: '2026-07-10', rainMm });
    await Promise.all([rain(4), rain(4), rain(6)]);
    const standing = () => EntryRow.findAll({ where: { kind: 'rain', removedAt: null } });
    expect(await standing()).toHaveLength(1);
    const [first] = await EntryRow.findAll({ where: { kind: 'rain' }, order: ['id'] });
    expect((await ask(app).post(`/api/events/${first?.id}/restore`)).status).toBe(200);
    expect((await standing()).map(({ id }) => id)).toEqual([first?.id]);
  });

  test('a refused change of links changes nothing', async () => {
    await ask(app)
      .post('/api/gardens/1/beds')
      .send({ ...GARDEN.bed, name: 'Onions' });
    const before = (await garden()).beds[0]?.groundId;
    const answer = await ask(app).patch('/api/beds/1/links').send({ groundOf: 2, tapId: 77 });
    expect(refusalOf(answer).field).toBe('tapId');
    expect((await garden()).beds[0]?.groundId).toBe(before);
  });

  test('twenty who write at once: no fault, nothing lost, and the last waits for the others alone', async () => {
    // As Kibble serves it: plans are made beside the thread that answers.
    const beside = new PlanStore(await WorkerPlanner.start(join(root, 'program')), wall, log);
    app = kibbleApp({ sequelize, wall, log, plans: beside, files: WeatherFiles.here() });
    await round();
    const server = app.listen(0, '127.0.0.1');
    await new Promise((ready) => server.once('listening', ready));
    const agent = () => request.agent(server).set('Content-Type', 'application/json');
    const act = (i: number) =>
      i % 4 === 0
        ? agent().post('/api/gardens/1/step').send({ days: 1 })
        : i % 4 === 1
          ? agent().post('/api/beds/1/copies').send({ count: 1 })
          : i % 4 === 2
            ? agent()
                .post('/api/beds/1/waterings')
                .send({ litres: 1 + i })
            : agent()
                .put('/api/beds/1')
                .send({ ...GARDEN.bed, name: `Name ${i}` });
    const statuses: number[] = [];
    const one = async (i: number): Promise<void> => {
      statuses.push((await act(i)).status);
    };
    for (let i = 0; i < 20; i += 1) await one(i);
    // How long the last of them waits is measured by `npm run bench`.
    await Promise.all(Array.from({ length: 20 }, (_, i) => one(20 + i)));
    server.close();
    const after = await garden();
    await beside.stop();
    expect(statuses.filter((status) => status >= 400)).toEqual([]);
    expect(after.today).toBe('2026-07-24');
    expect(after.beds).toHaveLength(11);
    expect(new Set(after.beds.map((b) => b.name)).size).toBe(11);
    expect(await EntryRow.count({ where: { sort: 'watering' } })).toBe(10);
  });
});

describe('the door', () => {
  const plain = () => request(app).get('/api/gardens');

  test('only its own names are answered', async () => {
    for (const host of ['127.0.0.1:5180', 'localhost', '[::1]:5180'])
      expect((await plain().set('Host', host)).status).toBe(200);
    for (const host of [
      'evil.example',
      'evil.example:5180',
      '127.0.0.1.evil.example',
      'localhost.evil.example',
    ])
      expect(refusalOf(await plain().set('Host', host), 421).field).toBe('Host');
  });

  test.each([
    ['a form of another page', { 'Content-Type': 'application/x-www-form-urlencoded' }, 'days=1', 415],
    ['plain text', { 'Content-Type': 'text/plain' }, '{"days":1}', 415],
    ['no body at all', {}, undefined, 415],
    [
      'another origin',
      { 'Content-Type': 'application/json', Origin: 'http://evil.example' },
      '{"days":1}',
      403,
    ],
    ['an origin that is hidden', { 'Content-Type': 'application/json', Origin: 'null' }, '{"days":1}', 403],
    [
      'another port of this machine',
      { 'Content-Type': 'application/json', 'Sec-Fetch-Site': 'same-site' },
      '{"days":1}',
      403,
    ],
    [
      'another site',
      { 'Content-Type': 'application/json', 'Sec-Fetch-Site': 'cross-site' },
      '{"days":1}',
      403,
    ],
  ])('a change by %s is turned away', async (_, headers, body, status) => {
    const asked = request(app).post('/api/gardens/1/step');
    for (const [name, value] of Object.entries(headers)) asked.set(name, value);
    expect((await (body === undefined ? asked : asked.send(body))).status).toBe(status);
    expect((await garden()).today).toBe('2026-07-14');
  });

  test('ids are plain digits', async () => {
    for (const id of ['1e0', '0x1', '%201', '01', '-1', '1.0', '9'.repeat(30)])
      expect((await ask(app).get(`/api/gardens/${id}`)).status).toBe(404);
  });

  test('too much is refused in words', async () => {
    const body = { ...GARDEN, garden: { ...GARDEN.garden, name: 'x'.repeat(400_000) } };
    expect(refusalOf(await ask(app).post('/api/gardens').send(body), 413).message).toMatch(
      /too large: at most 200 kB are taken here\.$/,
    );
    const text = 'x'.repeat(11_000_000);
    const answer = await ask(app).post('/api/gardens/1/weather/import').send({ text });
    expect(refusalOf(answer, 413).message).toMatch(/split by years/);
  });
});

describe('whose fault it is', () => {
  test('a fault of ours is a 500 with a number that stands in the log', async () => {
    await Garden.update({ latitudeDeg: 'north' as never }, { where: { id: 1 } });
    plans.touch();
    const answer = await ask(app).get('/api/gardens/1');
    const { message, number } = refusalOf(answer, 500);
    expect(message).toMatch(/in Kibble itself/);
    expect(written.some((line) => line.msg === 'fault' && line.number === number)).toBe(true);
  });

  test.each([
    [[], 'body', /What was sent must be/],
    [{ ...GARDEN, bed: 7 }, 'bed', /Bed must be an entry with its fields; got 7/],
    [
      { ...GARDEN, bed: { ...GARDEN.bed, underCover: 'yes' } },
      'bed.underCover',
      /Under cover must be yes or no; got "yes"/,
    ],
    [
      { ...GARDEN, garden: { ...GARDEN.garden, clock: { mode: 'lunar' } } },
      'garden.clock.mode',
      /Mode must be one of real, practice; got "lunar"/,
    ],
    [
      { ...GARDEN, garden: { ...GARDEN.garden, timeZone: 4 } },
      'garden.timeZone',
      /Time zone must be words; got 4/,
    ],
    [
      { ...GARDEN, bed: { ...GARDEN.bed, planting: { cropId: 'tomato', plantedOn: '9999-01-01' } } },
      'bed.planting.plantedOn',
      /Planting date must lie from 1800-01-01 to 2100-12-31; got 9999-01-01/,
    ],
  ])('a refusal names its field and what is allowed: %#', async (body, field, words) => {
    const error = refusalOf(await ask(app).post('/api/gardens').send(body));
    expect(error.field).toBe(field);
    expect(error.message).toMatch(words);
  });
});

describe('files of weather', () => {
  const DAYS = Array.from({ length: 30 }, (_, i) => `2026-06-${String(i + 1).padStart(2, '0')}`);
  const bring = (text: string, more: object = {}) =>
    ask(app)
      .post('/api/gardens/1/weather/import')
      .send({ text, fileName: 'june.csv', ...more });

  test('an import is one act: taken back as one, and brought again', async () => {
    const text = ['date,tmin,tmax,rain', ...DAYS.map((day) => `${day},12,26,3`)].join('\n');
    const { body } = await bring(text);
    const page = async () => (await ask(app).get('/api/gardens/1/weather')).body;
    expect(await page()).toMatchObject({
      count: 30,
      imports: [{ fileName: 'june.csv', days: 30, removed: false }],
    });
    await ask(app).delete(`/api/imports/${body.id}`);
    expect(await page()).toMatchObject({ count: 0, imports: [{ removed: true }] });
    await ask(app).post(`/api/imports/${body.id}/restore`);
    expect(await page()).toMatchObject({ count: 30 });
  });

  test('a file that could be either scale is not guessed at', async () => {
    const text = ['date,tmin,tmax,rain', ...DAYS.map((day) => `${day},38,44,0`)].join('\n');
    expect(refusalOf(await bring(text), 409)).toMatchObject({ code: 'needs-consent', field: 'units.tMinC' });
    expect((await bring(text, { units: { tMinC: '°F', tMaxC: '°F' } })).status).toBe(201);
  });
});
