import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

const key = { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true };
const text = { type: DataTypes.STRING, allowNull: false };
const textOrNull = { type: DataTypes.STRING, allowNull: true };
const longText = { type: DataTypes.TEXT, allowNull: false };
const whole = { type: DataTypes.INTEGER, allowNull: false };
const wholeOrNull = { type: DataTypes.INTEGER, allowNull: true };
const figureOrNull = { type: DataTypes.DOUBLE, allowNull: true };
const moment = { type: DataTypes.DATE, allowNull: false };
const momentOrNull = { type: DataTypes.DATE, allowNull: true };

type Cell = string | number | null;
type Row = Record<string, Cell>;

/** The tables in which things were written down until now, in the order in which they are moved; the first keeps its numbers. */
const MOVED = ['entries', 'events', 'pot_entries', 'said_days', 'alert_ticks'] as const;
type Moved = (typeof MOVED)[number];

/** A figure that JSON cannot say stays visible as text, so that a file that holds one is refused for it as before. */
const figure = (cell: Cell | undefined): Cell =>
  typeof cell === 'number' && !Number.isFinite(cell) ? String(cell) : (cell ?? null);

/** What of a row there is, as JSON. */
const body = (of: Record<string, Cell | boolean | undefined>): string =>
  JSON.stringify(
    Object.fromEntries(
      Object.entries(of).flatMap(([name, cell]) =>
        cell === null || cell === undefined ? [] : [[name, typeof cell === 'boolean' ? cell : figure(cell)]],
      ),
    ),
  );

const garden = (row: Row) => ({ subjectKind: 'garden', subjectId: row.gardenId });
const bedOrGarden = (row: Row) =>
  (row.bedId ?? null) === null ? garden(row) : { subjectKind: 'bed', subjectId: row.bedId };

/** Of a reading of a tap or a ground, the bed on which it was made stays on record beside it. */
function subjectOfEntry(row: Row): Row {
  const { sort, groundId = null, tapId = null, bedId = null } = row;
  if (sort !== 'setting' && groundId !== null) return { subjectKind: 'ground', subjectId: groundId, bedId };
  if (sort !== 'setting' && tapId !== null) return { subjectKind: 'tap', subjectId: tapId, bedId };
  return { ...bedOrGarden(row), bedId: null } as Row;
}

const AS_PLANNED: Readonly<Record<string, boolean>> = { 'as planned': true, 'done differently': false };

function bodyOfEvent(row: Row): string {
  const { kind, litres, minutes, depthMm, rainMm, reason } = row;
  if (kind === 'rain') return body({ kind, rainMm });
  if (kind !== 'watering') return body({ kind, reason });
  const told = AS_PLANNED[String(reason)];
  return body({ kind, litres, minutes, depthMm, ...(told === undefined ? { reason } : { asPlanned: told }) });
}

