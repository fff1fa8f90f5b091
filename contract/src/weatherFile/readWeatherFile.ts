import { addDays, daysBetween, type WeatherDay } from '@kibble/core';
import { KINDS, understand, type UnderstoodColumn, type WeatherField } from './columns.ts';
import { dayOf, dayProblem, isHourly, readRow, type Values } from './dayOfRows.ts';
import { rowsOf, type FileRows } from './rows.ts';
import { settleUnits, type FileQuestion } from './units.ts';

export interface RejectedRow {
  /** Line in the file, 1 is the heading; or the entry of a list, 1 the first. */
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
  /** Rows are counted as lines, or as entries of a list. */
  counted: FileRows['counted'];
  /** Rows that say again what another row says of the same day: taken once. */
  repeated: number;
  /** Days between the first and the last that no row tells of; the longest run of them. */
  gaps: { days: number; runs: number; longest: { from: string; days: number } } | null;
  /** It must be answered before anything is stored. */
  question: FileQuestion | null;
  /** What is amiss with the file as a whole; nothing can be imported then. */
  problem: string | null;
}

/** Fewest readings of a day that stand for it, of 24. Judgement: a night or an afternoon must not be missing. */
const LEAST_HOURS = 18;
/** Rows read between two words of how far it is. */
const TOLD_EVERY = 2000;

/** Reading was given up on the way. */
export class GivenUp extends Error {}

/**
 * Reads a file of weather, a row a day or an hour: recognises headings, units, how days are written, points and commas, converts
 * to SI and checks every row.
 * @param file its text, or its rows where that has been read before
 * @param units a unit per field, where the gardener corrected or answered what was assumed
 * @param latitudeDeg of the garden: by the season there °F is told from °C where the heading is silent
 * @param onRows told how many rows are done; answering false gives up
 * @throws GivenUp
 */
export function readWeatherFile(
  file: string | FileRows,
  {
    units = {},
    latitudeDeg,
    onRows,
  }: {
    units?: Readonly<Record<string, string>>;
    latitudeDeg?: number;
    onRows?: (done: number, of: number) => boolean;
  } = {},
): ReadWeather {
  const { headings, rows, firstRow, counted, delimiter, problem } =
    typeof file === 'string' ? rowsOf(file) : file;
  const seen = new Set<WeatherField>();
  const columns: (UnderstoodColumn | null)[] = headings.map((heading) => {
    const column = understand(heading, units);
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
    counted,
    repeated: 0,
    gaps: null,
    question: null,
    problem: problem ?? whatIsLacking(headings, seen),
  };
  if (result.problem) return result;
  const filled = rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  const wider = filled.filter((row) => row.filter((cell) => cell.trim() !== '').length > headings.length);
  if (delimiter === ',' && filled.length > 0 && wider.length > filled.length / 2) {
    result.problem =
      'The rows have more parts than the heading has columns: the numbers seem to have a comma before their decimals, and commas part the columns too. Save the file with semicolons between the columns, or with points in the numbers.';
    return result;
  }
  result.question = settleUnits(columns, filled, latitudeDeg, units);

  const days = new Map<string, { line: number; readings: Values[] }>();
  result.hourly = seen.has('tempC') || isHourly(filled, columns);
  for (const [index, row] of rows.entries()) {
    if (index % TOLD_EVERY === 0 && onRows?.(index, rows.length) === false) throw new GivenUp();
    if (row.every((cell) => cell.trim() === '')) continue;
    const line = index + firstRow;
    const { date, values, reason } = readRow(row, columns);
    const other = date ? days.get(date) : undefined;
    if (reason !== null || !date) {
      result.rejected.push({ line, reason: reason ?? 'no date' });
      continue;
    }
    if (!other) days.set(date, { line, readings: [values] });
    else if (result.hourly) other.readings.push(values);
    else if (JSON.stringify(values) === JSON.stringify(other.readings[0])) result.repeated += 1;
    else
      result.rejected.push({
        line,
        reason: `${date} stands already on ${counted} ${other.line}, with other figures`,
      });
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
  result.gaps = gapsOf(result.days);
  if (result.days.length === 0) {
    const [first] = result.rejected;
    result.problem = `No row of the file could be read as a day of weather${first ? `; the first, on ${counted} ${first.line}: ${first.reason}` : ''}.`;
  }
  return result;
}

/** What a file must tell of a day; any of each. */
const NEEDED: readonly (readonly WeatherField[])[] = [
  ['date'],
  ['tMinC', 'tempC'],
  ['tMaxC', 'tempC'],
  ['rainMm'],
];

function whatIsLacking(headings: readonly string[], seen: ReadonlySet<WeatherField>): string | null {
  const lacking = NEEDED.filter((any) => !any.some((field) => seen.has(field))).map(([field]) => field);
  if (lacking.length === 0) return null;
  const labels = lacking.map((field) => KINDS.find((k) => k.field === field)?.label.toLowerCase());
  const found = headings.filter((h) => h.trim()).join(', ') || 'nothing';
  return `No column found for ${labels.join(', ')}. The first line must name the columns; it has: ${found}.`;
}

/** Days that no row tells of between the first and the last. @param days in order */
function gapsOf(days: readonly WeatherDay[]): ReadWeather['gaps'] {
  const gaps = days.flatMap(({ date }, i) => {
    const before = days[i - 1];
    const missing = before ? daysBetween(before.date, date) - 1 : 0;
    return before && missing > 0 ? [{ from: addDays(before.date, 1), days: missing }] : [];
  });
  const longest = gaps.reduce<(typeof gaps)[number] | null>(
    (best, gap) => (best && best.days >= gap.days ? best : gap),
    null,
  );
  return longest ? { days: gaps.reduce((sum, gap) => sum + gap.days, 0), runs: gaps.length, longest } : null;
}
