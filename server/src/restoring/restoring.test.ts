import { copyFileSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { pino } from 'pino';
import { strToU8, zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { appHere, settled } from '../../tests/appHere.ts';
import { ask } from '../../tests/ask.ts';
import { freshDatabase } from '../../tests/fresh.ts';
import { GARDEN, POT } from '../../tests/oneBed.ts';
import { openRaw } from '../db/raw.ts';
import { closeDatabase } from '../db/open.ts';
import { Refusal } from '../errors.ts';
import { checkDatabase } from './checkDatabase.ts';
import { checkingBeside, checkingHere } from './checking.ts';
import { prepareRestore } from './prepare.ts';
import { unpack } from './unpack.ts';

const root = mkdtempSync(join(tmpdir(), 'kibble-restoring-'));
const garden = join(root, 'garden.sqlite');
let n = 0;

beforeAll(async () => {
  const sequelize = await freshDatabase(garden);
  const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
  const app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) });
  await ask(app).post('/api/gardens').send(GARDEN).expect(201);
  await ask(app).post('/api/gardens/1/pots').send(POT).expect(201);
  await ask(app).post('/api/beds/1/waterings').send({ litres: 30 }).expect(201);
  const text = 'date,tmin (°C),tmax (°C),rain (mm)\n2026-07-01,10.1,20.2,0.3\n';
  await ask(app).post('/api/gardens/1/weather/import').send({ text }).expect(201);
  await settled(app);
  await closeDatabase(sequelize);
});
afterAll(() => rmSync(root, { recursive: true, force: true }));

/** A file like the garden's, but for what is done to it. */
async function changed(...statements: string[]): Promise<string> {
  const file = join(root, `changed-${(n += 1)}.sqlite`);
  copyFileSync(garden, file);
  const database = await openRaw(file);
  await database.run('PRAGMA foreign_keys = OFF');
  for (const sql of statements) await database.run(sql);
  await database.close();
  return file;
}
const target = (): string => join(root, `target-${(n += 1)}.sqlite`);
async function refusalOf(brought: string, into = target()): Promise<Refusal> {
  const error = await prepareRestore(brought, into).then(
    () => null,
    (e: unknown) => e,
  );
  expect(error).toBeInstanceOf(Refusal);
  expect(existsSync(into)).toBe(false);
  return error as Refusal;
}

describe('a file that is put back is checked row by row', () => {
  test.each([
    [
      "UPDATE entries SET body = json_set(body, '$.litres', -1) WHERE kind = 'watering'",
      /entries, row \d+: litres must be 0 or more; got -1/,
    ],
    [
      "UPDATE entries SET body = json_set(body, '$.litres', 'many') WHERE kind = 'watering'",
      /litres must be a number; got many/,
    ],
    ['UPDATE entries SET "on" = \'2026-02-30\'', /on must be a day of the calendar.*got 2026-02-30/],
    ['UPDATE entries SET "on" = \'0001-01-01\'', /on must be a day of the calendar/],
    [
      "UPDATE entries SET kind = 'flood' WHERE kind = 'watering'",
      /kind must be one of watering, skip, .*; got flood/,
    ],
    ["UPDATE entries SET at = 'yesterday'", /at must be a moment/],
    [
      "UPDATE entries SET subjectId = 77 WHERE subjectKind = 'bed'",
      /entries, row \d+: what it names of beds is not in the file/,
    ],
    ["UPDATE gardens SET timeZone = 'Mars/Olympus'", /gardens, row 1: timeZone must be a time zone.*Mars/],
    ['UPDATE gardens SET latitudeDeg = 123', /latitudeDeg must be 90 or less; got 123/],
    ["UPDATE gardens SET units = 'furlongs'", /units must be one of metric, us/],
    ["UPDATE gardens SET limits = '{'", /limits must be JSON/],
    [
      `UPDATE entries SET body = '${'['.repeat(70)}${']'.repeat(70)}' WHERE kind = 'vessel'`,
      /body must be JSON/,
    ],
    ["UPDATE entries SET body = x'00ff' WHERE kind = 'vessel'", /body must be JSON/],
    ['UPDATE weather_days SET tMinC = 30', /lowest temperature, 30, is above the highest, 20.2/],
    ['UPDATE plantings SET share = 4', /share must be 1 or less; got 4/],
    ["UPDATE house SET id = 'mine'", /id must be 24 letters/],
    ["INSERT INTO house (id) VALUES ('0123456789abcdef01234567')", /twice which file/],
  ])('%s is refused in words', async (sql, words) => {
    const { code, message, facts } = await refusalOf(await changed(sql));
    expect([code, facts.field]).toEqual(['invalid', 'file']);
    expect(message).toMatch(words);
  });

  test.each([
    [
      'a view in the place of a table',
      ['ALTER TABLE drafts RENAME TO d', 'CREATE VIEW drafts AS SELECT * FROM d'],
      /view, drafts/,
    ],
    [
      'a trigger',
      ['CREATE TRIGGER sly AFTER INSERT ON entries BEGIN DELETE FROM beds; END'],
      /trigger, sly, which no garden/,
    ],
    ['a table of another program', ['CREATE TABLE recipes (name TEXT)'], /table, recipes, which no garden/],
    [
      'a virtual table',
      ['CREATE VIRTUAL TABLE words USING fts5(text)'],
      /words.*not a plain table|table, words/,
    ],
    [
      'a table without its columns',
      ['ALTER TABLE entries DROP COLUMN note'],
      /not as Kibble makes them.*note/,
    ],
    ['a missing table', ['DROP TABLE drafts'], /not as Kibble makes them.*drafts/],
  ])('%s is refused in words', async (_what, statements, words) => {
    expect((await refusalOf(await changed(...statements))).message).toMatch(words);
  });

  test('a sound one passes, with nothing but its rows; derived tables are made anew', async () => {
    const into = target();
    await prepareRestore(await changed('CREATE INDEX mine ON entries (note)'), into);
    const database = await openRaw(into);
    const things = await database.all<{ name: string }>(
      "SELECT name FROM sqlite_master WHERE name = 'mine' OR type IN ('view', 'trigger')",
    );
    const [row] = await database.all<{ litres: number; id: string }>(
      "SELECT json_extract(body, '$.litres') AS litres, (SELECT id FROM house) AS id FROM entries WHERE kind = 'watering'",
    );
    await database.close();
    expect(things).toEqual([]);
    expect(row?.litres).toBe(30);
    expect(row?.id).toMatch(/^[0-9a-f]{24}$/);
  });

  test('a file from before files had an id brings none: the garden it replaces keeps its own', async () => {
    const brought = join(root, 'older.sqlite');
    copyFileSync('server/fixtures/kibble-006.sqlite', brought);
    const into = target();
    await prepareRestore(brought, into);
    const database = await openRaw(into);
    expect(await database.all('SELECT * FROM house')).toEqual([]);
    await database.close();
  });

  test('more rows than any garden has are refused before they are looked at', async () => {
    const many = await changed(
      `INSERT INTO weather_days (gardenId, date, source, tMinC, tMaxC, rainMm, importId)
       WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 3000)
       SELECT 1, date('1990-01-01', '+' || i || ' days'), 'import', 1, 2, 0, 1 FROM n`,
    );
    await expect(checkDatabase(many, target(), () => undefined, 2000)).rejects.toThrow(
      'more than 2,000 rows',
    );
  });
});

