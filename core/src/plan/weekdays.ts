import { addDays, type IsoDate } from '../units/dates.ts';

/** Day of the week; Sunday is 0. Source: Zeller's congruence. */
export const weekdayOf = (date: IsoDate): number => {
  const [y, m, d] = date.split('-').map(Number);
  const month = (m as number) < 3 ? (m as number) + 12 : (m as number);
  const year = (m as number) < 3 ? (y as number) - 1 : (y as number);
  const k = year % 100;
  const j = Math.floor(year / 100);
  const h =
    ((d as number) + Math.floor((13 * (month + 1)) / 5) + k + Math.floor(k / 4) + Math.floor(j / 4) + 5 * j) %
    7;
  // Zeller counts from Saturday.
  return (h + 6) % 7;
};

/** The Monday of a day's week. Source: the calendar. */
export const mondayOf = (date: IsoDate): IsoDate => addDays(date, -((weekdayOf(date) + 6) % 7));
