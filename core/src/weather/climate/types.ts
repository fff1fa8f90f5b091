/** A usual month of a place. */
export interface ClimateMonth {
  /** Mean highest and lowest temperature of a day, °C. */
  highC: number;
  lowC: number;
  /** Rain and melted snow of the month, mm. */
  rainMm: number;
  /** Days with at least 1 mm. */
  wetDays: number;
}

/** A usual year of a place. */
export interface Climate {
  /** January to December. */
  months: readonly ClimateMonth[];
  /** Within about 20 km of a sea: the day's range is narrower under the same sun, the wind stronger, the air moister. */
  coastal: boolean;
}

/** How far a climate may be off: four in five lie within it. */
export interface ClimateDoubt {
  /** °C, of a month's mean high or low, half up and half down. */
  tempC: number;
  /** Of the year's rain, as a share: 0.2 is from a sixth less to a fifth more. */
  rainShare: number;
  /** Wet days of a month. */
  wetDays: number;
}
