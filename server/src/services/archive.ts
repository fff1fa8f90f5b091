import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import {
  ARCHIVE_FORMAT,
  ARCHIVE_TABLE_NAMES,
  ARCHIVE_TABLES,
  archiveJson,
  type ArchiveJson,
} from '@kibble/contract';
import { unzipSync, zip, type AsyncZippable } from 'fflate';
import Papa from 'papaparse';
import type { Sequelize } from 'sequelize';
import { z } from 'zod';
import { copyInto } from '../db/copies.ts';
import { inspectFile } from '../db/inspect.ts';
import { LATEST, MIGRATION_NAMES } from '../db/migrate.ts';
import { bringUpToDate } from '../db/open.ts';
import { openRaw, type RawDatabase } from '../db/raw.ts';
import { startWords } from '../db/startRefusal.ts';
import { writerOf } from '../db/writer.ts';
import { Refusal } from '../errors.ts';

/** Largest an archive may unpack to: a guard against files made to fill the disk. */
const MOST_BYTES = 1_000_000_000;
const DATABASE = 'kibble.sqlite';
const JSON_FILE = 'kibble.json';

type Row = Record<string, string | number | null>;

const columnsOf = (table: keyof typeof ARCHIVE_TABLES): string[] => Object.keys(ARCHIVE_TABLES[table]);
const listed = (columns: readonly string[]): string => columns.map((c) => `"${c}"`).join(', ');

/** Every row of every table, as JSON. */
async function rowsOf(database: RawDatabase, madeAt: Date): Promise<ArchiveJson> {
  const rows = {} as ArchiveJson['rows'];
  for (const table of ARCHIVE_TABLE_NAMES)
    rows[table] = await database.all<Row>(`SELECT ${listed(columnsOf(table))} FROM ${table} ORDER BY 1`);
  return { kibble: 'archive', format: ARCHIVE_FORMAT, tables: LATEST, madeAt: madeAt.toISOString(), rows };
}

const README = `A garden kept with Kibble, as it stood when this was written.

kibble.sqlite       everything, as the one file Kibble works with
kibble.json         the same, as JSON; its schema is kibble.schema.json
csv/*.csv           the same, a table a file, for any spreadsheet

Settings › Your data in any Kibble, also on another computer, puts back this file whole, or kibble.sqlite or
kibble.json alone, and shows what it holds before it does.
`;

/** What a spreadsheet would compute. The library's own pattern ends at a line break, and lets a cell with one in it through. */
const FORMULA = /^[=+\-@\t\r]/;

