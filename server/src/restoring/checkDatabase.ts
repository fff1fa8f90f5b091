import { ARCHIVE_TABLE_NAMES, wrongInRow } from '@kibble/contract';
import type { SubjectKind } from '@kibble/core';
import { columnsOf, listed } from '../db/archiveTables.ts';
import { MIGRATION_NAMES } from '../db/migrate.ts';
import { bringUpToDate } from '../db/open.ts';
import { openRaw, sqlText, type RawDatabase } from '../db/raw.ts';
import { RESTORE_LIMITS, tooLarge, wrongFile } from './limits.ts';

/** Rows looked at between two words of progress. */
const ROWS_AT_ONCE = 5000;
/** What Kibble keeps besides what an archive holds: derived, and made anew after a restore. */
const DERIVED = ['kept_rounds', 'forecasts', 'SequelizeMeta'];
/** The tables in which the subjects of entries lie. */
const SUBJECT_TABLES: Readonly<Record<SubjectKind, string>> = {
  garden: 'gardens',
  bed: 'beds',
  pot: 'pots',
  ground: 'grounds',
  tap: 'taps',
};

export type OnProgress = (rows: number, of: number) => void;

interface Thing {
  type: string;
  name: string;
  sql: string | null;
}

const ofTable = (table: string, id: unknown): string => `${table}, row ${String(id).slice(0, 40)}`;

const thingsIn = (database: RawDatabase): Promise<Thing[]> =>
  database.all<Thing>("SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_%'");

/** Refuses what would do something of its own when rows are read or written. */
async function checkSchema(database: RawDatabase): Promise<void> {
  for (const { type, name, sql } of await thingsIn(database)) {
    if (type === 'view' || type === 'trigger')
      throw wrongFile(`The file holds a ${type}, ${name}, which no garden of Kibble’s has.`);
    if (type === 'table' && !/^\s*CREATE TABLE\b/i.test(sql ?? ''))
      throw wrongFile(`The table ${name} of the file is not a plain table.`);
  }
}

/** Refuses tables that are none of Kibble's, once those of an earlier Kibble have become today's. */
async function checkTables(database: RawDatabase): Promise<void> {
  const known = new Set<string>([...ARCHIVE_TABLE_NAMES, ...DERIVED]);
  const strange = (await thingsIn(database)).find(({ type, name }) => type === 'table' && !known.has(name));
  if (strange) throw wrongFile(`The file holds a table, ${strange.name}, which no garden of Kibble’s has.`);
  for (const table of ARCHIVE_TABLE_NAMES) {
    const there = await database.all<{ name: string }>('SELECT name FROM pragma_table_info(?)', [table]);
    // SQLite takes the name of a column that is not there for a text, so that asking for it fails nowhere.
    const missing = columnsOf(table).find((column) => !there.some(({ name }) => name === column));
    if (missing)
      throw wrongFile(`The tables of the file are not as Kibble makes them: ${table} has no ${missing}.`);
  }
}

/** How many rows there are of each table, or a refusal where they are more than can be put back. */
async function countRows(database: RawDatabase, most: number): Promise<number> {
  let all = 0;
  for (const table of ARCHIVE_TABLE_NAMES) {
    const [there] = await database.all<{ n: number }>(`SELECT count(*) AS n FROM "${table}"`);
    all += there?.n ?? 0;
    if (all > most)
      throw tooLarge(
        `The file holds more than ${most.toLocaleString('en')} rows. No garden of Kibble’s is so large.`,
      );
  }
  return all;
}

/** Looks at every row of every table. */
async function checkRows(database: RawDatabase, of: number, onProgress: OnProgress): Promise<void> {
  let done = 0;
  for (const table of ARCHIVE_TABLE_NAMES) {
    const columns = listed(columnsOf(table));
    let last: unknown = null;
    for (;;) {
      const rows: Record<string, unknown>[] = await database.all(
        `SELECT rowid AS "_row", ${columns} FROM "${table}" ${last === null ? '' : 'WHERE rowid > ?'} ORDER BY rowid LIMIT ${ROWS_AT_ONCE}`,
        last === null ? [] : [last],
      );
      for (const row of rows) {
        const wrong = wrongInRow(table, row);
        if (wrong !== null)
          throw wrongFile(
            `The file cannot be put back. In ${ofTable(table, row.id ?? row.key ?? row._row)}: ${wrong}.`,
          );
      }
      done += rows.length;
      onProgress(done, of);
      if (rows.length < ROWS_AT_ONCE) break;
      last = rows.at(-1)?._row;
    }
  }
}

