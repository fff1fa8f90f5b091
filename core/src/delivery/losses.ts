import { within } from '../units/guard.ts';
import { METHOD_FACTS, type Method } from './methods.ts';

export const HOURS = ['dawn', 'morning', 'midday', 'late afternoon', 'evening', 'night'] as const;
export type HourOfDay = (typeof HOURS)[number];

/** Share of a fully exposed spray lost to the air at each hour, beyond the method's own losses. Judgement; the order is common practice. */
const HOUR_LOSS: Readonly<Record<HourOfDay, number>> = {
  dawn: 0,
  morning: 0.03,
  midday: 0.15,
  'late afternoon': 0.08,
  evening: 0.03,
  night: 0,
};
/** Share of a fully exposed spray carried off per m/s of wind over 2 m/s, and at most. Judgement. */
const WIND_LOSS_PER_MS = 0.04;
const WIND_LOSS_MOST = 0.3;

/**
 * Share of the water sent that reaches the soil at an hour and a wind.
 * @param options method, hour, wind m/s (0–75)
 * @returns 0–1, never above the method's own efficiency; drip hardly minds the hour, a sprinkler does
 * Source: judgements named in this file over the method's usual efficiency.
 */
export function efficiencyAt(options: { method: Method; hour: HourOfDay; windMs: number }): number {
  const facts = METHOD_FACTS[options.method];
  const wind = within('windMs', options.windMs, 0, 75, 'm/s');
  const windLoss = Math.min(WIND_LOSS_MOST, Math.max(0, wind - 2) * WIND_LOSS_PER_MS);
  return facts.efficiency * (1 - facts.exposure * (HOUR_LOSS[options.hour] + windLoss));
}