/** Everything in one zip: the database as it stands at this moment, JSON with its schema, and a CSV a table. */
export async function writeArchive(file: string, folder: string, now: Date): Promise<Uint8Array> {
  mkdirSync(folder, { recursive: true });
  const copy = join(folder, `out-${now.getTime()}.sqlite`);
  await copyInto(file, copy);
  try {
    const database = await openRaw(copy);
    const json = await rowsOf(database, now).finally(() => database.close());
    const text = (value: string): Uint8Array => new TextEncoder().encode(value);
    const files: AsyncZippable = {
      'read-me.txt': text(README),
      [DATABASE]: readFileSync(copy),
      [JSON_FILE]: text(JSON.stringify(json)),
      'kibble.schema.json': text(JSON.stringify(z.toJSONSchema(archiveJson), null, 2)),
    };
    for (const table of ARCHIVE_TABLE_NAMES)
      files[`csv/${table}.csv`] = text(
        Papa.unparse({ fields: columnsOf(table), data: json.rows[table] }, { escapeFormulae: FORMULA }),
      );
    return await new Promise<Uint8Array>((done, failed) =>
      zip(files, { level: 6 }, (error, data) => (error ? failed(error) : done(data))),
    );
  } finally {
    rmSync(copy, { force: true });
  }
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
const isSqlite = (bytes: Uint8Array): boolean =>
  Buffer.from(bytes.subarray(0, 15)).toString() === 'SQLite format 3';

function unpacked(bytes: Uint8Array): Uint8Array {
  let total = 0;
  const files = ((): Record<string, Uint8Array> => {
    try {
      return unzipSync(bytes, {
        filter: ({ name, originalSize }) => {
          total += name === DATABASE ? originalSize : 0;
          return name === DATABASE && total <= MOST_BYTES;
        },
      });
    } catch {
      throw new Refusal('invalid', 'The file must be an archive of Kibble’s; this zip is damaged.', 'file');
    }
  })();
  const database = files[DATABASE];
  if (total > MOST_BYTES) throw new Refusal('too-large', 'The archive unpacks to more than 1 GB.', 'file');
  if (!database)
    throw new Refusal(
      'invalid',
      `The file must be an archive of Kibble’s; this zip holds no ${DATABASE}.`,
      'file',
    );
  return database;
}

/** An archive of tables as they were before: rows by table, as far as its own database then had them. */
const olderJson = z.object({
  tables: z.string(),
  rows: z.record(z.string(), z.array(z.record(z.string(), z.union([z.string(), z.number(), z.null()])))),
});

/** What a JSON archive holds: the state of the tables it was written from, and their rows. */
function readJson(text: string): { tables: string; rows: Record<string, Row[]> } {
  const wrong = (why: string): Refusal =>
    new Refusal(
      'invalid',
      `The file must be an archive of Kibble’s (a zip, its kibble.sqlite or its kibble.json): ${why}.`,
      'file',
    );
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw wrong('this is none of them');
  }
  const { kibble, tables } = (value ?? {}) as { kibble?: unknown; tables?: unknown };
  if (kibble === 'archive' && typeof tables === 'string' && !MIGRATION_NAMES.includes(tables))
    throw new Refusal(
      'invalid',
      `The file was written by a newer Kibble (${tables}). Put it back with that one.`,
      'file',
    );
  const schema = kibble === 'archive' && tables !== LATEST ? olderJson : archiveJson;
  const read = schema.safeParse(value);
  if (read.success) return read.data as { tables: string; rows: Record<string, Row[]> };
  const [issue] = read.error.issues;
  throw wrong(`${issue?.path.join('.') || 'its beginning'} is not as it should be (${issue?.message})`);
}

/** A JSON archive as a database: made empty as its tables were then, filled, and brought up to date. */
async function fromJson(text: string, target: string): Promise<void> {
  const json = readJson(text);
  await bringUpToDate(target, json.tables);
  const database = await openRaw(target);
  try {
    await database.run('BEGIN IMMEDIATE');
    await database.run('PRAGMA defer_foreign_keys = ON');
    if (json.rows.house) await database.run('DELETE FROM house');
    for (const [table, rows] of Object.entries(json.rows)) {
      if (!/^(?!sqlite_)[a-z_]+$/.test(table)) throw new Error(`there was no table ${table}`);
      const there = await database.all<{ name: string }>('SELECT name FROM pragma_table_info(?)', [table]);
      const columns = there.map(({ name }) => name);
      if (columns.length === 0) throw new Error(`there was no table ${table}`);
      const marks = columns.map(() => '?').join(', ');
      for (const row of rows)
        await database.run(
          `INSERT INTO "${table}" (${listed(columns)}) VALUES (${marks})`,
          columns.map((c) => row[c] ?? null),
        );
    }
    await database.run('COMMIT');
  } catch (error) {
    throw new Refusal(
      'invalid',
      `The rows of the file do not fit together: ${(error as Error).message}.`,
      'file',
    );
  } finally {
    await database.close();
  }
  await bringUpToDate(target);
}

/** Removes a database file with what SQLite lays beside it. */
export function removeDatabase(file: string): void {
  for (const suffix of ['', '-wal', '-shm', '-journal']) rmSync(`${file}${suffix}`, { force: true });
}

