import { dayOfWeek, addDays, type IsoDate } from './dates.ts';

/** Day of the week; Sunday is 0. Source: the calendar. */
export const weekdayOf = (date: IsoDate): number => dayOfWeek(date);

/** The Monday of a day's week. Source: the calendar. */
export const mondayOf = (date: IsoDate): IsoDate => addDays(date, -((weekdayOf(date) + 6) % 7));
