import { addDays, type IsoDate } from '../units/dates.ts';

/** Water freezes, °C. */
const FREEZES_C = 0;

/**
 * The lowest of the coming night, °C, where it freezes; null where it does not or the night is not forecast. A night's
 * lowest is counted to the day on whose morning it falls, as stations report it.
 * @param days with their lowest temperature, °C
 * Source: the freezing point of water; the day of a night's lowest by WMO-No. 8 (from memory).
 */
export function frostTonight(
  days: readonly { date: IsoDate; tMinC: number }[],
  today: IsoDate,
): number | null {
  const tomorrow = addDays(today, 1);
  const night = days.find(({ date }) => date === tomorrow);
  return night && night.tMinC <= FREEZES_C ? night.tMinC : null;
}
