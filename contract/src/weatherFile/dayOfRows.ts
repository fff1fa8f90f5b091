import { FIRST_DAY, LAST_DAY } from '../parts.ts';
import { LIMITS, rangeWords, withinLimit, type LimitedField } from '../limits.ts';
import { MISSING, readDate, readNumber } from './cells.ts';
import { KINDS, type DateOrder, type WeatherField } from './columns.ts';
import { dateColumn, type Columns } from './units.ts';

/** What was read of a row or a day, in SI. */
export type Values = Partial<Record<WeatherField, number>>;

const DATE_FORMS: Readonly<Record<DateOrder, string>> = {
  'year first': 'YYYY-MM-DD',
  'day first': 'DD.MM.YYYY',
  'month first': 'MM/DD/YYYY',
};

/** Times of day, and the same day on most rows: several readings a day. */
export function isHourly(rows: readonly string[][], columns: Columns): boolean {
  const { at: dateAt, order } = dateColumn(columns);
  const timed = rows.filter((row) => /\d[T ]\d{1,2}:\d{2}/.test(row[dateAt] ?? ''));
  const dates = new Set(rows.map((row) => readDate(row[dateAt] ?? '', order)));
  return timed.length > rows.length / 2 && dates.size <= rows.length / 2;
}

/** One row in SI, or why it cannot be read. */
export function readRow(
  row: readonly string[],
  columns: Columns,
): { date: string | null; values: Values; reason: string | null } {
  const values: Values = {};
  let date: string | null = null;
  for (const [i, column] of columns.entries()) {
    if (!column) continue;
    const text = (row[i] ?? '').trim();
    if (column.field === 'date') {
      const order = column.unit as DateOrder;
      date = readDate(text, order);
      if (!date) return { date, values, reason: `date must be written ${DATE_FORMS[order]}; got "${text}"` };
      if (date < FIRST_DAY || date > LAST_DAY)
        return { date: null, values, reason: `date must lie from ${FIRST_DAY} to ${LAST_DAY}; got ${date}` };
      continue;
    }
    if (MISSING.test(text)) continue;
    const number = readNumber(text);
    const label = column.label.toLowerCase();
    if (!Number.isFinite(number)) return { date, values, reason: `${label} must be a number; got "${text}"` };
    const value = unitOf(column.field, column.unit)?.toSi(number) ?? number;
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

const unitOf = (field: WeatherField, unit: string) =>
  KINDS.find((k) => k.field === field)?.units.find((choice) => choice.unit === unit);

const LIMIT_OF: Partial<Record<WeatherField, LimitedField>> = { tempC: 'tMaxC', rhPct: 'rhMaxPct' };

/** A day's readings as one: its ends of temperature and humidity, its rain in all, its mean wind and sun. */
export function dayOf(readings: readonly Values[], columns: Columns): Values {
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

export function dayProblem(values: Values): string | null {
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
