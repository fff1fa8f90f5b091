import { addDays, dayOfYear, daysBetween, type IsoDate } from '../units/dates.ts';
import { daylightHours } from '../weather/solar.ts';

/** Days with less light than this let nothing grow, h. Common practice. */
const LEAST_HOURS = 10;
const SOLSTICE = { north: '12-21', south: '06-21' };

/** Days on either side of the shortest one that are shorter than ten hours, by latitude. */
const halfWidths = new Map<number, number>();
function halfWidthAt(latitudeDeg: number): number {
  const known = halfWidths.get(latitudeDeg);
  if (known !== undefined) return known;
  const shortest: IsoDate = `2025-${latitudeDeg < 0 ? SOLSTICE.south : SOLSTICE.north}`;
  let days = 0;
  while (
    days < 182 &&
    daylightHours({ latitudeDeg, dayOfYear: dayOfYear(addDays(shortest, days)) }) < LEAST_HOURS
  )
    days += 1;
  if (halfWidths.size >= MOST_PLACES) halfWidths.clear();
  halfWidths.set(latitudeDeg, days);
  return days;
}
/** Places remembered: a machine has a few. */
const MOST_PLACES = 100;

/** The days that are counted from, and the shortest day of a year counted from it. */
const FROM: IsoDate = '2000-01-01';
const shortestDays = { north: new Map<number, number>(), south: new Map<number, number>() };
function shortestDay(year: number, half: 'north' | 'south'): number {
  const known = shortestDays[half].get(year);
  if (known !== undefined) return known;
  const day = daysBetween(FROM, `${String(year).padStart(4, '0')}-${SOLSTICE[half]}`);
  shortestDays[half].set(year, day);
  return day;
}

/**
 * Winter days on which a plant stands still for want of light, from `from` up to and without `to`.
 * @param latitudeDeg −90 to 90; none within about 32° of the equator
 * Source: daylight by FAO-56 eq. 34; that nothing grows in days under ten hours is common practice.
 */
export function shortDays(latitudeDeg: number, from: IsoDate, to: IsoDate): number {
  const half = halfWidthAt(latitudeDeg);
  if (half === 0) return 0;
  const first = daysBetween(FROM, from);
  const last = daysBetween(FROM, to);
  const side = latitudeDeg < 0 ? 'south' : 'north';
  let days = 0;
  for (let year = Number(from.slice(0, 4)) - 1; year <= Number(to.slice(0, 4)); year += 1) {
    const shortest = shortestDay(year, side);
    days += Math.max(0, Math.min(last, shortest + half) - Math.max(first, shortest - half));
  }
  return days;
}
