import {
  fahrenheitToCelsius,
  inchesToMm,
  isIsoDate,
  kmhToMs,
  kwhToMJ,
  mphToMs,
  usualTemperatureC,
  wattsToMJPerDay,
  type WeatherDay,
} from '@kibble/core';
import Papa from 'papaparse';
import { z } from 'zod';
import { aheadDay, stationView } from './ownWeather.ts';
import { LIMITS, rangeWords, withinLimit, type LimitedField } from './limits.ts';
import { day, FIRST_DAY, LAST_DAY } from './parts.ts';

/** What a column of a weather file can be. */
export type WeatherField =
  'date' | 'tMinC' | 'tMaxC' | 'tempC' | 'rainMm' | 'windMs' | 'rhMinPct' | 'rhMaxPct' | 'rhPct' | 'solarMJ';

interface UnitChoice {
  unit: string;
  /** Words in a heading that name the unit. */
  marks: RegExp;
  toSi: (value: number) => number;
}

interface ColumnKind {
  field: WeatherField;
  label: string;
  /** Heading with unit and punctuation taken off. */
  names: RegExp;
  units: readonly UnitChoice[];
}

const same = (v: number): number => v;
const CELSIUS: UnitChoice = { unit: '°C', marks: /(^|[^a-z])(c|°c|degc|celsius)($|[^a-z])/, toSi: same };
const FAHRENHEIT: UnitChoice = {
  unit: '°F',
  marks: /(^|[^a-z])(f|°f|degf|fahrenheit)($|[^a-z])/,
  toSi: fahrenheitToCelsius,
};
const PERCENT: UnitChoice = { unit: '%', marks: /%|pct|percent/, toSi: same };

/** The usual names and units of daily records; the first unit is taken when a heading names none. */
const KINDS: readonly ColumnKind[] = [
  {
    field: 'date',
    label: 'Date',
    names: /^(date|day|time|datetime|date time|timestamp|dt|observation date)$/,
    units: [{ unit: '', marks: /^$/, toSi: same }],
  },
  {
    field: 'tMinC',
    label: 'Lowest temperature',
    names:
      /^(tmin|temp min|min temp|temperature min|min temperature|tn|low|temp low|mintemp|tempmin|t min|minimum temperature)$/,
    units: [CELSIUS, FAHRENHEIT],
  },
  {
    field: 'tMaxC',
    label: 'Highest temperature',
    names:
      /^(tmax|temp max|max temp|temperature max|max temperature|tx|high|temp high|maxtemp|tempmax|t max|maximum temperature)$/,
    units: [CELSIUS, FAHRENHEIT],
  },
  // One temperature or humidity a row: an hourly file, of which each day's ends are taken.
  {
    field: 'tempC',
    label: 'Temperature',
    names: /^(temp|temperature|air temp|air temperature|t air|t|outdoor temperature|dry bulb)$/,
    units: [CELSIUS, FAHRENHEIT],
  },
  {
    field: 'rhPct',
    label: 'Humidity',
    names: /^(rh|humidity|relative humidity|rel humidity|outdoor humidity)$/,
    units: [PERCENT],
  },
  {
    field: 'rainMm',
    label: 'Rain',
    names: /^(rain|rainfall|precip|precipitation|prcp|rr|rain total|precipitation total|precipitation sum)$/,
    units: [
      { unit: 'mm', marks: /(^|[^a-z])mm($|[^a-z])/, toSi: same },
      { unit: 'in', marks: /(^|[^a-z])(in|inch|inches)($|[^a-z])/, toSi: inchesToMm },
    ],
  },
  {
    field: 'windMs',
    label: 'Wind',
    names: /^(wind|windspeed|wind speed|wind mean|mean wind|awnd|ws|wind avg)$/,
    units: [
      { unit: 'm/s', marks: /m\/s|(^|[^a-z])(ms|mps)($|[^a-z])/, toSi: same },
      { unit: 'km/h', marks: /km\/?h|kph|kmph/, toSi: kmhToMs },
      { unit: 'mph', marks: /mph|mi\/h/, toSi: mphToMs },
    ],
  },
  {
    field: 'rhMinPct',
    label: 'Lowest humidity',
    names: /^(rhmin|rh min|min rh|humidity min|min humidity|minimum humidity)$/,
    units: [PERCENT],
  },
  {
    field: 'rhMaxPct',
    label: 'Highest humidity',
    names: /^(rhmax|rh max|max rh|humidity max|max humidity|maximum humidity)$/,
    units: [PERCENT],
  },
  {
    field: 'solarMJ',
    label: 'Solar radiation',
    names: /^(solar|solar radiation|radiation|srad|rs|global radiation|insolation)$/,
    units: [
      { unit: 'MJ/m²', marks: /mj/, toSi: same },
      { unit: 'W/m²', marks: /w\/m|watt|wm-?2|w m/, toSi: wattsToMJPerDay },
      { unit: 'kWh/m²', marks: /kwh/, toSi: kwhToMJ },
    ],
  },
];

