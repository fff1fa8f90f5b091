import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  ARCHIVE_TABLE_NAMES,
  ARCHIVE_TABLES,
  archiveJson,
  gardenBody,
  type ArchiveJson,
} from '@kibble/contract';
import { unzipSync } from 'fflate';
import Papa from 'papaparse';
import request from 'supertest';
import { z } from 'zod';
import { LATEST } from './db/migrate.ts';
import { bringUpToDate, closeDatabase, openDatabase } from './db/open.ts';
import { ownerOnly } from './db/ownerOnly.ts';
import { openRaw } from './db/raw.ts';
import { copiesOf } from './db/copies.ts';
import { createGarden } from './services/gardens.ts';
import { startKibble, type Running } from './start.ts';

const root = mkdtempSync(join(tmpdir(), 'kibble-archive-'));
const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
/** What was written in one place, and the Kibble of another. One database a process, so one after the other. */
let zip: Buffer;
let rowsHere: Record<string, unknown[]>;
let columnsHere: Record<string, string[]>;
let there: Running;

const ask = (kibble: Running) => request.agent(kibble.url).set('Content-Type', 'application/json');
const binary = (kibble: Running, bytes: Buffer) =>
  request(kibble.url).post('/api/your-data/look').set('Content-Type', 'application/octet-stream').send(bytes);

/** Every row of every table but what the act of looking itself leaves. */
async function rowsOf({ file }: Running): Promise<Record<string, unknown[]>> {
  const database = await openRaw(file);
  const rows: Record<string, unknown[]> = {};
  for (const table of ARCHIVE_TABLE_NAMES)
    rows[table] = await database.all(`SELECT * FROM ${table} ORDER BY 1`);
  await database.close();
  return rows;
}

/** The tables of a database and their columns. */
async function columnsOf({ file }: Running): Promise<Record<string, string[]>> {
  const database = await openRaw(file);
  const tables = await database.all<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> 'SequelizeMeta'",
  );
  const columns: Record<string, string[]> = {};
  for (const { name } of tables)
    columns[name] = (await database.all<{ name: string }>(`PRAGMA table_info(${name})`))
      .map((c) => c.name)
      .sort();
  await database.close();
  return columns;
}

const setup = (name: string) => ({
  garden: {
    name,
    latitudeDeg: 47,
    timeZone: 'Europe/Paris',
    clock: { mode: 'practice', date: '2026-07-14' },
  },
  bed: {
    name: 'Tomatoes, “long” bed; =1+1',
    areaM2: 10.333333333333334,
    textureClass: 'loam',
    notes: 'line one\nline two, with a comma',
    planting: { cropId: 'tomato', plantedOn: '2026-05-15' },
    delivery: { method: 'hose wand', litresPerMinute: 12 },
  },
});

beforeAll(async () => {
  for (const name of ['here', 'there']) mkdirSync(join(root, name));
  const here = await startKibble({ kind: 'own', folder: join(root, 'here'), port: 0, wall });
  await ask(here).post('/api/gardens').send(setup('The first'));
  await ask(here).post('/api/gardens/1/crops').send({ name: 'Blue maize', likeId: 'sweetcorn', kcbMid: 1.1 });
  await ask(here)
    .post('/api/gardens/1/beds')
    .send({ ...setup('').bed, name: 'Maize', notes: '=HYPERLINK("http://evil.example")\nand a second line' });
  await ask(here).post('/api/gardens/1/taps').send({ name: 'Shed', nozzle: 'wand' });
  await ask(here).patch('/api/beds/2/links').send({ groundOf: 1, tapId: 1 });
  await ask(here)
    .post('/api/gardens/1/findings')
    .send({ bedId: 1, input: { kind: 'bucket', litres: 10, seconds: 40 } });
  await ask(here).post('/api/beds/1/waterings').set('Idempotency-Key', 'archive-1').send({ litres: 33.3 });
  await ask(here).post('/api/gardens/1/rain').send({ date: '2026-07-10', rainMm: 4.2 });
  await ask(here)
    .put('/api/gardens/1/drafts/bucket')
    .send({ body: { litres: '10' } });
  const text = 'date,tmin (°C),tmax (°C),rain (mm)\n2026-07-01,10.1,20.2,0.3\n';
  await ask(here).post('/api/gardens/1/weather/import').send({ text });
  zip = await archive(here);
  rowsHere = await rowsOf(here);
  columnsHere = await columnsOf(here);
  await here.stop();
  there = await startKibble({ kind: 'own', folder: join(root, 'there'), port: 0, wall });
});
afterAll(async () => {
  await there.stop();
  rmSync(root, { recursive: true, force: true });
});

