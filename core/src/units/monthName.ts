import { UTCDate } from '@date-fns/utc';
import { format } from 'date-fns';

/** A month in words. @param date a day of it, or the month written YYYY-MM */
export const monthName = (date: string): string => format(new UTCDate(`${date.slice(0, 7)}-01`), 'MMMM yyyy');