/**
 * Checks a database that somebody brings, brings it up to today's tables on the way, and copies its rows into a new
 * database of Kibble's own making, so that nothing but rows comes along.
 * @param brought a copy that is nobody's; it is changed
 * @throws Refusal in words on the first thing that cannot be put back
 */
export async function checkDatabase(
  brought: string,
  target: string,
  onProgress: OnProgress,
  mostRows: number = RESTORE_LIMITS.rows,
): Promise<void> {
  const before = await openRaw(brought);
  let applied: string[] = [];
  try {
    await before.run('PRAGMA trusted_schema = OFF');
    await checkSchema(before);
    applied = (await before.all<{ name: string }>('SELECT name FROM SequelizeMeta')).map(({ name }) => name);
  } finally {
    await before.close();
  }
  await bringUpToDate(brought);
  await bringUpToDate(target);
  const database = await openRaw(target);
  try {
    await database.run('PRAGMA foreign_keys = OFF');
    await database.run('PRAGMA trusted_schema = OFF');
    await database.run(`ATTACH DATABASE ${sqlText(brought)} AS brought`);
    const from = await openRaw(brought);
    try {
      await checkTables(from);
      await checkRows(from, await countRows(from, mostRows), onProgress);
    } finally {
      await from.close();
    }
    await database.run('BEGIN IMMEDIATE');
    // A file from before files had an id keeps that of the garden whose place it takes.
    const bearsId = applied.includes(WITH_ID);
    for (const table of ARCHIVE_TABLE_NAMES) {
      await database.run(`DELETE FROM main."${table}"`);
      if (table === 'house' && !bearsId) continue;
      const columns = listed(columnsOf(table));
      await database.run(
        `INSERT INTO main."${table}" (${columns}) SELECT ${columns} FROM brought."${table}"`,
      );
    }
    await database.run('COMMIT');
    await checkTogether(database);
    await database.run('DETACH DATABASE brought');
  } catch (error) {
    const { code, message } = error as { code?: string; message: string };
    throw code === 'SQLITE_CONSTRAINT'
      ? wrongFile(`The rows of the file do not fit together: ${message.replace('SQLITE_CONSTRAINT: ', '')}.`)
      : error;
  } finally {
    await database.close();
  }
}

/** The migration that gave files an id of their own. */
const WITH_ID = '013-devices-and-clocks';
if (!MIGRATION_NAMES.includes(WITH_ID)) throw new Error(`there is no migration ${WITH_ID}`);

/** What a row names must be there. */
async function checkTogether(database: RawDatabase): Promise<void> {
  const [missing] = await database.all<{ table: string; rowid: number; parent: string }>(
    'PRAGMA main.foreign_key_check',
  );
  if (missing)
    throw wrongFile(
      `The file cannot be put back. In ${ofTable(missing.table, missing.rowid)}: what it names of ${missing.parent} is not in the file.`,
    );
  for (const [kind, table] of Object.entries(SUBJECT_TABLES)) {
    const [astray] = await database.all<{ id: number }>(
      `SELECT id FROM main.entries WHERE subjectKind = '${kind}'
         AND NOT EXISTS (SELECT 1 FROM main.${table} AS t WHERE t.id = subjectId) LIMIT 1`,
    );
    if (astray)
      throw wrongFile(
        `The file cannot be put back. In ${ofTable('entries', astray.id)}: what it names of ${table} is not in the file.`,
      );
  }
  const [house] = await database.all<{ n: number }>('SELECT count(*) AS n FROM main.house');
  if ((house?.n ?? 0) > 1) throw wrongFile('The file cannot be put back: it says twice which file it is.');
}
