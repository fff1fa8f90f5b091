import {
  AIRS,
  DRAIN_CHOICES,
  ENTRY_KINDS,
  ENTRY_SORTS,
  ENTRY_SOURCES,
  SUBJECT_KINDS,
  SUMMERS,
} from '@kibble/core';
import { parseRawJson } from './rawJson.ts';
import { z } from './zod.ts';

/** What a column holds; a day is text, YYYY-MM-DD, and what a reading said is JSON as text. */
type ColumnKind = 'text' | 'number' | 'whole' | 'flag' | 'moment' | 'day' | 'zone' | 'json' | 'house';
export interface Column {
  kind: ColumnKind;
  /** It may be empty. */
  nullable?: true;
  /** Of a number: what can be stored and computed, which is more than may be entered today. */
  min?: number;
  max?: number;
  /** Of a text: one of these. */
  oneOf?: readonly string[];
}

/** Most a figure may be: beyond it sums of a season are no longer exact to the litre. Judgement. */
const MOST = 1e12;
const text: Column = { kind: 'text' };
const number: Column = { kind: 'number' };
const whole: Column = { kind: 'whole' };
const flag: Column = { kind: 'flag' };
const moment: Column = { kind: 'moment' };
const day: Column = { kind: 'day' };
const zone: Column = { kind: 'zone' };
const json: Column = { kind: 'json' };
const maybe = (column: Column): Column => ({ ...column, nullable: true });
const between = (min: number, max: number): Column => ({ kind: 'number', min, max });
const atLeastNothing = between(0, MOST);
const rowId: Column = { kind: 'whole', min: 1 };
const count: Column = { kind: 'whole', min: 0 };
const oneOf = (values: readonly string[]): Column => ({ kind: 'text', oneOf: values });

/**
 * Every table of a garden's data and its columns, parents before children: what an archive holds, in which order it is
 * put back, and what a file that is put back is checked against, row by row.
 */
