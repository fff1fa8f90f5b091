/** What the ring of a woody plant gets where water is short, mm: 2 inches a fortnight, 3 inches a month. Common practice. */
export const RING_FORTNIGHT_MM = 51;
export const RING_MONTH_MM = 76;
/** The same a day, mm. Source: arithmetic. */
export const RING_FORTNIGHT_MM_A_DAY = RING_FORTNIGHT_MM / 14;
export const RING_MONTH_MM_A_DAY = RING_MONTH_MM / 30;
