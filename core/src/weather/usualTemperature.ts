import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { within } from '../units/guard.ts';

/**
 * Rough mean temperature of a latitude on a day, °C, good to some ten degrees: enough to tell a file in °F from one in
 * °C, and for nothing finer.
 * @param latitudeDeg -90 to 90, north positive
 * @returns °C, about -35 to 30
 * @throws RangeError on a latitude outside its range
 * Source: judgement: the year's mean falls with the square of the latitude, its swing grows with it, warmest on day 200.
 */
export function usualTemperatureC(latitudeDeg: number, date: IsoDate): number {
  const latitude = within('latitudeDeg', latitudeDeg, -90, 90, '°');
  const season = Math.cos((2 * Math.PI * (dayOfYear(date) - 200)) / 365.25);
  return 27 - 0.0075 * latitude ** 2 + Math.sign(latitude) * 0.25 * Math.abs(latitude) * season;
}
