import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import {
  ARCHIVE_FORMAT,
  ARCHIVE_TABLE_NAMES,
  archiveJson,
  EVENT_KINDS,
  type ArchiveJson,
} from '@kibble/contract';
import { FINDING_SORTS } from '@kibble/core';
import { zip, type AsyncZippable } from 'fflate';
import Papa from 'papaparse';
import type { Sequelize } from 'sequelize';
import { z } from 'zod';
import { columnsOf, listed } from '../db/archiveTables.ts';
import { copyInto } from '../db/copies.ts';
import { reportProgress } from '../db/lock.ts';
import { LATEST } from '../db/migrate.ts';
import { openRaw, type RawDatabase } from '../db/raw.ts';
import { writerOf } from '../db/writer.ts';
import { Refusal } from '../errors.ts';

const DATABASE = 'kibble.sqlite';
const JSON_FILE = 'kibble.json';

type Row = Record<string, string | number | null>;

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

/** An entry with the plain figures and words of what it says beside it, each under a name of its own. */
function spread(entry: Row): Row {
  let said: unknown = null;
  try {
    said = JSON.parse(String(entry.body));
  } catch {
    // What cannot be read stands as it is, in its own column.
  }
  if (typeof said !== 'object' || said === null) return entry;
  const plain = Object.entries(said).filter(
    ([name, value]) => name !== 'kind' && ['string', 'number', 'boolean'].includes(typeof value),
  );
  return { ...entry, ...Object.fromEntries(plain.map(([name, value]) => [`body.${name}`, value as string])) };
}

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
    for (const table of ARCHIVE_TABLE_NAMES) {
      const rows = table === 'entries' ? json.rows.entries.map(spread) : json.rows[table];
      const fields = [...new Set([...columnsOf(table), ...rows.flatMap((row) => Object.keys(row))])];
      files[`csv/${table}.csv`] = text(Papa.unparse({ fields, data: rows }, { escapeFormulae: FORMULA }));
    }
    return await new Promise<Uint8Array>((done, failed) =>
      zip(files, { level: 6 }, (error, data) => (error ? failed(error) : done(data))),
    );
  } finally {
    rmSync(copy, { force: true });
  }
}

const quoted = (words: readonly string[]): string => words.map((word) => `'${word}'`).join(', ');
const FOUND = quoted(FINDING_SORTS);
const HAPPENED = quoted(EVENT_KINDS);

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
         (SELECT count(*) FROM entries WHERE gardenId = g.id AND kind = 'watering' AND removedAt IS NULL) AS waterings,
         (SELECT count(*) FROM entries WHERE gardenId = g.id AND removedAt IS NULL
            AND subjectKind IN ('bed', 'ground', 'tap') AND sort IN (${FOUND})) AS readings,
         (SELECT min("on") FROM entries WHERE gardenId = g.id AND removedAt IS NULL AND kind IN (${HAPPENED})) AS "from",
         (SELECT max("on") FROM entries WHERE gardenId = g.id AND removedAt IS NULL AND kind IN (${HAPPENED})) AS "to"
       FROM gardens g ORDER BY id`,
    );
    const [weather] = await database.all<{ n: number }>('SELECT count(*) AS n FROM weather_days');
    return { gardens, weatherDays: weather?.n ?? 0 };
  } finally {
    await database.close();
  }
}

/** Rows carried at once: few enough that nobody else waits long for the thread that answers. */
const BATCH = 500;

/**
 * Puts the rows of a prepared database in the place of all that stand, in one transaction of the one writer: pulled
 * at any moment, either everything is as before or everything is as in the copy. A station's address is not taken
 * from a file: Kibble asks only addresses it was told here.
 */
export async function pour(sequelize: Sequelize, source: string, stationUrl: string | null): Promise<void> {
  if (!existsSync(source))
    throw new Refusal('not-found', 'The copy is not there any more; choose it anew.', 'token');
  const database = await openRaw(source);
  try {
    await writerOf(sequelize)(async () => {
      await sequelize.query('PRAGMA defer_foreign_keys = ON');
      const [house] = await database.all<{ n: number }>('SELECT count(*) AS n FROM house');
      // A file without an id of its own is taken for this garden's.
      const tables = ARCHIVE_TABLE_NAMES.filter((table) => table !== 'house' || (house?.n ?? 0) > 0);
      await sequelize.query('DELETE FROM forecasts');
      await sequelize.query('DELETE FROM kept_rounds');
      for (const table of [...tables].reverse()) {
        await sequelize.query(`DELETE FROM ${table}`);
        reportProgress();
      }
      const query = sequelize.getQueryInterface();
      for (const table of tables)
        for (let last: unknown = null; ;) {
          const rows: Row[] = await database.all(
            `SELECT rowid AS "_row", ${listed(columnsOf(table))} FROM "${table}" ${last === null ? '' : 'WHERE rowid > ?'} ORDER BY rowid LIMIT ${BATCH}`,
            last === null ? [] : [last],
          );
          last = rows.at(-1)?._row;
          if (rows.length > 0)
            await query.bulkInsert(
              table,
              rows.map(({ _row, ...row }) => row),
            );
          reportProgress();
          if (rows.length < BATCH) break;
        }
      await sequelize.query('UPDATE gardens SET stationUrl = CASE WHEN isDemo = 1 THEN ? ELSE NULL END', {
        replacements: [stationUrl],
      });
    }, 'putting a file back');
  } finally {
    await database.close();
  }
}
