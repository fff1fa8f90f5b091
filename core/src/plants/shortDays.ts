import { addDays, dayOfYear, daysBetween, type IsoDate } from '../units/dates.ts';
import { remembered } from '../units/remembered.ts';
import { daylightHours } from '../weather/solar.ts';

/** Days with less light than this let nothing grow, h. Common practice. */
const LEAST_HOURS = 10;
const SOLSTICE = { north: '12-21', south: '06-21' };

/** Days on either side of the shortest one that are shorter than ten hours. */
const halfWidth = remembered<number, number>(100);
const halfWidthAt = (latitudeDeg: number): number =>
  halfWidth(latitudeDeg, () => {
    const shortest: IsoDate = `2025-${latitudeDeg < 0 ? SOLSTICE.south : SOLSTICE.north}`;
    let days = 0;
    while (
      days < 182 &&
      daylightHours({ latitudeDeg, dayOfYear: dayOfYear(addDays(shortest, days)) }) < LEAST_HOURS
    )
      days += 1;
    return days;
  });

/**
 * Winter days on which a plant stands still for want of light, from `from` up to and without `to`.
 * @param latitudeDeg −90 to 90; none within about 32° of the equator
 * Source: daylight by FAO-56 eq. 34; that nothing grows in days under ten hours is common practice.
 */
export function shortDays(latitudeDeg: number, from: IsoDate, to: IsoDate): number {
  const half = halfWidthAt(latitudeDeg);
  const span = daysBetween(from, to);
  if (half === 0 || span <= 0) return 0;
  const solstice = latitudeDeg < 0 ? SOLSTICE.south : SOLSTICE.north;
  let days = 0;
  for (let year = Number(from.slice(0, 4)) - 1; year <= Number(to.slice(0, 4)); year += 1) {
    const shortest = daysBetween(from, `${String(year).padStart(4, '0')}-${solstice}`);
    days += Math.max(0, Math.min(span, shortest + half) - Math.max(0, shortest - half));
  }
  return days;
}