const archive = async (kibble: Running): Promise<Buffer> => {
  const answer = await request(kibble.url)
    .get('/api/your-data/archive')
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => done(null, Buffer.concat(parts)));
    });
  expect(answer.status).toBe(200);
  expect(answer.headers['content-disposition']).toBe('attachment; filename="kibble-2026-07-14.zip"');
  return answer.body as Buffer;
};

describe('everything into a file', () => {
  test('no cell of a CSV is computed by a spreadsheet, also not one with a line break in it', () => {
    const files = unzipSync(zip);
    for (const [name, bytes] of Object.entries(files)) {
      if (!name.endsWith('.csv')) continue;
      const { data } = Papa.parse<string[]>(Buffer.from(bytes).toString());
      for (const cell of data.flat())
        if (!Number.isFinite(Number(cell))) expect(cell).not.toMatch(/^[=+\-@\t\r]/);
    }
    expect(Buffer.from(files['csv/beds.csv'] ?? []).toString()).toContain("'=HYPERLINK");
  });

  test('its folder and all that Kibble lays there are their owner’s alone, what was there before too', () => {
    const folder = join(root, 'here');
    expect(statSync(folder).mode & 0o777).toBe(0o700);
    for (const name of readdirSync(folder))
      expect([name, statSync(join(folder, name)).mode & 0o077]).toEqual([name, 0]);
    const old = join(root, 'from before');
    mkdirSync(join(old, 'copies'), { recursive: true, mode: 0o755 });
    const mode = 0o644;
    for (const name of [
      'kibble.sqlite',
      'kibble.log',
      'copies/kibble-20260101T000000000Z-asked.sqlite',
      'my letter.txt',
    ])
      writeFileSync(join(old, name), '', { mode });
    for (const path of [old, join(old, 'copies')]) chmodSync(path, 0o755);
    for (const name of ['kibble.sqlite', 'kibble.log', 'my letter.txt']) chmodSync(join(old, name), mode);
    ownerOnly(old);
    const modeOf = (name: string): number => statSync(join(old, name)).mode & 0o777;
    expect(['.', 'copies', 'kibble.sqlite', 'kibble.log', 'my letter.txt'].map(modeOf)).toEqual([
      0o700, 0o700, 0o600, 0o600, 0o644,
    ]);
  });

  test('the tables of the archive are those of the database, column by column', () => {
    // Round days that were proposed can be proposed anew, and a station can be asked again.
    const { kept_rounds: _proposed, forecasts: _forecast, ...kept } = columnsHere;
    expect(Object.keys(kept).sort()).toEqual([...ARCHIVE_TABLE_NAMES].sort());
    for (const table of ARCHIVE_TABLE_NAMES)
      expect([table, columnsHere[table]]).toEqual([table, Object.keys(ARCHIVE_TABLES[table]).sort()]);
  });

  test('holds the database, a table a CSV, and JSON that answers to the published schema', () => {
    const files = unzipSync(zip);
    const rows = rowsHere;
    const json = JSON.parse(Buffer.from(files['kibble.json'] ?? []).toString()) as ArchiveJson;
    expect(archiveJson.safeParse(json).error).toBeUndefined();
    expect(json.rows).toEqual(rows);
    const { data } = Papa.parse<Record<string, string>>(
      Buffer.from(files['csv/entries.csv'] ?? []).toString(),
      { header: true },
    );
    // What an entry says stands in columns of its own, as a spreadsheet wants it.
    const given = data.filter(({ sort }) => sort === 'watering' || sort === 'weather');
    expect(given.map((row) => [row.kind, row['body.litres'], row['body.rainMm']])).toEqual([
      ['watering', '33.3', ''],
      ['rain', '', '4.2'],
    ]);
    // A cell that a spreadsheet would run as a formula is not one there.
    expect(Buffer.from(files['csv/beds.csv'] ?? []).toString()).not.toMatch(/(^|,)=/m);
    const published = JSON.parse(readFileSync('docs/archive.schema.json', 'utf8')) as unknown;
    expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(archiveJson))));
  });
});

