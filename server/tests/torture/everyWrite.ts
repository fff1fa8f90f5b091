import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { POT, TREE } from '../oneBed.ts';
import { GARDEN, House, must, pause, weatherFile } from './house.ts';

const SECOND = {
  ...GARDEN.bed,
  name: 'Lettuce',
  planting: { cropId: 'lettuce', plantedOn: '2026-06-20', share: 0.5 },
};
const PLANTING = { cropId: 'onion', plantedOn: '2026-07-01', share: 0.4 };

/** Every way of writing something down, in an order in which each has what it needs; `:last` is what was written before. */
const WRITES: readonly (readonly [name: string, method: string, path: string, body: unknown])[] = [
  ['a bed', 'POST', '/gardens/1/beds', SECOND],
  ['a changed bed', 'PUT', '/beds/1', { ...GARDEN.bed, areaM2: 90, since: '2026-07-14' }],
  ['a tap', 'POST', '/gardens/1/taps', { name: 'By the shed', nozzle: 'wand' }],
  ['a changed tap', 'PUT', '/taps/1', { name: 'By the barn', nozzle: 'wand' }],
  ['what a bed draws from', 'PATCH', '/beds/1/links', { tapId: 1 }],
  ['copies of a bed', 'POST', '/beds/2/copies', { count: 1 }],
  ['a planting', 'POST', '/beds/2/plantings', PLANTING],
  ['a watering', 'POST', '/beds/1/waterings', { litres: 200 }],
  ['an entry taken back', 'DELETE', '/events/:last', undefined],
  ['an entry put back', 'POST', '/events/:last/restore', {}],
  ['a skip', 'POST', '/beds/2/skips', { reason: 'feels moist' }],
  ['a gauge', 'POST', '/gardens/1/rain', { date: '2026-07-13', rainMm: 4 }],
  ['a tap that runs', 'PUT', '/beds/1/run', { minutes: 30 }],
  ['a tap turned off', 'DELETE', '/beds/1/run', undefined],
  [
    'a bucket timed',
    'POST',
    '/gardens/1/findings',
    { tapId: 1, input: { kind: 'bucket', litres: 10, seconds: 30 } },
  ],
  ['a finding taken back', 'DELETE', '/findings/:last', undefined],
  ['a test under way', 'PUT', '/gardens/1/drafts/jar:bed-1', { body: { shakenAt: 1 } }],
  ['a tree', 'POST', '/gardens/1/trees', TREE],
  ['a pot', 'POST', '/gardens/1/pots', POT],
  ['a changed pot', 'PUT', '/pots/1', { ...POT, spot: 'Yard' }],
  [
    'an entry of a pot',
    'POST',
    '/gardens/1/pot-entries',
    { entries: [{ potId: 1, entry: { kind: 'given', millilitres: 500 } }] },
  ],
  ['more pots', 'POST', '/pots/1/copies', { count: 2 }],
  ['a pH', 'POST', '/gardens/1/ph', { ph: 7.4, of: 'tap' }],
  ['a pot put away', 'DELETE', '/pots/2', undefined],
  ['a bed put away', 'DELETE', '/beds/3', undefined],
  [
    'days said',
    'POST',
    '/gardens/1/weather/said',
    { days: [{ date: '2026-07-15', said: { heat: 'hot', sky: 'sun' } }] },
  ],
  ['a file of weather', 'POST', '/gardens/1/weather/import', { text: weatherFile(1), fileName: 'days' }],
  [
    'an alert seen to',
    'POST',
    '/gardens/1/alerts/seen',
    {
      code: 'heat wave',
      act: 'ready the beds',
      from: '2026-07-15',
      until: '2026-07-17',
      badness: 1,
      done: true,
    },
  ],
  ['a plant of one’s own', 'POST', '/gardens/1/crops', { name: 'Skirret', likeId: 'carrot' }],
  ['settings', 'PATCH', '/gardens/1', { name: 'Still under torture' }],
  ['a day further', 'POST', '/gardens/1/step', { days: 1 }],
  ['another garden', 'POST', '/gardens', GARDEN],
  ['a garden put away', 'PUT', '/gardens/2/away', { away: true }],
];

/** What is kept of all this, without the moments at which it was written (only that there is one) and what was answered. */
const VOLATILE = /at$|At$|token|salt/;
const UNTOLD = /^(sqlite_|acts$|kept_rounds$|SequelizeMeta$)/;

async function standsOf(house: House): Promise<string> {
  const tables = await house.rows<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name",
  );
  const told: unknown[] = [];
  for (const { name } of tables.filter((table) => !UNTOLD.test(table.name))) {
    const rows = await house.rows<Record<string, unknown>>(`SELECT * FROM "${name}" ORDER BY 1`);
    told.push([
      name,
      rows.map((row) =>
        Object.entries(row).map(([column, value]) =>
          VOLATILE.test(column) && value !== null ? column : [column, value],
        ),
      ),
    ]);
  }
  return JSON.stringify(told);
}

/**
 * Every kind of writing, the plug pulled in the middle of it: it stands whole or not at all, what was acknowledged stands,
 * and sent again under its key it stands once.
 * @returns how many kinds there are
 */
export async function everyWriteKilled(moment: (i: number) => number): Promise<number> {
  const house = new House(mkdtempSync(join(tmpdir(), 'kibble-torture-')));
  must(await house.start(), `the first start was refused: ${house.words}`);
  must((await house.send('POST', '/gardens', GARDEN))?.status === 201, 'the first garden was not taken');
  let last: unknown;
  for (const [i, [name, method, address, body]] of WRITES.entries()) {
    const path = address.replace(':last', String(last));
    const key = `every-write-${i}`;
    const before = await standsOf(house);
    const sending = house.send(method, path, body, key);
    await pause(moment(i) * 60);
    await house.kill();
    const answer = await sending;
    must(await house.start(), `${name}: it did not open again: ${house.words}`);
    const found = await standsOf(house);
    const again = await house.send(method, path, body, key);
    must(
      again !== null && again.status < 300,
      `${name}: sent again it was refused: ${JSON.stringify(again?.body)}`,
    );
    last = again?.body.id;
    const after = await standsOf(house);
    must(after !== before, `${name}: nothing was written down`);
    must(found === before || found === after, `${name}: it stood half`);
    must(answer === null || found === after, `${name}: acknowledged and gone`);
    const round = await house.send('GET', '/gardens/1/round');
    must(round?.status === 200, `${name}: no round afterwards: ${JSON.stringify(round?.body)}`);
  }
  await house.kill();
  house.remove();
  return WRITES.length;
}
