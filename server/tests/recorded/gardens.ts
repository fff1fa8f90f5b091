import { stationApp } from '@kibble/simulators';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Express } from 'express';
import type { Sequelize } from 'sequelize';
import { seedDemo } from '../../src/seed.ts';
import { ask } from '../ask.ts';
import { GARDEN, POT, TREE } from '../oneBed.ts';

/** What a garden is built with: an application on an empty file, its file, and a clock that can be set. */
export interface Building {
  app: Express;
  sequelize: Sequelize;
  clock: { now: Date };
}

/** One of the five gardens that are recorded: the moment at which its views are asked for, and how it is built. */
export interface RecordedGarden {
  name: string;
  now: string;
  build: (on: Building) => Promise<void>;
}

type Body = Record<string, unknown>;
type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

/** Sends something as a page does; what is not taken is a mistake of the recording. */
const sender =
  ({ app }: Building) =>
  async <T extends Body = { id: number; ids: number[] }>(
    method: Method,
    path: string,
    body: Body = {},
    key?: string,
  ): Promise<T> => {
    const asked = ask(app)[method](`/api${path}`);
    const answer = await (key ? asked.set('Idempotency-Key', key) : asked).send(body);
    if (answer.status >= 300)
      throw new Error(`${method} ${path} was answered ${answer.status}: ${JSON.stringify(answer.body)}`);
    return answer.body as T;
  };

/** The demo's garden with the station beside it, which forecasts no more once the recording is done. */
async function demo(on: Building, then?: (send: ReturnType<typeof sender>) => Promise<void>): Promise<void> {
  const station: Server = stationApp({ seed: 46, latitudeDeg: 46.9 }).listen(0, '127.0.0.1');
  await new Promise((ready) => station.once('listening', ready));
  try {
    const { port } = station.address() as AddressInfo;
    await seedDemo(on.sequelize, `http://127.0.0.1:${port}`, { now: () => on.clock.now });
    await then?.(sender(on));
  } finally {
    await new Promise((closed) => station.close(closed));
  }
}

/** A morning of the demo on which every kind of entry is made once. */
async function demoMorning(send: ReturnType<typeof sender>): Promise<void> {
  await send('post', '/beds/1/waterings', { litres: 60, note: 'Slow, with the rose' });
  await send('post', '/beds/2/waterings', { minutes: 12, asPlanned: true });
  await send('post', '/beds/3/skips', { reason: 'feels moist', note: 'Dug a finger in' });
  await send('post', '/gardens/1/rain', { date: '2026-07-12', rainMm: 3.5 });
  await send('post', '/gardens/1/weather/said', {
    days: [{ date: '2026-07-16', said: { heat: 'hot', sky: 'sun', tMaxC: 34 } }],
  });
  await send('post', '/gardens/1/findings', {
    bedId: 4,
    input: { kind: 'look', tool: 'finger', depthMm: 80, state: 'damp', mulchMoved: false },
  });
}

/** Under which one of the own garden's waterings was entered, as a phone does. */
export const KEY_OF_A_WATERING = 'recorded-watering';

