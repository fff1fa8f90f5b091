import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeEach, describe, expect, test } from '@jest/globals';
import { copiesOf, copyInto, makeCopy } from './copies.ts';
import { inspectFile } from './inspect.ts';
import { MIGRATION_NAMES } from './migrate.ts';
import { closeDatabase, openDatabase } from './open.ts';
import { ownFolder } from './owner.ts';
import { openRaw } from './raw.ts';
import { StartRefusal } from './startRefusal.ts';

/** A garden as the version before this one left it: two gauge readings of one day, sixty imported days, a jar of 65 % clay. */
const BEFORE = 'server/fixtures/kibble-005.sqlite';
const root = mkdtempSync(join(tmpdir(), 'kibble-file-'));
let folder = '';
let file = '';
let n = 0;
const now = new Date('2026-11-25T21:30:00Z');
const at = (minutes: number): Date => new Date(now.getTime() + minutes * 60_000);

beforeEach(() => {
  folder = join(root, String((n += 1)));
  mkdirSync(folder);
  file = join(folder, 'kibble.sqlite');
});
afterAll(() => rmSync(root, { recursive: true, force: true }));

const rowsIn = async (path: string, sql: string): Promise<Record<string, unknown>[]> => {
  const database = await openRaw(path);
  try {
    return await database.all<Record<string, unknown>>(sql);
  } finally {
    await database.close();
  }
};
const refusalOf = async (work: Promise<unknown>): Promise<string> => {
  const error = await work.then(
    () => null,
    (e: unknown) => e,
  );
  expect(error).toBeInstanceOf(StartRefusal);
  return (error as Error).message;
};

describe('a file of the version before', () => {
  test('is copied first, brought up to date, and loses nothing', async () => {
    copyFileSync(BEFORE, file);
    const before = await rowsIn(
      BEFORE,
      'SELECT id, litres, minutes, netMm AS depthMm, date FROM events ORDER BY id',
    );
    const told = `SELECT oldId AS id, json_extract(body, '$.litres') AS litres,
        json_extract(body, '$.minutes') AS minutes, json_extract(body, '$.depthMm') AS depthMm, "on" AS date
      FROM entries JOIN entry_numbers ON entryId = entries.id AND oldTable = 'events' ORDER BY oldId`;
    await closeDatabase(await openDatabase(file, { now }));
    // What a watering was taken for then stands as told.
    expect(await rowsIn(file, told)).toEqual(before);
    const [copy] = copiesOf(file);
    expect(copy).toMatchObject({ reason: 'update', madeAt: '2026-11-25T21:30:00.000Z' });
    expect(
      await rowsIn(join(folder, 'copies', copy?.name ?? ''), 'SELECT name FROM SequelizeMeta'),
    ).toHaveLength(5);
  });

  test('of two gauge readings of one day the later stands; its imported days are one import', async () => {
    copyFileSync(BEFORE, file);
    await closeDatabase(await openDatabase(file, { now }));
    const standing = await rowsIn(file, "SELECT id FROM entries WHERE kind = 'rain' AND removedAt IS NULL");
    const all = await rowsIn(file, "SELECT max(id) AS id FROM entries WHERE kind = 'rain'");
    expect(standing).toEqual(all);
    expect(await rowsIn(file, 'SELECT days FROM imports')).toEqual([{ days: 60 }]);
    expect(await rowsIn(file, 'SELECT DISTINCT importId FROM weather_days')).toEqual([{ importId: 1 }]);
  });

  test('opened twice it is changed once, and copied once', async () => {
    copyFileSync(BEFORE, file);
    await closeDatabase(await openDatabase(file, { now }));
    await closeDatabase(await openDatabase(file, { now: at(1) }));
    expect(copiesOf(file)).toHaveLength(1);
  });

  test.each([
    // What an interrupted start of the version before could leave: the work of a migration there, its note not.
    ['004-deciding', []],
    ['005-clock-and-ranks', []],
    ['001-first-tables', ['002-findings', '003-plantings', '004-deciding', '005-clock-and-ranks']],
  ])('cut short after the work of %s and before its note, it is taken up again', async (name, later) => {
    copyFileSync(BEFORE, file);
    const database = await openRaw(file);
    for (const note of [name, ...later])
      await database.run('DELETE FROM SequelizeMeta WHERE name = ?', [note]);
    await database.close();
    await closeDatabase(await openDatabase(file, { now }));
    expect((await rowsIn(file, 'SELECT count(*) AS n FROM beds'))[0]?.n).toBe(2);
    expect(await rowsIn(file, 'SELECT name FROM SequelizeMeta')).toHaveLength(MIGRATION_NAMES.length);
  });
});

