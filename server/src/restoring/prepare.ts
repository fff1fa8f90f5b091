import { createReadStream, readFileSync, rmSync, statSync } from 'node:fs';
import {
  ARCHIVE_TABLE_NAMES,
  parseRawJson,
  RawJsonError,
  wrongInRow,
  type ArchiveTable,
} from '@kibble/contract';
import { z } from 'zod';
import { listed } from '../db/archiveTables.ts';
import { inspectFile } from '../db/inspect.ts';
import { LATEST, MIGRATION_NAMES } from '../db/migrate.ts';
import { bringUpToDate } from '../db/open.ts';
import { openRaw, sqliteCode } from '../db/raw.ts';
import { startWords } from '../db/startRefusal.ts';
import { Refusal } from '../errors.ts';
import { checkDatabase, type OnProgress } from './checkDatabase.ts';
import { RESTORE_LIMITS, tooLarge, wrongFile } from './limits.ts';
import { unpack } from './unpack.ts';

/** Removes a database file with what SQLite lays beside it. */
export function removeDatabase(file: string): void {
  for (const suffix of ['', '-wal', '-shm', '-journal']) rmSync(`${file}${suffix}`, { force: true });
}

async function firstBytes(file: string): Promise<string> {
  for await (const piece of createReadStream(file, { end: 15 })) return (piece as Buffer).toString('latin1');
  return '';
}

/** An archive in JSON: rows by table, as far as its own database then had them. */
const archived = z.object({
  kibble: z.literal('archive'),
  tables: z.string(),
  rows: z.record(z.string(), z.array(z.record(z.string(), z.union([z.string(), z.number(), z.null()])))),
});

/** What a JSON archive holds: the state of the tables it was written from, and their rows. */
function readJson(file: string): z.infer<typeof archived> {
  const wrong = (why: string): Refusal =>
    wrongFile(
      `The file must be an archive of Kibble’s (a zip, its kibble.sqlite or its kibble.json): ${why}.`,
    );
  if (statSync(file).size > RESTORE_LIMITS.jsonBytes)
    throw tooLarge(
      `As JSON at most ${RESTORE_LIMITS.jsonBytes / 1e6} MB are taken. Put back the zip or its kibble.sqlite instead.`,
    );
  let value: unknown;
  try {
    value = parseRawJson(readFileSync(file, 'utf8'));
  } catch (error) {
    if (!(error instanceof RawJsonError)) throw error;
    throw wrong(error.reason === 'not JSON' ? 'this is none of them' : error.message);
  }
  const { kibble, tables } = (value ?? {}) as { kibble?: unknown; tables?: unknown };
  if (kibble === 'archive' && typeof tables === 'string' && !MIGRATION_NAMES.includes(tables))
    throw wrongFile(`The file was written by a newer Kibble (${tables}). Put it back with that one.`);
  const read = archived.safeParse(value);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw wrong(`${issue?.path.join('.') || 'its beginning'} is not as it should be (${issue?.message})`);
}

/** A JSON archive as a database: made empty as its tables were then, and filled. It is checked like any other after that. */
async function fromJson(file: string, target: string): Promise<void> {
  const { tables, rows: all } = readJson(file);
  await bringUpToDate(target, tables);
  const database = await openRaw(target);
  try {
    await database.run('PRAGMA foreign_keys = OFF');
    await database.run('BEGIN IMMEDIATE');
    for (const [table, rows] of Object.entries(all)) {
      if (!/^(?!sqlite_)[a-z_]+$/.test(table))
        throw wrongFile(
          `The rows of the file do not fit together: there was no table ${table.slice(0, 60)}.`,
        );
      if (tables === LATEST && (ARCHIVE_TABLE_NAMES as readonly string[]).includes(table))
        for (const row of rows) {
          const wrong = wrongInRow(table as ArchiveTable, row);
          if (wrong !== null)
            throw wrongFile(
              `The file cannot be put back. In ${table}, row ${row.id ?? row.key ?? '?'}: ${wrong}.`,
            );
        }
      const there = await database.all<{ name: string }>('SELECT name FROM pragma_table_info(?)', [table]);
      const columns = there.map(({ name }) => name);
      if (columns.length === 0)
        throw wrongFile(`The rows of the file do not fit together: there was no table ${table}.`);
      await database.run(`DELETE FROM "${table}"`);
      const marks = columns.map(() => '?').join(', ');
      for (const row of rows)
        await database.run(
          `INSERT INTO "${table}" (${listed(columns)}) VALUES (${marks})`,
          columns.map((c) => row[c] ?? null),
        );
    }
    await database.run('COMMIT');
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw wrongFile(`The rows of the file do not fit together: ${(error as Error).message}.`);
  } finally {
    await database.close();
  }
}

/**
 * Makes of a file that somebody brings a database of today's state, checked row by row, in a place of its own. Nothing
 * of the garden is touched.
 * @param brought the file, which is nobody's any more; `target` where the database is made
 * @throws Refusal in words on a file that is none of Kibble's, damaged, newer than this Kibble, or holds what cannot be
 */
export async function prepareRestore(
  brought: string,
  target: string,
  onProgress: OnProgress = () => undefined,
): Promise<void> {
  const work = `${target}.brought`;
  removeDatabase(target);
  removeDatabase(work);
  try {
    const begins = await firstBytes(brought);
    let database = brought;
    if (begins.startsWith('PK')) {
      await unpack(brought, work);
      database = work;
    } else if (!begins.startsWith('SQLite format 3')) {
      await fromJson(brought, work);
      database = work;
    }
    if (statSync(database).size > RESTORE_LIMITS.bytes)
      throw tooLarge(`The file holds more than ${RESTORE_LIMITS.bytes / 1e9} GB.`);
    const facts = await inspectFile(database);
    const newer = facts.applied.filter((name) => !MIGRATION_NAMES.includes(name));
    if (newer.length > 0)
      throw wrongFile(
        `The file was written by a newer Kibble (${newer.join(', ')}). Put it back with that one.`,
      );
    await checkDatabase(database, target, onProgress);
  } catch (error) {
    removeDatabase(target);
    if (error instanceof Refusal) throw error;
    const words = startWords(error, 'The file');
    if (words) throw wrongFile(words);
    // Tables of the right names that are not as Kibble makes them.
    throw sqliteCode(error)?.match(/^SQLITE_(ERROR|MISMATCH|TOOBIG|CONSTRAINT)$/)
      ? wrongFile(
          `The tables of the file are not as Kibble makes them: ${(error as Error).message.slice(0, 200)}.`,
        )
      : error;
  } finally {
    removeDatabase(work);
    rmSync(brought, { force: true });
  }
}