/** An own garden whose owner changes their mind often. */
async function own(on: Building): Promise<void> {
  const send = sender(on);
  const at = (moment: string): void => {
    on.clock.now = new Date(moment);
  };
  at('2026-06-10T05:00:00Z');
  await send('post', '/gardens', {
    ...GARDEN,
    garden: { ...GARDEN.garden, name: 'Behind the bakery', clock: { mode: 'real' } },
    bed: { ...GARDEN.bed, name: 'Tomatoes', startWetness: 'moist' },
  });
  const bean = { ...GARDEN.bed, name: 'Beans', planting: { cropId: 'french-bean', plantedOn: '2026-05-28' } };
  await send('post', '/gardens/1/beds', bean);
  const salad = {
    ...GARDEN.bed,
    name: 'Salads',
    areaM2: 6,
    planting: { cropId: 'lettuce', plantedOn: '2026-05-20', share: 0.5 },
  };
  await send('post', '/gardens/1/beds', salad);
  const tap = await send('post', '/gardens/1/taps', { name: 'By the oven wall', nozzle: 'wand' });
  await send('patch', '/beds/1/links', { tapId: tap.id });
  await send('patch', '/beds/2/links', { tapId: tap.id, groundOf: 1 });
  await send('post', '/gardens/1/findings', {
    tapId: tap.id,
    input: { kind: 'bucket', litres: 12, seconds: 47 },
  });
  const jar = await send('post', '/gardens/1/findings', {
    bedId: 1,
    input: { kind: 'jar', horizon: 'top', sandMm: 44, siltMm: 33, clayMm: 19 },
    confirmed: true,
  });
  await send('delete', `/findings/${jar.id}`);
  await send('post', `/findings/${jar.id}/restore`);
  await send('post', '/gardens/1/findings', {
    bedId: 1,
    input: { kind: 'dig', topsoilMm: 270, rootsMm: 340 },
    confirmed: true,
  });
  await send('post', '/beds/1/waterings', { litres: 130 });
  at('2026-06-14T18:30:00Z');
  const wrong = await send('post', '/beds/1/waterings', { minutes: 90, note: 'The clock was misread' });
  await send('delete', `/events/${wrong.id}`);
  await send('post', '/beds/1/waterings', { minutes: 9, asPlanned: true });
  await send('post', '/beds/2/waterings', { litres: 96, on: '2026-06-13' });
  const left = await send('post', '/beds/3/skips', { reason: 'no time' });
  await send('delete', `/events/${left.id}`);
  await send('post', `/events/${left.id}/restore`);
  await send('post', '/gardens/1/rain', { date: '2026-06-12', rainMm: 6 });
  const gauge = await send('post', '/gardens/1/rain', { date: '2026-06-12', rainMm: 8.5 });
  await send('delete', `/events/${gauge.id}`);
  await send('post', '/gardens/1/rain', { date: '2026-06-13', rainMm: 1 });
  at('2026-06-20T05:10:00Z');
  await send('put', '/beds/1', { ...GARDEN.bed, mulchMaterial: 'straw', mulchMm: 60, since: '2026-06-16' });
  await send('put', '/beds/1', {
    ...GARDEN.bed,
    mulchMaterial: 'straw',
    mulchMm: 60,
    areaM2: 12,
    since: '2026-06-18',
  });
  const again = await send<{ settings: number[] }>('put', '/beds/1', {
    ...GARDEN.bed,
    mulchMaterial: 'compost',
    mulchMm: 40,
    areaM2: 12,
    since: '2026-06-18',
  });
  const shade = await send<{ settings: number[] }>('put', '/beds/3', {
    ...salad,
    shadeCloth: true,
    since: '2026-06-20',
  });
  await send('post', '/settings/take-back', { ids: shade.settings });
  await send('post', `/settings/${again.settings[0]}/move`, { on: '2026-06-19' });
  await send('post', '/beds/3/plantings', { cropId: 'radish', plantedOn: '2026-06-05', share: 0.3 });
  const dill = await send('post', '/beds/3/plantings', {
    cropId: 'onion',
    plantedOn: '2026-06-06',
    share: 0.2,
  });
  await send('delete', `/plantings/${dill.id}`);
  await send('post', '/gardens/1/weather/said', {
    days: [
      { date: '2026-06-21', said: { heat: 'hot', sky: 'sun', wind: 'breeze' } },
      { date: '2026-06-22', said: { rain: 'soaking', tMinC: 12, tMaxC: 19 } },
    ],
  });
  const said = await send('post', '/gardens/1/weather/said', {
    days: [{ date: '2026-06-22', said: { rain: 'dry' } }],
  });
  await send('post', '/gardens/1/weather/said/take-back', { ids: said.ids });
  await send('post', '/gardens/1/weather/said', { days: [{ date: '2026-06-21', said: null }] });
  await send('post', '/gardens/1/weather/said', {
    days: [{ date: '2026-06-21', said: { heat: 'hot', sky: 'sun' } }],
  });
  const tick = { from: '2026-06-21', until: '2026-06-23', badness: 34 };
  for (const done of [true, false, true])
    await send('post', '/gardens/1/alerts/seen', { ...tick, code: 'heat wave', act: 'ready the beds', done });
  await send('post', '/gardens/1/findings', {
    bedId: 2,
    input: { kind: 'plan', date: '2026-06-23', to: '2026-06-24' },
  });
  await send('post', '/gardens/1/crops', { name: 'Bakery basil', likeId: 'lettuce', rootMaxMm: 280 });
  await send('put', '/gardens/1/drafts/jar:bed-3', { body: { shakenAt: 1_781_932_200_000 } });
  await send('put', '/beds/2/run', { minutes: 14 });
  await send('post', '/beds/1/waterings', { litres: 88 }, KEY_OF_A_WATERING);
  await send('post', '/beds/2/waterings', { minutes: 11 });
  const moist = await send('post', '/gardens/1/findings', {
    bedId: 3,
    input: { kind: 'look', tool: 'finger', depthMm: 60, state: 'dry', mulchMoved: false },
    note: 'Under the leaves',
  });
  await send('delete', `/findings/${moist.id}`);
  // As entered on a phone, whose clock was five minutes late.
  await on.sequelize.query(
    `UPDATE events SET "by" = 'Phone', deviceId = 'b1e55ed0b1e5', toldAt = '2026-06-14 18:25:00.000 +00:00', clockOffsetMs = 300000 WHERE id = 2`,
  );
  await on.sequelize.query(
    `UPDATE entries SET deviceId = 'b1e55ed0b1e5', toldAt = '2026-06-20 05:20:00.000 +00:00', clockOffsetMs = 0 WHERE kind = 'look'`,
  );
  at('2026-06-20T07:00:00Z');
}

