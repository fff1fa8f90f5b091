import { fahrenheitToCelsius, usualTemperatureC } from '@kibble/core';
import { dateOrder, readDate, readNumber } from './cells.ts';
import { same, type DateOrder, type UnderstoodColumn, type WeatherField } from './columns.ts';

/** What the file does not say and cannot be told from its figures. */
export interface FileQuestion {
  field: WeatherField;
  words: string;
}
/** The columns in the file's order; null where one is not used. */
export type Columns = readonly (UnderstoodColumn | null)[];

/** Degrees by which one reading of a file's temperatures must lie nearer to the season than the other to be taken. Judgement. */
const CLEARLY_NEARER_C = 6;
/** Half of a place's wet days bring more than this in millimetres, and less than that in inches. Judgement: real ones lie at 2 to 5 mm. */
const MIDDLE_RAIN = { mmAtLeast: 1.5, inAtMost: 0.3 };
/** Fewer wet days tell nothing. Judgement. */
const LEAST_WET = 8;

const TEMPERATURES: readonly WeatherField[] = ['tMinC', 'tMaxC', 'tempC'];
const isTemperature = (field: WeatherField): boolean => TEMPERATURES.includes(field);

/** Where the days stand, and how they are written. */
export const dateColumn = (columns: Columns): { at: number; order: DateOrder } => {
  const at = columns.findIndex((c) => c?.field === 'date');
  return { at, order: (columns[at]?.unit ?? 'year first') as DateOrder };
};

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

/** mm or inches by the middle one of the wet days' figures; null when it could be either. */
function likelyDepth(figures: readonly number[]): 'mm' | 'in' | null {
  const wet = figures.filter((v) => v > 0).sort((a, b) => a - b);
  const middle = wet[Math.floor(wet.length / 2)];
  if (wet.length < LEAST_WET || middle === undefined) return null;
  return middle >= MIDDLE_RAIN.mmAtLeast ? 'mm' : middle <= MIDDLE_RAIN.inAtMost ? 'in' : null;
}

/** Means of each row's temperatures, as the file has them. */
function temperaturesOf(columns: Columns, rows: readonly string[][]): { date: string; value: number }[] {
  const { at: dateAt, order } = dateColumn(columns);
  const tempAt = columns.flatMap((c, i) => (c && isTemperature(c.field) ? [i] : []));
  return rows.flatMap((row) => {
    const date = readDate(row[dateAt] ?? '', order);
    const values = tempAt.map((i) => readNumber((row[i] ?? '').trim() || 'none')).filter(Number.isFinite);
    return date && values.length > 0
      ? [{ date, value: values.reduce((a, b) => a + b, 0) / values.length }]
      : [];
  });
}

/** Takes what a heading leaves open (how days are written, units) from the rows and the garden's latitude; asks where they do not tell. */
export function settleUnits(
  columns: Columns,
  rows: readonly string[][],
  latitudeDeg: number | undefined,
  answered: Readonly<Record<string, string>>,
): FileQuestion | null {
  const dates = columns.find((c) => c?.field === 'date');
  if (dates && answered.date === undefined) {
    const order = dateOrder(rows.map((row) => row[columns.indexOf(dates)] ?? ''));
    if (order === null) {
      // Shown one way until somebody says which.
      dates.unit = 'day first';
      return {
        field: 'date',
        words:
          'The days could be written day first or month first: no day past the twelfth tells. Choose which.',
      };
    }
    dates.unit = order;
  }
  const open = columns.filter((c): c is UnderstoodColumn => c !== null && c.unitAssumed);
  const temperatures = open.filter(({ field }) => isTemperature(field));
  const stated = columns.find((c) => c && isTemperature(c.field) && !c.unitAssumed)?.unit;
  let scale: string | null | undefined = stated;
  if (!stated && temperatures.length > 0 && latitudeDeg !== undefined) {
    const means = temperaturesOf(columns, rows);
    scale = likelyScale(means, latitudeDeg);
    if (scale === null && means.length > 0)
      return {
        field: (temperatures[0] as UnderstoodColumn).field,
        words:
          'The file does not say whether its temperatures are °C or °F, and its figures could be either. Choose which.',
      };
  }
  // A file in Fahrenheit measures rain in inches and wind in miles.
  const US: Partial<Record<WeatherField, string>> = { rainMm: 'in', windMs: 'mph' };
  for (const column of open) {
    if (isTemperature(column.field)) column.unit = scale ?? column.unit;
    else if (scale === '°F') column.unit = US[column.field] ?? column.unit;
  }
  return rainQuestion(columns, rows);
}

/** Rain whose figures speak against the unit that was taken for them is asked about. */
function rainQuestion(columns: Columns, rows: readonly string[][]): FileQuestion | null {
  const rain = columns.find((c) => c?.field === 'rainMm');
  if (!rain?.unitAssumed) return null;
  const at = columns.indexOf(rain);
  const likely = likelyDepth(rows.map((row) => readNumber((row[at] ?? '').trim() || 'none')));
  return likely === null || likely === rain.unit
    ? null
    : {
        field: 'rainMm',
        words: `The file does not say in what it measures rain: its temperatures speak for ${rain.unit}, its figures for ${likely}. Choose which.`,
      };
}