export interface UnderstoodColumn {
  heading: string;
  field: WeatherField;
  label: string;
  unit: string;
  /** The heading named no unit; this one was taken. */
  unitAssumed: boolean;
  unitChoices: string[];
}

export interface RejectedRow {
  /** Line in the file, 1 is the heading. */
  line: number;
  reason: string;
}

export interface ReadWeather {
  columns: UnderstoodColumn[];
  ignored: string[];
  days: WeatherDay[];
  rejected: RejectedRow[];
  /** Several rows a day, taken together: lowest, highest, the rain's sum, the mean of wind and sun. */
  hourly: boolean;
  /** What the file does not say and cannot be told from its figures; it must be answered before anything is stored. */
  question: { field: WeatherField; words: string } | null;
  /** What is amiss with the file as a whole; nothing can be imported then. */
  problem: string | null;
}

const UNIT_WORDS =
  /\(([^)]*)\)|\[([^\]]*)\]|°c|°f|degc|degf|celsius|fahrenheit|km\/?h|kmph|kph|mph|m\/s|mm|inches|inch|mj\/?m.?2?(\/?d(ay)?)?|w\/m.?2?|kwh\/m.?2?|%|pct|percent/g;

function plainName(heading: string): string {
  return heading
    .trim()
    .toLowerCase()
    .replace(UNIT_WORDS, ' ')
    .replace(/[_\-.,/]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** A trailing one-word unit ("temp_max_f", "rain_in") when the whole heading is no known name. */
function splitTrailingUnit(name: string): string {
  return name.replace(/ (c|f|in|ms|mps|mm)$/, '');
}

function understand(
  heading: string,
  unitOverrides: Readonly<Record<string, string>>,
): UnderstoodColumn | null {
  const plain = plainName(heading);
  const kind = KINDS.find((k) => k.names.test(plain) || k.names.test(splitTrailingUnit(plain)));
  if (!kind) return null;
  const lower = heading.toLowerCase().replace(/_/g, ' ');
  const named = kind.units.find((choice) => choice.marks.test(lower));
  const chosen =
    kind.units.find((choice) => choice.unit === unitOverrides[kind.field]) ?? named ?? kind.units[0];
  return {
    heading,
    field: kind.field,
    label: kind.label,
    unit: chosen?.unit ?? '',
    unitAssumed: named === undefined && kind.field !== 'date' && unitOverrides[kind.field] === undefined,
    unitChoices: kind.units.map((choice) => choice.unit),
  };
}

/** A day in a file: ISO, ISO with a time, or year/month/day with slashes. Day-first and month-first cannot be told apart and are refused. */
function readDate(text: string): string | null {
  const candidate = text.trim().slice(0, 10).replace(/\//g, '-');
  const parts = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(candidate);
  const compact = /^(\d{4})(\d{2})(\d{2})$/.exec(text.trim());
  const found = parts ?? compact;
  if (!found) return null;
  const date = `${found[1]}-${String(found[2]).padStart(2, '0')}-${String(found[3]).padStart(2, '0')}`;
  return isIsoDate(date) ? date : null;
}

const MISSING = /^(|na|n\/a|nan|null|-|--|m)$/i;

/** A number as files write it: a point or a comma before its decimals; NaN for anything else. */
function readNumber(text: string): number {
  if (/^[-+]?\d+,\d+$/.test(text)) return Number(text.replace(',', '.'));
  return Number(text);
}

/** Fewest readings of a day that stand for it, of 24. Judgement: a night or an afternoon must not be missing. */
const LEAST_HOURS = 18;
/** Degrees by which one reading of a file's temperatures must lie nearer to the season than the other to be taken. Judgement. */
const CLEARLY_NEARER_C = 6;

/** °C or °F by which reading lies nearer to the season; null when neither does clearly. */
function likelyScale(
  means: readonly { date: string; value: number }[],
  latitudeDeg: number,
): '°C' | '°F' | null {
  if (means.length === 0) return null;
  const off = (toC: (value: number) => number): number =>
    Math.abs(
      means.reduce((sum, { date, value }) => sum + toC(value) - usualTemperatureC(latitudeDeg, date), 0) /
        means.length,
    );
  const celsius = off(same);
  const fahrenheit = off(fahrenheitToCelsius);
  if (Math.abs(celsius - fahrenheit) < CLEARLY_NEARER_C) return null;
  return celsius < fahrenheit ? '°C' : '°F';
}

const TEMPERATURES: readonly WeatherField[] = ['tMinC', 'tMaxC', 'tempC'];
const isTemperature = (field: WeatherField): boolean => TEMPERATURES.includes(field);

type Columns = readonly (UnderstoodColumn | null)[];

/** Takes the units that a heading leaves open from the figures and the garden's latitude. */
function settleUnits(
  columns: Columns,
  rows: readonly string[][],
  latitudeDeg: number | undefined,
): ReadWeather['question'] {
  const open = columns.filter((c): c is UnderstoodColumn => c !== null && c.unitAssumed);
  const temperatures = open.filter(({ field }) => isTemperature(field));
  const dateAt = columns.findIndex((c) => c?.field === 'date');
  const tempAt = columns.flatMap((c, i) => (c && isTemperature(c.field) ? [i] : []));
  const stated = columns.find((c) => c && isTemperature(c.field) && !c.unitAssumed)?.unit;
  let scale: string | null | undefined = stated;
  if (!stated && temperatures.length > 0 && latitudeDeg !== undefined) {
    const means = rows.flatMap((row) => {
      const date = readDate(row[dateAt] ?? '');
      const values = tempAt.map((i) => readNumber((row[i] ?? '').trim() || 'none')).filter(Number.isFinite);
      return date && values.length > 0
        ? [{ date, value: values.reduce((a, b) => a + b, 0) / values.length }]
        : [];
    });
    scale = likelyScale(means, latitudeDeg);
    if (scale === null && means.length > 0) {
      const field = (temperatures[0] as UnderstoodColumn).field;
      return {
        field,
        words:
          'The file does not say whether its temperatures are °C or °F, and its figures could be either. Choose which.',
      };
    }
  }
  // A file in Fahrenheit measures rain in inches and wind in miles.
  const US: Partial<Record<WeatherField, string>> = { rainMm: 'in', windMs: 'mph' };
  for (const column of open) {
    if (isTemperature(column.field)) column.unit = scale ?? column.unit;
    else if (scale === '°F') column.unit = US[column.field] ?? column.unit;
  }
  return null;
}

/**
 * Reads a file of weather, a row a day or an hour: recognises headings, units, points and commas, converts to SI
 * and checks every row.
 * @param text the file as it is
 * @param unitOverrides a unit per field, where the gardener corrected or answered what was assumed
 * @param latitudeDeg of the garden: by the season there °F is told from °C where the heading is silent
 */
export function readWeatherCsv(
  text: string,
  unitOverrides: Readonly<Record<string, string>> = {},
  { latitudeDeg }: { latitudeDeg?: number } = {},
): ReadWeather {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n'), {
    skipEmptyLines: false,
    newline: '\n',
  });
  const rows = parsed.data;
  const headings = rows[0] ?? [];
  const seen = new Set<WeatherField>();
  const columns: (UnderstoodColumn | null)[] = headings.map((heading) => {
    const column = understand(heading, unitOverrides);
    if (!column || seen.has(column.field)) return null;
    seen.add(column.field);
    return column;
  });
  const result: ReadWeather = {
    columns: columns.filter((c): c is UnderstoodColumn => c !== null),
    ignored: headings.filter((h, i) => columns[i] === null && h.trim() !== ''),
    days: [],
    rejected: [],
    hourly: false,
    question: null,
    problem: null,
  };
  const needed: readonly (readonly WeatherField[])[] = [
    ['date'],
    ['tMinC', 'tempC'],
    ['tMaxC', 'tempC'],
    ['rainMm'],
  ];
  const lacking = needed.filter((any) => !any.some((field) => seen.has(field))).map(([field]) => field);
  if (lacking.length > 0) {
    const labels = lacking.map((field) => KINDS.find((k) => k.field === field)?.label.toLowerCase());
    const found = headings.filter((h) => h.trim()).join(', ') || 'nothing';
    result.problem = `No column found for ${labels.join(', ')}. The first line must name the columns; it has: ${found}.`;
    return result;
  }
  const body = rows.slice(1);
  const filled = body.filter((row) => row.some((cell) => cell.trim() !== ''));
  const wider = filled.filter((row) => row.filter((cell) => cell.trim() !== '').length > headings.length);
  if (parsed.meta.delimiter === ',' && filled.length > 0 && wider.length > filled.length / 2) {
    result.problem =
      'The rows have more parts than the heading has columns: the numbers seem to have a comma before their decimals, and commas part the columns too. Save the file with semicolons between the columns, or with points in the numbers.';
    return result;
  }
  result.question = settleUnits(columns, filled, latitudeDeg);

  const days = new Map<string, { line: number; readings: Partial<Record<WeatherField, number>>[] }>();
  const dateAt = columns.findIndex((c) => c?.field === 'date');
  result.hourly = seen.has('tempC') || isHourly(filled, dateAt);
  for (const [index, row] of body.entries()) {
    if (row.every((cell) => cell.trim() === '')) continue;
    const line = index + 2;
    const { date, values, reason } = readRow(row, columns);
    const other = date ? days.get(date) : undefined;
    const twice =
      other && !result.hourly && reason === null ? `${date} stands already on line ${other.line}` : null;
    if (reason ?? twice ?? !date) {
      result.rejected.push({ line, reason: reason ?? twice ?? 'no date' });
      continue;
    }
    if (other) other.readings.push(values);
    else days.set(date, { line, readings: [values] });
  }
  for (const [date, { line, readings }] of days) {
    const values = result.hourly ? dayOf(readings, columns) : (readings[0] ?? {});
    const reason =
      result.hourly && readings.length < LEAST_HOURS
        ? `${date} has only ${readings.length} readings; a day takes at least ${LEAST_HOURS}`
        : dayProblem(values);
    if (reason) result.rejected.push({ line, reason });
    else result.days.push({ ...(values as { tMinC: number; tMaxC: number; rainMm: number }), date });
  }
  result.rejected.sort((a, b) => a.line - b.line);
  result.days.sort((a, b) => (a.date < b.date ? -1 : 1));
  if (result.days.length === 0) {
    const [first] = result.rejected;
    result.problem = `No row of the file could be read as a day of weather${first ? `; the first, on line ${first.line}: ${first.reason}` : ''}.`;
  }
  return result;
}

/** Times of day, and the same day on most rows: several readings a day. */
function isHourly(rows: readonly string[][], dateAt: number): boolean {
  const timed = rows.filter((row) => /\d[T ]\d{1,2}:\d{2}/.test(row[dateAt] ?? ''));
  const dates = new Set(rows.map((row) => readDate(row[dateAt] ?? '')));
  return timed.length > rows.length / 2 && dates.size <= rows.length / 2;
}

/** One row in SI, or why it cannot be read. */
function readRow(
  row: readonly string[],
  columns: Columns,
): { date: string | null; values: Partial<Record<WeatherField, number>>; reason: string | null } {
  const values: Partial<Record<WeatherField, number>> = {};
  let date: string | null = null;
  for (const [i, column] of columns.entries()) {
    if (!column) continue;
    const text = (row[i] ?? '').trim();
    if (column.field === 'date') {
      date = readDate(text);
      if (!date) return { date, values, reason: `date must be written YYYY-MM-DD; got "${text}"` };
      if (date < FIRST_DAY || date > LAST_DAY)
        return { date: null, values, reason: `date must lie from ${FIRST_DAY} to ${LAST_DAY}; got ${date}` };
      continue;
    }
    if (MISSING.test(text)) continue;
    const number = readNumber(text);
    const label = column.label.toLowerCase();
    if (!Number.isFinite(number)) return { date, values, reason: `${label} must be a number; got "${text}"` };
    const kind = KINDS.find((k) => k.field === column.field);
    const value = kind?.units.find((choice) => choice.unit === column.unit)?.toSi(number) ?? number;
    const field = LIMIT_OF[column.field] ?? (column.field as LimitedField);
    if (!withinLimit(field, value))
      return {
        date,
        values,
        reason: `${label} must be ${rangeWords(LIMITS[field])}; got ${text} ${column.unit}`,
      };
    values[column.field] = value;
  }
  return { date, values, reason: null };
}

const LIMIT_OF: Partial<Record<WeatherField, LimitedField>> = { tempC: 'tMaxC', rhPct: 'rhMaxPct' };

/** A day's readings as one: its ends of temperature and humidity, its rain in all, its mean wind and sun. */
function dayOf(
  readings: readonly Partial<Record<WeatherField, number>>[],
  columns: Columns,
): Partial<Record<WeatherField, number>> {
  const all = (...fields: WeatherField[]): number[] =>
    readings.flatMap((r) => fields.flatMap((field) => r[field] ?? []));
  const of = (values: readonly number[], take: (values: readonly number[]) => number): number | undefined =>
    values.length > 0 ? take(values) : undefined;
  const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
  const mean = (values: readonly number[]): number => sum(values) / values.length;
  const day = {
    tMinC: of(all('tMinC', 'tempC'), (v) => Math.min(...v)),
    tMaxC: of(all('tMaxC', 'tempC'), (v) => Math.max(...v)),
    rainMm: of(all('rainMm'), sum),
    windMs: of(all('windMs'), mean),
    rhMinPct: of(all('rhMinPct', 'rhPct'), (v) => Math.min(...v)),
    rhMaxPct: of(all('rhMaxPct', 'rhPct'), (v) => Math.max(...v)),
    // Watts are a rate, whose mean is the day's; energy adds up.
    solarMJ: of(all('solarMJ'), columns.some((c) => c?.unit === 'W/m²') ? mean : sum),
  };
  return Object.fromEntries(Object.entries(day).filter(([, value]) => value !== undefined));
}

function dayProblem(values: Partial<Record<WeatherField, number>>): string | null {
  const { tMinC, tMaxC, rainMm, rhMinPct, rhMaxPct } = values;
  if (tMinC === undefined) return 'lowest temperature is missing';
  if (tMaxC === undefined) return 'highest temperature is missing';
  if (rainMm === undefined) return 'rain is missing (write 0 for a dry day)';
  if (tMinC > tMaxC) return `lowest temperature (${tMinC} °C) is above the highest (${tMaxC} °C)`;
  if (rhMinPct !== undefined && rhMaxPct !== undefined && rhMinPct > rhMaxPct) {
    return `lowest humidity (${rhMinPct} %) is above the highest (${rhMaxPct} %)`;
  }
  if (!withinLimit('rainMm', rainMm))
    return `rain must be ${rangeWords(LIMITS.rainMm)}; got ${rainMm} mm in a day`;
  return null;
}

export const importBody = z.object({
  text: z
    .string()
    .min(1, { error: 'File must hold something; it is empty' })
    .max(8_000_000, { error: 'File must be at most 8 MB; split it by years' }),
  fileName: z
    .string()
    .max(200, {
      error: ({ input }) => `Name of the file must be 200 letters or fewer; got ${String(input).length}`,
    })
    .default('weather file'),
  /** A unit per field, where the gardener corrected or answered what was assumed. */
  units: z
    .record(z.string().max(20), z.string().max(20))
    .refine((units) => Object.keys(units).length <= 20, { error: 'Units must be at most 20' })
    .default({}),
  /** The gardener has seen the rejected rows and wants the rest. */
  acceptRejected: z.boolean().default(false),
});

export const importPreview = z.object({
  columns: z.array(
    z.object({
      heading: z.string(),
      field: z.string(),
      label: z.string(),
      unit: z.string(),
      unitAssumed: z.boolean(),
      unitChoices: z.array(z.string()),
    }),
  ),
  ignored: z.array(z.string()),
  firstDays: z.array(
    z.object({
      date: z.string(),
      tMinC: z.number(),
      tMaxC: z.number(),
      rainMm: z.number(),
      windMs: z.number().optional(),
    }),
  ),
  goodRows: z.number(),
  /** The first rows that cannot be read, and how many there are in all. */
  rejected: z.array(z.object({ line: z.number(), reason: z.string() })),
  rejectedCount: z.number(),
  hourly: z.boolean(),
  question: z.object({ field: z.string(), words: z.string() }).nullable(),
  from: z.string().nullable(),
  to: z.string().nullable(),
  problem: z.string().nullable(),
});
export const importResult = z.object({
  /** The import, by which it can be taken back. */
  id: z.number(),
  stored: z.number(),
  from: z.string(),
  to: z.string(),
  leftOut: z.number(),
});

export const weatherView = z.object({
  days: z.array(
    z.object({
      date: z.string(),
      tMinC: z.number(),
      tMaxC: z.number(),
      rainMm: z.number(),
      windMs: z.number().nullable(),
      source: z.string(),
      gaugeMm: z.number().nullable(),
      gaugeEventId: z.number().nullable(),
      et0Mm: z.number(),
    }),
  ),
  from: z.string().nullable(),
  to: z.string().nullable(),
  count: z.number(),
  longestDryRun: z.object({ days: z.number(), from: z.string() }).nullable(),
  /** The days on record of the year up to yesterday: rain, and what sun and wind took, mm. */
  year: z.array(z.object({ date: day, rainMm: z.number(), et0Mm: z.number() })),
  /** Today and the days ahead, as the plan has them. */
  ahead: z.array(aheadDay),
  station: stationView.nullable(),
  /** Files taken in, newest first; each can be taken back as a whole. */
  imports: z.array(
    z.object({
      id: z.number(),
      fileName: z.string(),
      at: z.string(),
      days: z.number(),
      removed: z.boolean(),
    }),
  ),
});
export type ImportPreview = z.infer<typeof importPreview>;
export type ImportResult = z.infer<typeof importResult>;
export type WeatherView = z.infer<typeof weatherView>;
