import { at } from '../units/at.ts';

/** Days whose mean air temperature stands for that of the topsoil, and of the mix in a pot, which has the air all round it. Judgements; both follow the air by about so long. */
const GROUND_DAYS = 10;
export const POT_DAYS = 2;
/** Topsoil below which roots take up in proportion, down to nothing at the freezing point, °C. Judgement: cold roots take up slowly. */
const SLOW_BELOW_C = 5;

/**
 * How freely roots take up water on each day, for the cold alone: 1 in ground of 5 °C and more, 0 in frozen ground.
 * @param meansC mean air temperature of each day, °C, oldest first; `days` of them that count
 * Source: judgements named above; the topsoil's temperature is the mean of the last ten days' air.
 */
export function groundWarmth(meansC: readonly number[], days = GROUND_DAYS): Float64Array {
  const warmth = new Float64Array(meansC.length);
  let sum = 0;
  for (let d = 0; d < meansC.length; d += 1) {
    sum += meansC[d] as number;
    if (d >= days) sum -= meansC[d - days] as number;
    const soilC = sum / Math.min(days, d + 1);
    warmth[d] = Math.min(1, Math.max(0, soilC / SLOW_BELOW_C));
  }
  return warmth;
}

/** Whether the ground is frozen on a day. */
export const isFrozen = (warmth: Float64Array, d: number): boolean => at(warmth, d) <= 0;