/**
 * Makes of a file somebody brings a database of today's state, in a place of its own; nothing of the garden is touched.
 * @throws Refusal in words on a file that is none of Kibble's, damaged, or newer than this Kibble
 */
export async function prepareRestore(bytes: Uint8Array, target: string): Promise<void> {
  mkdirSync(dirname(target), { recursive: true });
  removeDatabase(target);
  try {
    const database = isZip(bytes) ? unpacked(bytes) : bytes;
    if (!isSqlite(database)) {
      await fromJson(Buffer.from(database).toString('utf8'), target);
      return;
    }
    writeFileSync(target, database);
    const facts = await inspectFile(target);
    const newer = facts.applied.filter((name) => !MIGRATION_NAMES.includes(name));
    if (newer.length > 0)
      throw new Refusal(
        'invalid',
        `The file was written by a newer Kibble (${newer.join(', ')}). Put it back with that one.`,
        'file',
      );
    await bringUpToDate(target);
  } catch (error) {
    removeDatabase(target);
    if (error instanceof Refusal) throw error;
    const words = startWords(error, 'The file');
    throw words ? new Refusal('invalid', words, 'file') : error;
  }
}

/** What a database of today's state holds, garden by garden. */
export async function factsOf(file: string) {
  const database = await openRaw(file);
  try {
    const gardens = await database.all<{
      name: string;
      beds: number;
      waterings: number;
      readings: number;
      from: string | null;
      to: string | null;
    }>(
      `SELECT name,
         (SELECT count(*) FROM beds WHERE gardenId = g.id AND archivedAt IS NULL) AS beds,
         (SELECT count(*) FROM events WHERE gardenId = g.id AND kind = 'watering' AND removedAt IS NULL) AS waterings,
         (SELECT count(*) FROM entries WHERE gardenId = g.id AND removedAt IS NULL AND sort <> 'setting') AS readings,
         (SELECT min(date) FROM events WHERE gardenId = g.id AND removedAt IS NULL) AS "from",
         (SELECT max(date) FROM events WHERE gardenId = g.id AND removedAt IS NULL) AS "to"
       FROM gardens g ORDER BY id`,
    );
    const [weather] = await database.all<{ n: number }>('SELECT count(*) AS n FROM weather_days');
    return { gardens, weatherDays: weather?.n ?? 0 };
  } finally {
    await database.close();
  }
}

/**
 * Puts the rows of a prepared database in the place of all that stand, in one transaction of the one writer: pulled
 * at any moment, either everything is as before or everything is as in the copy. A station's address is not taken
 * from a file: Kibble asks only addresses it was told here.
 */
export async function pour(sequelize: Sequelize, source: string, stationUrl: string | null): Promise<void> {
  if (!existsSync(source))
    throw new Refusal('not-found', 'The copy is not there any more; choose it anew.', 'token');
  const database = await openRaw(source);
  const rows = {} as ArchiveJson['rows'];
  try {
    for (const table of ARCHIVE_TABLE_NAMES)
      rows[table] = await database.all<Row>(`SELECT ${listed(columnsOf(table))} FROM ${table} ORDER BY 1`);
  } finally {
    await database.close();
  }
  await writerOf(sequelize)(async () => {
    await sequelize.query('PRAGMA defer_foreign_keys = ON');
    for (const table of [...ARCHIVE_TABLE_NAMES].reverse()) await sequelize.query(`DELETE FROM ${table}`);
    const query = sequelize.getQueryInterface();
    for (const table of ARCHIVE_TABLE_NAMES)
      for (let i = 0; i < rows[table].length; i += BATCH)
        await query.bulkInsert(table, rows[table].slice(i, i + BATCH));
    await sequelize.query('UPDATE gardens SET stationUrl = CASE WHEN isDemo = 1 THEN ? ELSE NULL END', {
      replacements: [stationUrl],
    });
  });
}

/** Rows written at once. */
const BATCH = 500;
