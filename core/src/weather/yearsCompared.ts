import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { RainAndUse } from './rainAgainstUse.ts';

/** What a season lacked up to a day of it, mm: what sun and wind took less what rain brought. */
export interface YearCourse {
  /** The calendar year in which it begins. */
  year: number;
  points: { day: number; lackMm: number }[];
}

export interface YearsCompared {
  /** The day on which seasons are counted from, in the year under way. */
  from: IsoDate;
  now: YearCourse;
  /** Years before, of which as much is on record as of this one, oldest first. */
  before: YearCourse[];
  /** How this year stands among them on its latest day; null where there is none to stand among. */
  stands: { drierThan: number; of: number; lackMm: number; usualMm: number } | null;
}

/** Seasons begin with spring: in March, in September in the south, and near the equator with the year. Judgement. */
const SPRING = { north: '03-01', south: '09-01', tropics: '01-01' };
const TROPIC_DEG = 15;
/** A season with more gaps than this says nothing of how it was. Judgement. */
const MOST_MISSING = 0.05;
/** Days between two points that are drawn. */
const STEP_DAYS = 3;

/**
 * This year's lack of water beside that of the years on record, each added up from its spring on.
 * @param days measured days in order, gaps allowed; `latitudeDeg` tells when spring is
 * @returns null where this season has no measured day yet, or too many gaps
 * Source: arithmetic; the day seasons begin is a judgement.
 */
export function yearsCompared(
  days: readonly RainAndUse[],
  today: IsoDate,
  latitudeDeg: number,
): YearsCompared | null {
  const spring =
    Math.abs(latitudeDeg) < TROPIC_DEG ? SPRING.tropics : latitudeDeg < 0 ? SPRING.south : SPRING.north;
  const start = (year: number): IsoDate => `${String(year).padStart(4, '0')}-${spring}`;
  const thisYear = Number(today.slice(0, 4)) - (today < start(Number(today.slice(0, 4))) ? 1 : 0);
  const first = days[0]?.date;
  const last = days.findLast(({ date }) => date < today)?.date;
  if (!first || !last || last < start(thisYear)) return null;
  const span = daysBetween(start(thisYear), last) + 1;
  const course = (year: number): YearCourse | null => {
    const [begin, end] = [start(year), addDays(start(year), span)];
    const its = days.filter(({ date }) => date >= begin && date < end);
    if (its.length < span * (1 - MOST_MISSING)) return null;
    let lackMm = 0;
    const points = its.map((day) => {
      lackMm += day.et0Mm - day.rainMm;
      return { day: daysBetween(start(year), day.date), lackMm };
    });
    return { year, points: points.filter((_, i) => i % STEP_DAYS === 0 || i === points.length - 1) };
  };
  const now = course(thisYear);
  if (!now) return null;
  const before: YearCourse[] = [];
  for (let year = Number(first.slice(0, 4)) - 1; year < thisYear; year += 1) {
    const found = course(year);
    if (found) before.push(found);
  }
  const lackOf = ({ points }: YearCourse): number => points.at(-1)?.lackMm ?? 0;
  const lacks = before.map(lackOf).sort((a, b) => a - b);
  const middle = (lacks.length - 1) / 2;
  const lackMm = lackOf(now);
  return {
    from: start(thisYear),
    now,
    before,
    stands:
      lacks.length === 0
        ? null
        : {
            drierThan: lacks.filter((mm) => mm < lackMm).length,
            of: lacks.length,
            lackMm,
            usualMm: ((lacks[Math.floor(middle)] ?? 0) + (lacks[Math.ceil(middle)] ?? 0)) / 2,
          },
  };
}