describe('and back, on another computer', () => {
  const putBack = async (bytes: Buffer) => {
    const looked = await binary(there, bytes);
    expect(looked.status).toBe(200);
    expect(looked.body.gardens).toEqual([
      { name: 'The first', beds: 2, waterings: 1, readings: 1, from: '2026-07-10', to: '2026-07-14' },
    ]);
    return ask(there).post('/api/your-data/restore').send({ token: looked.body.token });
  };

  test.each(['the zip', 'kibble.sqlite', 'kibble.json'])(
    '%s gives every table as it was; undone, all is as before',
    async (what) => {
      const before = await rowsOf(there);
      const bytes = what === 'the zip' ? zip : Buffer.from(unzipSync(zip)[what] ?? []);
      const restored = await putBack(bytes);
      expect(restored.body).toMatchObject({
        gardens: [{ name: 'The first' }],
        undo: expect.stringMatching(/-restore\.sqlite$/),
      });
      expect(await rowsOf(there)).toEqual(rowsHere);
      expect((await ask(there).get('/api/gardens/1/round')).status).toBe(200);
      // Ids go on where they were, so that nothing written later takes the place of something else.
      const made = await ask(there).post('/api/beds/1/waterings').send({ litres: 5 });
      expect(made.body.id).toBeGreaterThan(2);
      const back = await ask(there).post('/api/your-data/look-copy').send({ copy: restored.body.undo });
      await ask(there).post('/api/your-data/restore').send({ token: back.body.token });
      expect(await rowsOf(there)).toEqual(before);
    },
  );

  test('an archive of this version, kept as it was written, goes on being read', async () => {
    const looked = await binary(there, readFileSync('server/fixtures/archive-006.zip'));
    expect(looked.body.gardens).toEqual([
      { name: 'The first', beds: 2, waterings: 1, readings: 1, from: '2026-07-10', to: '2026-07-14' },
    ]);
    const restored = await ask(there).post('/api/your-data/restore').send({ token: looked.body.token });
    expect(restored.status).toBe(200);
    const round = await ask(there).get('/api/gardens/1/round');
    expect(round.body.unplanned).toEqual([]);
  });

  test('JSON of the tables as they were before is brought up to date on the way, too', async () => {
    const { 'kibble.json': json } = unzipSync(readFileSync('server/fixtures/archive-006.zip'));
    const looked = await binary(there, Buffer.from(json ?? []));
    expect(looked.body.gardens).toEqual([
      { name: 'The first', beds: 2, waterings: 1, readings: 1, from: '2026-07-10', to: '2026-07-14' },
    ]);
    expect((await ask(there).post('/api/your-data/restore').send({ token: looked.body.token })).status).toBe(
      200,
    );
    expect((await ask(there).get('/api/gardens/1/round')).body.unplanned).toEqual([]);
    const strange = {
      kibble: 'archive',
      tables: '006-nothing-lost',
      rows: { sqlite_master: [{ name: 'x' }] },
    };
    const refused = await binary(there, Buffer.from(JSON.stringify(strange)));
    expect(refused.body.error.message).toMatch(/there was no table sqlite_master/);
  });

  test('the file of the version before is brought up to date on the way', async () => {
    const looked = await binary(there, readFileSync('server/fixtures/kibble-005.sqlite'));
    expect(looked.body).toMatchObject({
      tables: LATEST,
      gardens: [{ name: 'Old ground', beds: 2 }],
    });
    const restored = await ask(there).post('/api/your-data/restore').send({ token: looked.body.token });
    expect(restored.body.gardens[0]).toMatchObject({ name: 'Old ground', waterings: 12 });
    expect((await ask(there).get('/api/gardens/1/round')).body.unplanned).toEqual([]);
  });

  test.each([
    ['words', Buffer.from('Dear diary'), /must be an archive of Kibble’s/],
    ['nothing', Buffer.alloc(0), /got nothing/],
    ['a damaged zip', Buffer.from('PK\u0003\u0004 and so on'), /zip is damaged/],
    [
      'a damaged database',
      Buffer.concat([Buffer.from('SQLite format 3\0'), Buffer.alloc(5000, 7)]),
      /not a file of Kibble’s|damaged/,
    ],
    ['JSON of something else', Buffer.from('{"recipes":[]}'), /is not as it should be/],
    [
      'JSON of a newer Kibble',
      Buffer.from('{"kibble":"archive","format":1,"tables":"099-moonlight"}'),
      /newer Kibble \(099-moonlight\)/,
    ],
  ])('%s is refused in words and touches nothing', async (_, bytes, words) => {
    const before = await rowsOf(there);
    const answer = await binary(there, bytes);
    expect(answer.status).toBe(400);
    expect(answer.body.error).toMatchObject({ field: 'file', message: expect.stringMatching(words) });
    expect(await rowsOf(there)).toEqual(before);
  });

  test('a database of a newer Kibble is refused; a made-up token or copy is not there', async () => {
    const file = join(root, 'newer.sqlite');
    writeFileSync(file, readFileSync('server/fixtures/kibble-005.sqlite'));
    const database = await openRaw(file);
    await database.run("INSERT INTO SequelizeMeta (name) VALUES ('099-moonlight')");
    await database.close();
    const answer = await binary(there, readFileSync(file));
    expect(answer.body.error.message).toMatch(/newer Kibble \(099-moonlight\)/);
    for (const token of ['../kibble', '0'.repeat(24)])
      expect((await ask(there).post('/api/your-data/restore').send({ token })).status).toBe(404);
    expect(
      (await ask(there).post('/api/your-data/look-copy').send({ copy: '../kibble.sqlite' })).status,
    ).toBe(404);
  });

  test('a station’s address in a file is not asked: Kibble asks only where it was told to', async () => {
    const file = join(root, 'station.sqlite');
    writeFileSync(file, readFileSync('server/fixtures/kibble-005.sqlite'));
    await bringUpToDate(file);
    const database = await openRaw(file);
    await database.run("UPDATE gardens SET stationUrl = 'http://127.0.0.1:9/secret', isDemo = 1");
    await database.close();
    const looked = await binary(there, readFileSync(file));
    await ask(there).post('/api/your-data/restore').send({ token: looked.body.token });
    expect((await rowsOf(there)).gardens).toMatchObject([{ stationUrl: null }]);
  });
});