/** Pots and trays: moved, weighed, soaked, undone, and one that came out of a bed. */
async function pots(on: Building): Promise<void> {
  const send = sender(on);
  const today = (date: string) => send('patch', '/gardens/1', { clock: { mode: 'practice', date } });
  await send('post', '/gardens', {
    ...GARDEN,
    garden: { ...GARDEN.garden, name: 'The balcony', clock: { mode: 'practice', date: '2026-07-01' } },
  });
  const pepper = await send('post', '/gardens/1/pots', POT);
  const fern = await send('post', '/gardens/1/pots', {
    ...POT,
    name: 'Fern',
    spot: 'Hallway',
    plantings: [{ cropId: 'fern', plantedOn: '2024-01-01' }],
    facts: { volumeL: 3, material: 'terracotta', stands: 'indoors' },
    startWetness: 'dry',
  });
  const tray = await send('post', '/gardens/1/pots', {
    ...POT,
    kind: 'tray',
    name: 'Salad tray',
    facts: { volumeL: 6 },
    plantings: [{ cropId: 'lettuce', plantedOn: '2026-06-20' }],
  });
  const copies = await send('post', `/pots/${pepper.id}/copies`, { count: 2 });
  await send('delete', `/pots/${copies.ids[1]}`);
  const log = (entries: object[], more: Body = {}) =>
    send('post', '/gardens/1/pot-entries', { entries, ...more });
  await log([
    { potId: pepper.id, entry: { kind: 'given', millilitres: 900 } },
    { potId: tray.id, entry: { kind: 'given', millilitres: 400 }, hour: 19.5 },
    { potId: fern.id, entry: { kind: 'finger', found: 'damp' } },
  ]);
  await today('2026-07-05');
  const heft = await log([
    { potId: pepper.id, entry: { kind: 'heft', felt: 'light' } },
    { potId: copies.ids[0], entry: { kind: 'seen', sign: 'roots through the base' } },
  ]);
  await send('post', '/gardens/1/pot-entries/remove', { ids: heft.ids });
  await send('post', '/gardens/1/pot-entries/restore', { ids: [heft.ids[0]] });
  await log(
    [
      { potId: pepper.id, entry: { kind: 'weighed', kg: 9.1, full: true } },
      { potId: fern.id, entry: { kind: 'meter', pct: 24 } },
    ],
    { sure: true },
  );
  await send('put', `/pots/${pepper.id}`, {
    ...POT,
    spot: 'Yard',
    facts: { ...POT.facts, sun: 'half' },
    since: '2026-07-04',
  });
  await send('post', '/gardens/1/ph', { ph: 7.9, of: 'tap' });
  await send('post', '/gardens/1/ph', { ph: 6.2, of: 'rain', date: '2026-07-03' });
  await today('2026-07-08');
  await send('put', `/pots/${pepper.id}`, {
    ...POT,
    spot: 'Yard',
    facts: { volumeL: 15, sun: 'half' },
    rootsFound: 'upper half',
  });
  await log([{ potId: pepper.id, entry: { kind: 'weighed', kg: 8.2 } }], { sure: true });
  await send('post', '/gardens/1/sequences', {
    kind: 'tray soak',
    potIds: [tray.id],
    bathM2: 0.2,
    depthMm: 80,
  });
  const basil = await send('post', '/gardens/1/beds', {
    ...GARDEN.bed,
    name: 'Half barrel',
    areaM2: 0.5,
    planting: { cropId: 'lettuce', plantedOn: '2026-06-20' },
  });
  await send('post', `/beds/${basil.id}/pot`, { spot: 'Terrace', facts: { volumeL: 40 } });
  await log([{ potId: tray.id, entry: { kind: 'left' } }]);
}

