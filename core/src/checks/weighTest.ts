import { positive, within, withinIfGiven } from '../units/guard.ts';

export interface WeighTest {
  /** What the pot loses in a day, mL (1 g of water is 1 mL). */
  millilitresPerDay: number;
  /** Points of moisture (% by volume) it loses in a day, when both readings were taken. */
  pctPerDay?: number;
  /** Days from the wet reading until the low end of the band is reached. */
  daysToTargetLow?: number;
}

/**
 * A pot weighed wet and again later.
 * @param options weights in kg; hours between, above 0; optional moisture readings and the low end of the band, % by volume
 * @throws RangeError when the later weight or reading is the higher: it was watered or rained on between
 * Source: common practice; arithmetic.
 */
export function weighTest(options: {
  wetKg: number;
  laterKg: number;
  hours: number;
  vwcWetPct?: number;
  vwcLaterPct?: number;
  targetLowPct?: number;
}): WeighTest {
  const wet = positive('wetKg', options.wetKg, 2000, 'kg');
  const hours = positive('hours', options.hours, 24 * 60, 'h');
  positive('laterKg', options.laterKg, 2000, 'kg');
  const later = within('laterKg', options.laterKg, 0, wet, 'kg (not above the wet weight)');
  const days = hours / 24;
  const result: WeighTest = { millilitresPerDay: ((wet - later) * 1000) / days };
  const wetPct = withinIfGiven('vwcWetPct', options.vwcWetPct, 0, 100, '%');
  if (wetPct === undefined || options.vwcLaterPct === undefined) return result;
  const laterPct = within('vwcLaterPct', options.vwcLaterPct, 0, wetPct, '% (not above the wet reading)');
  result.pctPerDay = (wetPct - laterPct) / days;
  const low = withinIfGiven('targetLowPct', options.targetLowPct, 0, 100, '%');
  if (low === undefined) return result;
  if (low >= wetPct) result.daysToTargetLow = 0;
  else if (result.pctPerDay > 0) result.daysToTargetLow = (wetPct - low) / result.pctPerDay;
  return result;
}
