import { OutOfRange } from '../units/guard.ts';
import { isIsoDate } from '../units/dates.ts';
import type { PlantingInput } from './types.ts';

/** Shares that add up to more than this are more plants than bed. */
const FULL = 1 + 1e-9;

/**
 * Refuses plantings that cannot stand on one bed together.
 * @throws RangeError when one is cleared before it was planted, a share is not from 0.01 to 1, or on some day the
 *   shares of those standing add up to more than the bed
 */
export function checkPlantings(plantings: readonly PlantingInput[]): void {
  for (const [i, p] of plantings.entries()) {
    if (!isIsoDate(p.plantedOn)) throw new OutOfRange(`plantings[${i}].plantedOn`, 'be a day', p.plantedOn);
    const share = p.share ?? 1;
    if (!(share >= 0.01 && share <= 1))
      throw new OutOfRange(`plantings[${i}].share`, 'be a number from 0.01 to 1', share);
    if (p.endedOn !== undefined && p.endedOn < p.plantedOn)
      throw new OutOfRange(
        `plantings[${i}].endedOn`,
        `not be before its planting on ${p.plantedOn}`,
        p.endedOn,
      );
  }
  // The fullest day is one on which something was planted.
  for (const { plantedOn: day } of plantings) {
    const standing = plantings.filter(
      (p) => p.plantedOn <= day && (p.endedOn === undefined || p.endedOn > day),
    );
    const share = standing.reduce((sum, p) => sum + (p.share ?? 1), 0);
    if (share > FULL)
      throw new OutOfRange(
        'share',
        'leave room: the plantings that stand together on a day may take up to 100 % of the bed',
        `${Math.round(share * 100)} % on ${day}`,
        `share must leave room: on ${day} the plantings take ${Math.round(share * 100)} % of the bed, allowed up to 100 %`,
      );
  }
}