describe('a file that Kibble must not touch', () => {
  test('of a newer Kibble is refused in words, and stays as it is', async () => {
    copyFileSync(BEFORE, file);
    const database = await openRaw(file);
    await database.run("INSERT INTO SequelizeMeta (name) VALUES ('099-moonlight')");
    await database.close();
    const before = statSync(file).mtimeMs;
    expect(await refusalOf(openDatabase(file))).toMatch(/newer Kibble \(it knows of 099-moonlight/);
    expect(statSync(file).mtimeMs).toBe(before);
    expect(readdirSync(folder)).toEqual(['kibble.sqlite']);
  });

  test('full of something else is refused in words', async () => {
    writeFileSync(file, 'Dear diary, it rained.'.repeat(100));
    expect(await refusalOf(openDatabase(file))).toMatch(/is not a file of Kibble’s/);
  });

  test('of another program is refused in words', async () => {
    const other = await openRaw(file, { create: true });
    await other.run('CREATE TABLE recipes (name TEXT)');
    await other.close();
    expect(await refusalOf(openDatabase(file))).toMatch(/another program/);
    expect(await rowsIn(file, "SELECT name FROM sqlite_master WHERE type = 'table'")).toEqual([
      { name: 'recipes' },
    ]);
  });

  test('cut off in the middle is refused as damaged', async () => {
    copyFileSync(BEFORE, file);
    const database = await openRaw(file);
    await database.run('PRAGMA journal_mode = DELETE');
    await database.close();
    const { truncateSync } = await import('node:fs');
    truncateSync(file, Math.floor(statSync(file).size / 2));
    expect(await refusalOf(openDatabase(file))).toMatch(/damaged/);
  });

  test('the demo does not open a garden of one’s own, nor the other way about', async () => {
    copyFileSync(BEFORE, file);
    expect(await refusalOf(openDatabase(file, { kind: 'demo' }))).toMatch(
      /a garden of your own, and the demo garden was asked for/,
    );
    const demo = join(folder, 'demo.sqlite');
    await closeDatabase(await openDatabase(demo, { kind: 'demo' }));
    expect(await refusalOf(openDatabase(demo))).toMatch(
      /the demo garden, and a garden of your own was asked for/,
    );
  });

  test('an empty one, as a first start that was cut off leaves it, is begun', async () => {
    writeFileSync(file, '');
    await closeDatabase(await openDatabase(file));
    expect((await inspectFile(file)).applied).toHaveLength(MIGRATION_NAMES.length);
  });
});

describe('copies', () => {
  test('hold everything that was written, also what still lies in the log beside the file', async () => {
    copyFileSync(BEFORE, file);
    const open = await openDatabase(file, { now });
    await open.query("UPDATE gardens SET name = 'Written a moment ago'");
    const target = join(folder, 'copy.sqlite');
    await copyInto(file, target);
    expect(await rowsIn(target, 'SELECT name FROM gardens')).toEqual([{ name: 'Written a moment ago' }]);
    await closeDatabase(open);
  });

  test('of each reason the last five are kept, and none bears a name before it is whole', async () => {
    copyFileSync(BEFORE, file);
    writeFileSync(join(folder, 'left-over.part'), '');
    for (let i = 0; i < 7; i += 1) await makeCopy(file, 'nightly', at(i));
    await makeCopy(file, 'asked', at(9));
    const copies = copiesOf(file);
    expect(copies.filter(({ reason }) => reason === 'nightly').map(({ madeAt }) => madeAt)).toEqual(
      [6, 5, 4, 3, 2].map((i) => at(i).toISOString()),
    );
    expect(copies[0]?.reason).toBe('asked');
    expect(readdirSync(join(folder, 'copies')).filter((name) => name.endsWith('.part'))).toEqual([]);
  });

  test('a stopped Kibble leaves everything in the one file', async () => {
    copyFileSync(BEFORE, file);
    const open = await openDatabase(file, { now });
    await open.query("UPDATE gardens SET name = 'Last word'");
    await closeDatabase(open);
    expect(existsSync(`${file}-wal`) ? statSync(`${file}-wal`).size : 0).toBe(0);
    const alone = join(folder, 'carried-away.sqlite');
    copyFileSync(file, alone);
    expect(await rowsIn(alone, 'SELECT name FROM gardens')).toEqual([{ name: 'Last word' }]);
  });
});

describe('one owner a folder', () => {
  test('a second Kibble is refused in words; let go of, the folder is free', async () => {
    const letGo = await ownFolder(folder, now);
    expect(await refusalOf(ownFolder(folder, now))).toMatch(
      /Another Kibble has .* open \(process \d+, since 2026-11-25 21:30 UTC\)/,
    );
    await letGo();
    await (
      await ownFolder(folder, now)
    )();
  });
});