export const ARCHIVE_TABLES = {
  /** The id of the file itself: it goes with every copy. */
  house: { id: { kind: 'house' } },
  gardens: {
    id: rowId,
    name: text,
    latitudeDeg: between(-90, 90),
    elevationM: between(-1000, 9000),
    timeZone: zone,
    units: oneOf(['metric', 'us']),
    clockMode: oneOf(['real', 'practice']),
    practiceDate: maybe(day),
    isDemo: flag,
    stationUrl: maybe(text),
    limits: json,
    longitudeDeg: maybe(between(-180, 180)),
    version: count,
    town: maybe(text),
    summers: maybe(oneOf(SUMMERS)),
    air: maybe(oneOf(AIRS)),
    coastKm: maybe(atLeastNothing),
    climateKnown: maybe(json),
    drains: maybe(oneOf(DRAIN_CHOICES)),
    archivedAt: maybe(moment),
  },
  taps: {
    id: rowId,
    gardenId: rowId,
    name: text,
    nozzle: text,
    archivedAt: maybe(moment),
    version: count,
    source: text,
    litresPerDay: maybe(atLeastNothing),
    together: maybe(flag),
    station: maybe(count),
    fromTapId: maybe(rowId),
  },
  grounds: { id: rowId, gardenId: rowId, textureClass: text, subsoilClass: maybe(text) },
  beds: {
    id: rowId,
    gardenId: rowId,
    position: whole,
    name: text,
    startOn: day,
    startWetness: text,
    archivedAt: maybe(moment),
    place: maybe(text),
    lengthM: maybe(atLeastNothing),
    widthM: maybe(atLeastNothing),
    notes: text,
    rank: maybe(text),
    version: count,
    groundId: maybe(rowId),
    kind: text,
    wetnessOn: maybe(day),
  },
  plantings: {
    id: rowId,
    bedId: rowId,
    cropId: text,
    plantedOn: day,
    endedOn: maybe(day),
    method: maybe(text),
    share: between(0, 1),
    removedAt: maybe(moment),
    school: maybe(text),
    schoolSince: maybe(day),
    version: count,
  },
  own_crops: { id: rowId, gardenId: rowId, likeId: text, words: json },
  entries: {
    id: rowId,
    gardenId: rowId,
    subjectKind: oneOf(SUBJECT_KINDS),
    subjectId: rowId,
    bedId: maybe(rowId),
    sort: oneOf(ENTRY_SORTS),
    kind: text,
    on: day,
    hour: maybe(between(0, 24)),
    at: moment,
    version: count,
    body: json,
    method: maybe(text),
    note: maybe(text),
    by: maybe(text),
    deviceId: maybe(text),
    enteredAt: maybe(moment),
    clockOffsetMs: maybe(whole),
    source: oneOf(ENTRY_SOURCES),
    removedAt: maybe(moment),
    supersededBy: maybe(rowId),
  },
  entry_numbers: {
    id: rowId,
    oldTable: oneOf(['events', 'pot_entries', 'said_days', 'alert_ticks']),
    oldId: rowId,
    entryId: rowId,
  },
  runs: {
    id: rowId,
    gardenId: rowId,
    bedId: rowId,
    startedAt: moment,
    minutes: atLeastNothing,
    litresPerMinute: atLeastNothing,
    runs: whole,
    run: whole,
    runMinutes: atLeastNothing,
    soakMinutes: atLeastNothing,
    ranMinutes: atLeastNothing,
    resting: flag,
    secondsEach: maybe(atLeastNothing),
    selfStops: flag,
  },
  drafts: { id: rowId, gardenId: rowId, key: text, body: json, updatedAt: moment },
  imports: {
    id: rowId,
    gardenId: rowId,
    fileName: text,
    at: moment,
    days: count,
    removedAt: maybe(moment),
  },
  weather_days: {
    id: rowId,
    gardenId: rowId,
    date: day,
    source: text,
    tMinC: between(-100, 80),
    tMaxC: between(-100, 80),
    rainMm: between(0, 5000),
    windMs: maybe(between(0, 150)),
    rhMinPct: maybe(between(0, 100)),
    rhMaxPct: maybe(between(0, 100)),
    solarMJ: maybe(between(0, 100)),
    importId: count,
  },
  pots: {
    id: rowId,
    gardenId: rowId,
    position: whole,
    kind: text,
    name: text,
    startOn: day,
    startWetness: text,
    plantings: json,
    notes: text,
    fromBedId: maybe(rowId),
    version: count,
    archivedAt: maybe(moment),
  },
  sequences: {
    id: rowId,
    gardenId: rowId,
    kind: text,
    input: json,
    step: whole,
    count: whole,
    startedAt: moment,
    stepAt: moment,
    endedAt: maybe(moment),
  },
  acts: { key: text, what: text, status: whole, answer: json, at: moment },
} satisfies Record<string, Record<string, Column>>;
export type ArchiveTable = keyof typeof ARCHIVE_TABLES;
export const ARCHIVE_TABLE_NAMES = Object.keys(ARCHIVE_TABLES) as ArchiveTable[];
/** The columns of a table: they are written down here and nowhere else. */
export const archiveColumns = (table: ArchiveTable): Readonly<Record<string, Column>> =>
  ARCHIVE_TABLES[table];

/** Days that can be computed with: a calendar knows no others, and no weather is that old or that far ahead. */
const DAY = /^(\d{4})-(\d\d)-(\d\d)$/;
const DAYS = { first: '1700-01-01', last: '2300-12-31' } as const;

function isDay(value: string): boolean {
  const [, year, month, date] = DAY.exec(value) ?? [];
  if (year === undefined || value < DAYS.first || value > DAYS.last) return false;
  const on = new Date(Date.UTC(Number(year), Number(month) - 1, Number(date)));
  return on.toISOString().slice(0, 10) === value;
}

const zones = new Map<string, boolean>();
function isZone(value: string): boolean {
  const known = zones.get(value);
  if (known !== undefined) return known;
  let is = true;
  try {
    new Intl.DateTimeFormat('en', { timeZone: value });
  } catch {
    is = false;
  }
  zones.set(value, is);
  return is;
}

/** As SQLite keeps a moment: 2026-07-14 05:00:00.000 +00:00. */
const isMoment = (value: string): boolean => {
  const at = Date.parse(value.replace(' +00:00', 'Z').replace(' ', 'T'));
  return Number.isFinite(at) && Math.abs(at) < 8.64e15;
};