describe('an archive', () => {
  test('that unpacks to more than it may is given up on the way', async () => {
    const zip = join(root, 'bomb.zip');
    writeFileSync(zip, zipSync({ 'kibble.sqlite': new Uint8Array(3_000_000) }));
    await expect(unpack(zip, join(root, 'bomb.out'), 1_000_000)).rejects.toThrow('unpacks to more than');
  });

  test('of something else, cut short or damaged is refused in words', async () => {
    const as = (name: string, bytes: Uint8Array): string => {
      const file = join(root, name);
      writeFileSync(file, bytes);
      return file;
    };
    const whole = zipSync({ 'read-me.txt': strToU8('hello'), 'kibble.sqlite': readFileSync(garden) });
    expect((await refusalOf(as('other.zip', zipSync({ 'a.txt': strToU8('a') })))).message).toMatch(
      /holds no kibble/,
    );
    expect((await refusalOf(as('cut.zip', whole.slice(0, whole.length / 2)))).message).toMatch(/damaged/);
    const into = target();
    await prepareRestore(as('whole.zip', whole), into);
    expect(existsSync(into)).toBe(true);
  });
});

describe('where it is checked', () => {
  test('in a process of its own, with the same words, and one file at a time', async () => {
    const checking = checkingBeside(join(root, 'program'));
    const into = target();
    const rows: number[] = [];
    const first = checking.check(await changed('SELECT 1'), into, (done) => rows.push(done));
    await expect(checking.check(garden, target())).rejects.toThrow('Another file is being checked');
    await first;
    expect(existsSync(into)).toBe(true);
    expect(rows.at(-1)).toBeGreaterThan(10);
    expect(checking.progress()).toBeNull();
    await expect(
      checking.check(await changed('UPDATE entries SET "on" = \'2026-02-30\''), target()),
    ).rejects.toThrow('must be a day of the calendar');
    await checking.stop();
  }, 60_000);

  test('what takes too long is given up, and a server that is told to stop does not wait for it', async () => {
    const hasty = checkingBeside(join(root, 'program'), { ms: 1, mb: 700 });
    await expect(hasty.check(await changed('SELECT 1'), target())).rejects.toThrow('was given up');
    const stopped = checkingBeside(join(root, 'program'));
    const under = stopped.check(await changed('SELECT 1'), target());
    under.catch(() => undefined);
    // Until its program is made and begun there is nothing to stop.
    while (stopped.progress()?.of === 0) await new Promise((after) => setTimeout(after, 5));
    await stopped.stop();
    await expect(under).rejects.toBeInstanceOf(Refusal);
  }, 60_000);

  test('in the process that answers, for what keeps nothing on disk', async () => {
    const into = target();
    await checkingHere().check(await changed('SELECT 1'), into);
    expect(existsSync(into)).toBe(true);
  });
});
