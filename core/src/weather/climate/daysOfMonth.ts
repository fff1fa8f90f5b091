const DAYS = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Days of a month in the mean of years. @param month 0 for January to 11 */
export const daysOfMonth = (month: number): number => DAYS[month] ?? 30;