function isJson(value: string): boolean {
  try {
    parseRawJson(value);
    return true;
  } catch {
    return false;
  }
}

/** What a value of each kind must be, and how that is said. */
const KINDS: Readonly<Record<ColumnKind, readonly [fits: (value: unknown) => boolean, words: string]>> = {
  text: [(v) => typeof v === 'string', 'must be text'],
  number: [(v) => typeof v === 'number' && Number.isFinite(v), 'must be a number'],
  whole: [(v) => Number.isSafeInteger(v), 'must be a whole number'],
  flag: [(v) => v === 0 || v === 1, 'must be 0 or 1'],
  moment: [
    (v) => typeof v === 'string' && isMoment(v),
    'must be a moment, as 2026-07-14 05:00:00.000 +00:00',
  ],
  day: [
    (v) => typeof v === 'string' && isDay(v),
    `must be a day of the calendar, written YYYY-MM-DD, from ${DAYS.first} to ${DAYS.last}`,
  ],
  zone: [(v) => typeof v === 'string' && isZone(v), 'must be a time zone, as Europe/Paris'],
  json: [(v) => typeof v === 'string' && isJson(v), 'must be JSON'],
  house: [(v) => typeof v === 'string' && /^[0-9a-f]{24}$/.test(v), 'must be 24 letters a to f and figures'],
};

/** Longest text of one cell. */
const LONGEST = 2_000_000;

function wrongWith(value: unknown, { kind, nullable, min, max, oneOf: values }: Column): string | null {
  if (value === null) return nullable ? null : 'must not be empty';
  const [fits, words] = KINDS[kind];
  if (!fits(value)) return words;
  if (typeof value === 'string') {
    if (value.length > LONGEST) return `must be ${LONGEST} letters or fewer`;
    return values && !values.includes(value) ? `must be one of ${values.join(', ')}` : null;
  }
  const figure = value as number;
  if (min !== undefined && figure < min) return `must be ${min} or more`;
  return max !== undefined && figure > max ? `must be ${max} or less` : null;
}

export type ArchiveRow = Record<string, string | number | null>;

/** What figures an entry's body may hold, by its kind, where they are computed with as they stand: what can be stored and computed. */
const BODIES: Readonly<Partial<Record<string, Readonly<Record<string, Column>>>>> = {
  watering: { litres: maybe(atLeastNothing), minutes: maybe(atLeastNothing), depthMm: maybe(atLeastNothing) },
  rain: { rainMm: maybe(between(0, 5000)) },
  'task done': {
    key: maybe(text),
    code: maybe(text),
    act: maybe(text),
    from: maybe(day),
    until: maybe(day),
    badness: maybe(number),
  },
};

/** Sorts of which every kind is computed with: one that is not known would be lost without a word. */
const KINDS_OF: Readonly<Record<string, string[]>> = Object.fromEntries(
  (['watering', 'weather', 'task'] as const).map((sort) => [
    sort,
    Object.entries(ENTRY_KINDS).flatMap(([kind, facts]) => (facts.sort === sort ? [kind] : [])),
  ]),
);

/** Why an entry's body cannot be put back; null when it can. One that is not understood is set aside later, and locks nothing. */
function wrongInBody({ sort, kind, body }: ArchiveRow): string | null {
  const known = KINDS_OF[String(sort)];
  if (known && !known.includes(String(kind)))
    return `kind must be one of ${known.join(', ')}; got ${String(kind).slice(0, 60)}`;
  const columns = Object.hasOwn(BODIES, String(kind)) ? BODIES[String(kind)] : undefined;
  if (!columns) return null;
  const said = JSON.parse(String(body)) as unknown;
  if (typeof said !== 'object' || said === null)
    return `body must be an object; got ${String(body).slice(0, 60)}`;
  for (const [name, column] of Object.entries(columns)) {
    const value = (said as Record<string, unknown>)[name] ?? null;
    const wrong = wrongWith(value, column);
    if (wrong !== null)
      return `${name} ${wrong}${value === null ? '' : `; got ${String(value).slice(0, 60)}`}`;
  }
  return null;
}

