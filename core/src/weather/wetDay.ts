/** A wet day, mm. Usual meteorological threshold. */
export const WET_DAY_MM = 1;
