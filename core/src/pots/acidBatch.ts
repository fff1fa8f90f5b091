import { positive, within } from '../units/guard.ts';

/** Household acid to a litre of hard tap water, mL; a teaspoon, mL. Common practice: a teaspoon to the gallon; the US measures. */
export const DOSE_ML_PER_L = 1.3;
export const TEASPOON_ML = 4.93;
/** What feed in the can leaves of the dose until it is measured again. Judgement: feed acidifies too. */
const WITH_FEED = 0.5;
/** Water plants like best, and acid lovers. Common practice. */
export const PH_AIM = { low: 6, high: 6.5, acidLow: 5, acidHigh: 6 };

/**
 * A batch of acidified water.
 * @param litres of water; `doseMlPerL` mL to the litre, default 1.3; `spoonMl` of the measure, default a teaspoon; `feed` in it too
 * @returns mL of acid and spoons, whole ones with what is left over
 * @throws RangeError on litres outside 0–1000 or a dose outside 0.05–5
 * Source: common practice; arithmetic.
 */
export function acidBatch(options: {
  litres: number;
  doseMlPerL?: number;
  spoonMl?: number;
  feed?: boolean;
}): {
  millilitres: number;
  spoons: number;
  whole: number;
} {
  const dose = within('doseMlPerL', options.doseMlPerL ?? DOSE_ML_PER_L, 0.05, 5, 'mL/L');
  const litres = positive('litres', options.litres, 1000, 'L');
  const spoon = within('spoonMl', options.spoonMl ?? TEASPOON_ML, 0.5, 50, 'mL');
  const millilitres = litres * dose * (options.feed ? WITH_FEED : 1);
  const spoons = millilitres / spoon;
  return { millilitres, spoons, whole: Math.max(1, Math.round(spoons)) };
}

/** What a pH reading says of water for pots. */
export type PhVerdict = 'right' | 'too hard' | 'far too hard' | 'too sour';
/** Above this a batch is worth its while, and from here on certainly. Common practice: from about here on a tap counts as high. */
const FAR_TOO_HARD = 8;
/** @param ph 0–14 @throws RangeError outside */
export function phVerdict(ph: number, acidLovers = false): PhVerdict {
  const value = within('ph', ph, 0, 14);
  const low = acidLovers ? PH_AIM.acidLow : PH_AIM.low - 1;
  const high = acidLovers ? PH_AIM.acidHigh : PH_AIM.high + 0.5;
  return value < low
    ? 'too sour'
    : value <= high
      ? 'right'
      : value < FAR_TOO_HARD
        ? 'too hard'
        : 'far too hard';
}