/** What holds between the cells of a row. */
const ROWS: Readonly<Partial<Record<ArchiveTable, (row: ArchiveRow) => string | null>>> = {
  entries: wrongInBody,
  weather_days: ({ tMinC, tMaxC }) =>
    Number(tMinC) > Number(tMaxC) ? `the lowest temperature, ${tMinC}, is above the highest, ${tMaxC}` : null,
};

/** Why a row cannot be put back, in words; null when it can. Limits are those of what can be stored and computed. */
export function wrongInRow(table: ArchiveTable, row: Readonly<Record<string, unknown>>): string | null {
  for (const [name, column] of Object.entries<Column>(ARCHIVE_TABLES[table])) {
    const value = row[name] ?? null;
    const wrong = wrongWith(value, column);
    if (wrong !== null) {
      const got = value === null ? '' : `; got ${String(value).slice(0, 60)}`;
      return `${name} ${wrong}${got}`;
    }
  }
  return ROWS[table]?.(row as ArchiveRow) ?? null;
}

/** The same as a schema, for whoever reads an archive elsewhere. */
function columnSchema({ kind, nullable, min, max, oneOf: values }: Column): z.ZodType {
  let schema: z.ZodType = z.string();
  if (values) schema = z.enum([...values] as [string, ...string[]]);
  else if (kind === 'flag') schema = z.number().int().min(0).max(1);
  else if (kind === 'number' || kind === 'whole') {
    let figure = kind === 'whole' ? z.number().int() : z.number();
    if (min !== undefined) figure = figure.min(min);
    if (max !== undefined) figure = figure.max(max);
    schema = figure;
  }
  return nullable ? schema.nullable() : schema;
}

const rowSchema = (table: ArchiveTable): z.ZodType =>
  z.strictObject(
    Object.fromEntries(
      Object.entries<Column>(ARCHIVE_TABLES[table]).map(([name, column]) => [name, columnSchema(column)]),
    ),
  );

export const ARCHIVE_FORMAT = 1;

/** The JSON of an archive: every row of every table. Its schema is published in docs/archive.schema.json. */
export const archiveJson = z.strictObject({
  kibble: z.literal('archive'),
  format: z.literal(ARCHIVE_FORMAT),
  /** The state of the tables, by the last change made to them. */
  tables: z.string(),
  madeAt: z.string(),
  rows: z.strictObject(
    Object.fromEntries(ARCHIVE_TABLE_NAMES.map((table) => [table, z.array(rowSchema(table))])),
  ),
});
export type ArchiveJson = {
  kibble: 'archive';
  format: typeof ARCHIVE_FORMAT;
  tables: string;
  madeAt: string;
  rows: Record<ArchiveTable, ArchiveRow[]>;
};

const gardenFacts = z.object({
  name: z.string(),
  beds: z.number(),
  waterings: z.number(),
  readings: z.number(),
  from: z.string().nullable(),
  to: z.string().nullable(),
});

/** What a copy or an archive holds, looked at before it is put back. */
export const lookView = z.object({
  /** Under which it is put back. */
  token: z.string(),
  name: z.string(),
  tables: z.string(),
  gardens: z.array(gardenFacts),
  weatherDays: z.number(),
});

export const copyView = z.object({
  name: z.string(),
  madeAt: z.string(),
  reason: z.enum(['update', 'nightly', 'restore', 'reset', 'asked']),
  bytes: z.number(),
});

/** Where the data lies, how large it is, and its copies. */
export const yourDataView = z.object({
  file: z.string(),
  bytes: z.number(),
  copies: z.array(copyView),
  gardens: z.array(gardenFacts),
});

export const lookBody = z.object({ copy: z.string().max(100) });
export const restoreBody = z.object({ token: z.string().max(100) });
export const restoredView = z.object({
  gardens: z.array(gardenFacts),
  /** The copy of what stood before, which takes the restore back. */
  undo: z.string().nullable(),
});

export type LookView = z.infer<typeof lookView>;
export type CopyView = z.infer<typeof copyView>;
export type YourDataView = z.infer<typeof yourDataView>;
export type RestoredView = z.infer<typeof restoredView>;