/** Trees beside a lawn whose water they share. */
async function trees(on: Building): Promise<void> {
  const send = sender(on);
  await send('post', '/gardens', {
    ...GARDEN,
    garden: { ...GARDEN.garden, name: 'The orchard strip', clock: { mode: 'practice', date: '2026-07-06' } },
    bed: { ...GARDEN.bed, name: 'Lawn', planting: { cropId: 'lawn-cool', plantedOn: '2020-04-01' } },
  });
  const walnut = await send('post', '/gardens/1/trees', TREE);
  const young = {
    ...TREE,
    name: 'Young pear',
    cropId: 'pear',
    plantedOn: '2026-03-20',
    delivery: { litresPerMinute: 6 },
    tree: {
      sort: 'tree',
      canopyM: 1,
      trunkM: 0.02,
      cameAs: 'bare-root',
      beneath: 'bare',
      layout: { by: 'bubbler stops' },
    },
  };
  const pear = await send('post', '/gardens/1/trees', young);
  await send('post', '/beds/1/waterings', { litres: 150 });
  await send('post', `/beds/${pear.id}/waterings`, { litres: 30 });
  await send('patch', '/gardens/1', { clock: { mode: 'practice', date: '2026-07-10' } });
  await send('put', `/beds/${pear.id}/tree`, {
    delivery: { litresPerMinute: 6 },
    tree: { ...young.tree, canopyM: 1.4 },
    since: '2026-07-08',
  });
  await send('post', `/beds/${walnut.id}/waterings`, { minutes: 60 });
  await send('post', '/gardens/1/findings', {
    bedId: walnut.id,
    input: { kind: 'wilt', recovers: true, soil: 'damp' },
  });
  await send('post', `/beds/${pear.id}/skips`, { reason: 'feels moist' });
  await send('patch', '/gardens/1', { clock: { mode: 'practice', date: '2026-07-14' } });
}

/** Five gardens that hold every kind of entry there is, each with some that were undone. */
export const RECORDED: readonly RecordedGarden[] = [
  { name: 'demo-july', now: '2026-07-14T05:00:00Z', build: (on) => demo(on, demoMorning) },
  {
    name: 'demo-december',
    now: '2026-12-08T08:00:00Z',
    build: (on) =>
      demo(on, async (send) => {
        await demoMorning(send);
        await send('patch', '/gardens/1', { clock: { mode: 'practice', date: '2026-12-08' } });
      }),
  },
  { name: 'own', now: '2026-06-20T07:00:00Z', build: own },
  { name: 'pots', now: '2026-07-14T05:00:00Z', build: pots },
  { name: 'trees', now: '2026-07-14T05:00:00Z', build: trees },
];
