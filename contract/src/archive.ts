import { z } from './zod.ts';

/** What a column holds: text, a number, a whole number, yes or no (1 or 0), a moment; `?` where it may be empty. */
type ColumnKind = 'text' | 'number' | 'whole' | 'flag' | 'moment';
type Column = ColumnKind | `${ColumnKind}?`;

/**
 * Every table of a garden's data and its columns, parents before children: what an archive holds, and in which order
 * it is put back. A day is text, YYYY-MM-DD; what a reading said is JSON as text.
 */
export const ARCHIVE_TABLES = {
  /** The id of the file itself: it goes with every copy. */
  house: { id: 'text' },
  gardens: {
    id: 'whole',
    name: 'text',
    latitudeDeg: 'number',
    elevationM: 'number',
    timeZone: 'text',
    units: 'text',
    clockMode: 'text',
    practiceDate: 'text?',
    isDemo: 'flag',
    stationUrl: 'text?',
    limits: 'text',
    longitudeDeg: 'number?',
    version: 'whole',
    town: 'text?',
    summers: 'text?',
    air: 'text?',
    drains: 'text?',
    archivedAt: 'moment?',
  },
  taps: {
    id: 'whole',
    gardenId: 'whole',
    name: 'text',
    nozzle: 'text',
    archivedAt: 'moment?',
    version: 'whole',
    source: 'text',
    litresPerDay: 'number?',
  },
  grounds: { id: 'whole', gardenId: 'whole', textureClass: 'text', subsoilClass: 'text?' },
  beds: {
    id: 'whole',
    gardenId: 'whole',
    position: 'whole',
    name: 'text',
    startOn: 'text',
    startWetness: 'text',
    archivedAt: 'moment?',
    place: 'text?',
    lengthM: 'number?',
    widthM: 'number?',
    notes: 'text',
    rank: 'text?',
    version: 'whole',
    groundId: 'whole?',
    kind: 'text',
    wetnessOn: 'text?',
  },
  plantings: {
    id: 'whole',
    bedId: 'whole',
    cropId: 'text',
    plantedOn: 'text',
    endedOn: 'text?',
    method: 'text?',
    share: 'number',
    removedAt: 'moment?',
    school: 'text?',
    schoolSince: 'text?',
    version: 'whole',
  },
  own_crops: { id: 'whole', gardenId: 'whole', likeId: 'text', words: 'text' },
  entries: {
    id: 'whole',
    gardenId: 'whole',
    bedId: 'whole?',
    tapId: 'whole?',
    groundId: 'whole?',
    sort: 'text',
    kind: 'text',
    date: 'text',
    at: 'moment',
    version: 'whole',
    method: 'text?',
    input: 'text',
    note: 'text?',
    removedAt: 'moment?',
    replacedBy: 'whole?',
    deviceId: 'text?',
    toldAt: 'moment?',
    clockOffsetMs: 'whole?',
  },
  runs: {
    id: 'whole',
    gardenId: 'whole',
    bedId: 'whole',
    startedAt: 'moment',
    minutes: 'number',
    litresPerMinute: 'number',
    runs: 'whole',
    run: 'whole',
    runMinutes: 'number',
    soakMinutes: 'number',
    ranMinutes: 'number',
    resting: 'flag',
    secondsEach: 'number?',
    selfStops: 'flag',
  },
  drafts: { id: 'whole', gardenId: 'whole', key: 'text', body: 'text', updatedAt: 'moment' },
  imports: {
    id: 'whole',
    gardenId: 'whole',
    fileName: 'text',
    at: 'moment',
    days: 'whole',
    removedAt: 'moment?',
  },
  weather_days: {
    id: 'whole',
    gardenId: 'whole',
    date: 'text',
    source: 'text',
    tMinC: 'number',
    tMaxC: 'number',
    rainMm: 'number',
    windMs: 'number?',
    rhMinPct: 'number?',
    rhMaxPct: 'number?',
    solarMJ: 'number?',
    importId: 'whole',
  },
  said_days: {
    id: 'whole',
    gardenId: 'whole',
    date: 'text',
    said: 'text',
    at: 'moment',
    removedAt: 'moment?',
  },
  alert_ticks: {
    id: 'whole',
    gardenId: 'whole',
    code: 'text',
    act: 'text',
    from: 'text',
    until: 'text',
    badness: 'number',
    at: 'moment',
    removedAt: 'moment?',
  },
  events: {
    id: 'whole',
    gardenId: 'whole',
    bedId: 'whole?',
    kind: 'text',
    date: 'text',
    at: 'moment',
    litres: 'number?',
    minutes: 'number?',
    depthMm: 'number?',
    rainMm: 'number?',
    reason: 'text?',
    note: 'text?',
    removedAt: 'moment?',
    by: 'text?',
    deviceId: 'text?',
    toldAt: 'moment?',
    clockOffsetMs: 'whole?',
  },
  pots: {
    id: 'whole',
    gardenId: 'whole',
    position: 'whole',
    kind: 'text',
    name: 'text',
    spot: 'text',
    startOn: 'text',
    startWetness: 'text',
    facts: 'text',
    earlier: 'text',
    plantings: 'text',
    notes: 'text',
    fromBedId: 'whole?',
    version: 'whole',
    archivedAt: 'moment?',
  },
  pot_entries: {
    id: 'whole',
    gardenId: 'whole',
    potId: 'whole?',
    kind: 'text',
    date: 'text',
    hour: 'number',
    at: 'moment',
    version: 'whole',
    input: 'text',
    removedAt: 'moment?',
    deviceId: 'text?',
    toldAt: 'moment?',
    clockOffsetMs: 'whole?',
  },
  sequences: {
    id: 'whole',
    gardenId: 'whole',
    kind: 'text',
    input: 'text',
    step: 'whole',
    count: 'whole',
    startedAt: 'moment',
    stepAt: 'moment',
    endedAt: 'moment?',
  },
  acts: { key: 'text', what: 'text', status: 'whole', answer: 'text', at: 'moment' },
} as const satisfies Record<string, Record<string, Column>>;
export type ArchiveTable = keyof typeof ARCHIVE_TABLES;
export const ARCHIVE_TABLE_NAMES = Object.keys(ARCHIVE_TABLES) as ArchiveTable[];

const KINDS: Readonly<Record<ColumnKind, z.ZodType>> = {
  text: z.string(),
  number: z.number(),
  whole: z.number().int(),
  flag: z.number().int().min(0).max(1),
  // As SQLite keeps it: 2026-07-14 05:00:00.000 +00:00.
  moment: z.string(),
};

const columnSchema = (column: Column): z.ZodType => {
  const kind = KINDS[column.replace('?', '') as ColumnKind];
  return column.endsWith('?') ? kind.nullable() : kind;
};

const rowSchema = (table: ArchiveTable): z.ZodType =>
  z.strictObject(
    Object.fromEntries(
      Object.entries(ARCHIVE_TABLES[table] as Record<string, Column>).map(([name, column]) => [
        name,
        columnSchema(column),
      ]),
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
  rows: Record<ArchiveTable, Record<string, string | number | null>[]>;
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