describe('starting and stopping', () => {
  const folder = join(root, 'demo');

  test('--reset begins a demo afresh, keeps a copy, and removes nothing else', async () => {
    mkdirSync(folder);
    writeFileSync(join(folder, 'holiday.jpg'), 'a picture');
    const before = await openDatabase(join(folder, 'kibble.sqlite'), { kind: 'demo', now: wall.now() });
    await createGarden(gardenBody.parse(setup('My own, tried in the demo').garden));
    await closeDatabase(before);
    const again = await startKibble({ kind: 'demo', folder, port: 0, wall, reset: true });
    const gardens = (await ask(again).get('/api/gardens')).body as { name: string }[];
    expect(gardens.map(({ name }) => name)).toEqual(['Three Poplars']);
    expect(readFileSync(join(folder, 'holiday.jpg'), 'utf8')).toBe('a picture');
    expect(copiesOf(again.file).some(({ reason }) => reason === 'reset')).toBe(true);
    await again.stop();
  });

  test('--reset and the demo refuse a garden of one’s own, in words, and touch nothing', async () => {
    for (const reset of [true, false]) {
      const copy = join(root, `mine-${String(reset)}`);
      mkdirSync(copy);
      writeFileSync(join(copy, 'kibble.sqlite'), readFileSync('server/fixtures/kibble-005.sqlite'));
      await expect(startKibble({ kind: 'demo', folder: copy, port: 0, wall, reset })).rejects.toThrow(
        /garden of your own/,
      );
      expect(readFileSync(join(copy, 'kibble.sqlite'))).toEqual(
        readFileSync('server/fixtures/kibble-005.sqlite'),
      );
    }
  });

  test('a second Kibble on the folder is refused in words; a busy port too, and the folder is let go of', async () => {
    const at = (name: string, port = 0) => startKibble({ kind: 'own', folder: join(root, name), port, wall });
    await expect(at('there')).rejects.toThrow(/Another Kibble has/);
    const port = Number(new URL(there.url).port);
    await expect(at('other', port)).rejects.toThrow(/answers at 127\.0\.0\.1:\d+ already/);
    const free = await at('other');
    await free.stop();
    expect(existsSync(`${free.file}-wal`)).toBe(false);
  });
});