/** How the body of each table's row is told in the log. */
const TOLD: Readonly<Record<Moved, (row: Row) => Row>> = {
  entries: (row) => ({
    ...subjectOfEntry(row),
    sort: row.sort ?? null,
    kind: row.kind ?? null,
    on: row.date ?? null,
    version: row.version ?? null,
    body: row.input ?? null,
    method: row.method ?? null,
    note: row.note ?? null,
    supersededBy: row.replacedBy ?? null,
  }),
  events: (row) =>
    ({
      ...bedOrGarden(row),
      sort: row.kind === 'rain' ? 'weather' : 'watering',
      kind: row.kind,
      on: row.date,
      body: bodyOfEvent(row),
      note: row.note ?? null,
      by: row.by ?? null,
    }) as Row,
  pot_entries: (row) =>
    ({
      ...((row.potId ?? null) === null ? garden(row) : { subjectKind: 'pot', subjectId: row.potId }),
      sort: SORT_OF_POTS[String(row.kind)] ?? 'reading',
      kind: row.kind,
      on: row.date,
      hour: figure(row.hour),
      // A pH said no kind of its own in its text.
      body: row.kind === 'ph' ? String(row.input).replace(/^\{/, '{"kind":"ph",') : row.input,
    }) as Row,
  said_days: (row) =>
    ({
      ...garden(row),
      sort: 'weather',
      kind: 'manual forecast',
      on: row.date,
      body: `{"kind":"manual forecast","forecast":${row.said}}`,
    }) as Row,
  alert_ticks: (row) => {
    const { code, act, from, until, badness } = row;
    return {
      ...garden(row),
      sort: 'task',
      kind: 'task done',
      on: from,
      body: body({ kind: 'task done', code, act, from, until, badness }),
    } as Row;
  },
};
const SORT_OF_POTS: Readonly<Record<string, string>> = {
  given: 'watering',
  left: 'watering',
  seen: 'observation',
};

/** Rows that are moved at once. */
const BATCH = 500;

/**
 * Everything that was written down becomes one log. The entries that were called so keep their numbers; what comes from
 * the other tables gets numbers above every number that any of them ever gave, and `entry_numbers` tells which was which.
 */
export async function up(steps: SchemaSteps): Promise<void> {
  const tables = (
    await steps.all<{ name: string }>(`SELECT name FROM sqlite_master WHERE type = 'table'`)
  ).map(({ name }) => name);
  if (!tables.includes('log_before')) await steps.sql('ALTER TABLE entries RENAME TO log_before');
  // An index keeps its name when its table gets another.
  for (const { name } of await steps.all<{ name: string }>(
    `SELECT name FROM sqlite_master WHERE type = 'index' AND tbl_name = 'log_before' AND name LIKE 'entries\\_%' ESCAPE '\\'`,
  ))
    await steps.sql(`DROP INDEX "${name}"`);
  await steps.createTable('entries', {
    id: key,
    gardenId: {
      ...whole,
      references: { model: 'gardens', key: 'id' },
      onDelete: 'RESTRICT',
    },
    subjectKind: text,
    subjectId: whole,
    /** The bed on which a reading of a ground or a tap was made. */
    bedId: { ...wholeOrNull, references: { model: 'beds', key: 'id' }, onDelete: 'RESTRICT' },
    sort: text,
    kind: text,
    on: text,
    hour: figureOrNull,
    at: moment,
    version: { ...whole, defaultValue: 1 },
    body: longText,
    method: textOrNull,
    note: textOrNull,
    by: textOrNull,
    deviceId: textOrNull,
    enteredAt: momentOrNull,
    clockOffsetMs: wholeOrNull,
    source: { ...text, defaultValue: 'person' },
    removedAt: momentOrNull,
    supersededBy: wholeOrNull,
  });
  await steps.createTable('entry_numbers', {
    id: key,
    oldTable: text,
    oldId: whole,
    entryId: whole,
  });
  const nameOf = (table: Moved): string => (table === 'entries' ? 'log_before' : table);
  let last = 0;
  for (const table of MOVED) {
    const [most] = await steps.all<{ n: number | null }>(`SELECT max(id) AS n FROM ${nameOf(table)}`);
    const [given] = await steps.all<{ n: number | null }>(
      `SELECT max(seq) AS n FROM sqlite_sequence WHERE name IN ('${table}', '${nameOf(table)}')`,
    );
    last = Math.max(last, most?.n ?? 0, given?.n ?? 0);
  }
  for (const table of MOVED)
    for (let after = -1; ;) {
      const rows: Row[] = await steps.all<Row>(
        `SELECT * FROM ${nameOf(table)} WHERE id > ${after} ORDER BY id LIMIT ${BATCH}`,
      );
      const moved = rows.map((row) => {
        const { id, gardenId, at, removedAt, deviceId, toldAt, clockOffsetMs } = row;
        const number = table === 'entries' ? Number(id) : (last += 1);
        return {
          id: number,
          gardenId,
          at,
          version: 1,
          ...TOLD[table](row),
          deviceId: deviceId ?? null,
          enteredAt: toldAt ?? null,
          clockOffsetMs: clockOffsetMs ?? null,
          removedAt: removedAt ?? null,
        };
      });
      await steps.insert('entries', moved);
      if (table !== 'entries')
        await steps.insert(
          'entry_numbers',
          moved.map(({ id }, i) => ({ oldTable: table, oldId: rows[i]?.id ?? 0, entryId: id })),
        );
      after = Number(rows.at(-1)?.id ?? after);
      if (rows.length < BATCH) break;
    }
  await steps.addIndex('entries', ['gardenId', 'sort', 'on']);
  await steps.addIndex('entries', ['subjectKind', 'subjectId']);
  await steps.addIndex('entries', ['bedId']);
  await steps.addIndex('entry_numbers', ['oldTable', 'oldId'], { unique: true });
}
