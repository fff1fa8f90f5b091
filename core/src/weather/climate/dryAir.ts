const KELVIN = 273.15;
/** Rain of three months is taken for a quarter of a year's, and so much at least, mm a year. Source: Thornton et al. 2000. */
const LEAST_YEAR_MM = 80;
/** Most the dew point lies under the night's low, °C; half of it by a sea, whose wind is moist. Judgements, against usual dew points of Cairo, Las Vegas and Athens from memory. */
const MOST_BELOW_C = 20;
const BY_THE_SEA = 0.5;

/**
 * How far the dew point lies under the night's low, °C: hardly at all where it rains, much where the ground is dry. FAO-56
 * eq. 48 takes them for equal.
 * @param lowC, highC of the day, °C; `demandMm` what the day could take, mm; `seasonMm` rain of three months, mm; by the sea or not
 * @returns °C, 0 to 20
 * Source: Kimball, Running & Nemani 1997, with the rain of the season as Thornton et al. 2000 take it; from memory.
 */
export function dewBelowLow(options: {
  lowC: number;
  highC: number;
  demandMm: number;
  seasonMm: number;
  coastal: boolean;
}): number {
  const { lowC, highC, demandMm, seasonMm, coastal } = options;
  const ratio = demandMm / Math.max(LEAST_YEAR_MM, 4 * seasonMm);
  const curve = 1.003 - 1.444 * ratio + 12.312 * ratio ** 2 - 32.766 * ratio ** 3;
  const dewK = (lowC + KELVIN) * (-0.127 + 1.121 * curve + 0.0006 * (highC - lowC));
  const below = Math.min(MOST_BELOW_C, Math.max(0, lowC + KELVIN - dewK));
  return coastal ? BY_THE_SEA * below : below;
}
