import {
  fahrenheitToCelsius,
  inchesToMm,
  isIsoDate,
  kmhToMs,
  kwhToMJ,
  mphToMs,
  wattsToMJPerDay,
  type WeatherDay,
} from '@kibble/core';
import Papa from 'papaparse';
import { z } from 'zod';
import { LIMITS, rangeWords, withinLimit, type Limit, type LimitedField } from './limits.ts';

/** What a column of a weather file can be. */
export type WeatherField =
  'date' | 'tMinC' | 'tMaxC' | 'rainMm' | 'windMs' | 'rhMinPct' | 'rhMaxPct' | 'solarMJ';

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
    names: /^(date|day|time|datetime|dt|observation date)$/,
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

/**
 * Reads a file of daily weather: recognises headings and units, converts to SI and checks every row.
 * @param text the file as it is
 * @param unitOverrides a unit per field, where the gardener corrected what was assumed
 */
export function readWeatherCsv(
  text: string,
  unitOverrides: Readonly<Record<string, string>> = {},
): ReadWeather {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
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
    problem: null,
  };
  const lacking = (['date', 'tMinC', 'tMaxC', 'rainMm'] as const).filter((field) => !seen.has(field));
  if (lacking.length > 0) {
    const labels = lacking.map((field) => KINDS.find((k) => k.field === field)?.label.toLowerCase());
    const found = headings.filter((h) => h.trim()).join(', ') || 'nothing';
    result.problem = `No column found for ${labels.join(', ')}. The first line must name the columns; it has: ${found}.`;
    return result;
  }

  const lineOfDate = new Map<string, number>();
  for (const [index, row] of rows.entries()) {
    if (index === 0 || row.every((cell) => cell.trim() === '')) continue;
    const line = index + 1;
    const values: Partial<Record<WeatherField, number>> = {};
    let date: string | null = null;
    let reason: string | null = null;
    for (const [i, column] of columns.entries()) {
      if (!column || reason) continue;
      const text = (row[i] ?? '').trim();
      if (column.field === 'date') {
        date = readDate(text);
        if (!date) reason = `date must be written YYYY-MM-DD; got "${text}"`;
        continue;
      }
      if (MISSING.test(text)) continue;
      const number = Number(text);
      const kind = KINDS.find((k) => k.field === column.field);
      const unit = kind?.units.find((choice) => choice.unit === column.unit);
      const value = unit ? unit.toSi(number) : number;
      const limit: Limit = LIMITS[column.field as LimitedField];
      if (!Number.isFinite(number)) reason = `${column.label.toLowerCase()} must be a number; got "${text}"`;
      else if (!withinLimit(column.field as LimitedField, value)) {
        reason = `${column.label.toLowerCase()} must be ${rangeWords(limit)}; got ${text} ${column.unit}`;
      } else values[column.field] = value;
    }
    reason ??= rowProblem(values, date, lineOfDate);
    if (reason || !date) {
      result.rejected.push({ line, reason: reason ?? 'no date' });
      continue;
    }
    lineOfDate.set(date, line);
    result.days.push({ ...(values as { tMinC: number; tMaxC: number; rainMm: number }), date });
  }
  result.days.sort((a, b) => (a.date < b.date ? -1 : 1));
  if (result.days.length === 0) result.problem = 'No row of the file could be read as a day of weather.';
  return result;
}

function rowProblem(
  values: Partial<Record<WeatherField, number>>,
  date: string | null,
  lineOfDate: ReadonlyMap<string, number>,
): string | null {
  const { tMinC, tMaxC, rainMm, rhMinPct, rhMaxPct } = values;
  if (tMinC === undefined) return 'lowest temperature is missing';
  if (tMaxC === undefined) return 'highest temperature is missing';
  if (rainMm === undefined) return 'rain is missing (write 0 for a dry day)';
  if (tMinC > tMaxC) return `lowest temperature (${tMinC} °C) is above the highest (${tMaxC} °C)`;
  if (rhMinPct !== undefined && rhMaxPct !== undefined && rhMinPct > rhMaxPct) {
    return `lowest humidity (${rhMinPct} %) is above the highest (${rhMaxPct} %)`;
  }
  const other = date ? lineOfDate.get(date) : undefined;
  return other === undefined ? null : `${date} stands already on line ${other}`;
}

export const importBody = z.object({
  text: z
    .string()
    .min(1, { error: 'The file is empty' })
    .max(8_000_000, { error: 'The file is larger than 8 MB; split it by years' }),
  fileName: z.string().max(200).default('weather file'),
  units: z.record(z.string(), z.string()).default({}),
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
  rejected: z.array(z.object({ line: z.number(), reason: z.string() })),
  from: z.string().nullable(),
  to: z.string().nullable(),
  problem: z.string().nullable(),
});
export const importResult = z.object({
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
});
export type ImportPreview = z.infer<typeof importPreview>;
export type ImportResult = z.infer<typeof importResult>;
export type WeatherView = z.infer<typeof weatherView>;
