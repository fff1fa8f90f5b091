import { MIXES, type Mix } from '../places/vessel/mixes.ts';
import { OutOfRange } from '../units/guard.ts';

/** What is odd about a weight, though it can be: asked about before it is kept. */
export type WeightQuery =
  'heavier than when full' | 'lost more than it holds' | 'far from its size' | 'unlike an odd weight before';

/** A pot weighs what its mix, its water and its wall do, within a share. Judgement. */
const HEAVIEST = 2.2;
const LIGHTEST = 0.25;
/** Heavier without water by so much is the scale's own doubt, kg. Judgement. */
const SCALE_SLACK_KG = 0.02;

/** A pot as far as its weight is looked at: litres of mix, what it holds for plants, L, and its weight when full, kg. */
export interface WeighedPot {
  volumeL: number;
  mix: Mix;
  holdsL: number;
  fullKg: number | null;
}

/**
 * Looks at a weight before it is kept.
 * @param pot as it stands; `kg` the weight; `lastKg` the one before while no water came since; `full` it was just filled and has drained
 * @returns what is odd about it, to be asked; null when nothing is
 * @throws OutOfRange when it cannot be: heavier a while later without water, or a loss larger than the pot. An earlier
 *   weight that is itself far from the pot's size proves nothing against a usual one: that is asked about
 */
export function checkWeight(
  pot: WeighedPot,
  { kg, lastKg, full }: { kg: number; lastKg: number | null; full: boolean },
): WeightQuery | null {
  const { volumeL, holdsL, fullKg } = pot;
  const mix = MIXES[pot.mix];
  const reckoned = volumeL * (mix.dryKgPerL + mix.containerCapacity);
  const isUsual = (weight: number): boolean =>
    weight <= HEAVIEST * reckoned + 1 && weight >= LIGHTEST * reckoned;
  const earlier = [lastKg, fullKg].filter((weight) => weight !== null);
  if (isUsual(kg) && earlier.some((weight) => !isUsual(weight))) return 'unlike an odd weight before';
  if (lastKg !== null && !full && kg > lastKg + Math.max(SCALE_SLACK_KG, 0.01 * lastKg))
    throw new OutOfRange(
      'kg',
      `not be above ${round(lastKg)} kg, its last weight: no water was written down since`,
      kg,
    );
  const before = Math.max(lastKg ?? 0, fullKg ?? 0);
  if (before - kg > volumeL * mix.containerCapacity)
    throw new OutOfRange(
      'kg',
      `not be ${round(before - kg)} kg under its weight when full: the pot holds ${round(volumeL * mix.containerCapacity)} L of water in all`,
      kg,
    );
  if (fullKg !== null && !full && kg > fullKg * 1.03 + SCALE_SLACK_KG) return 'heavier than when full';
  if (before - kg > 1.1 * holdsL) return 'lost more than it holds';
  if (!isUsual(kg)) return 'far from its size';
  return null;
}

const round = (value: number): number => Math.round(100 * value) / 100;
