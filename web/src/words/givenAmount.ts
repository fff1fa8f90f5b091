import { litresOfCans } from '@kibble/core';
import { typedSi } from './numberRule.ts';
import type { Units } from './units.ts';

/** How an amount of water is told: by the tap's minutes, as a volume, or in cans. */
export type AmountBy = 'minutes' | 'litres' | 'cans';

/** What was typed of an amount, as it is written down; null where it is no figure. @param canLitres what one can holds, L */
export function givenAmount(
  by: AmountBy,
  text: string,
  canLitres: number,
  units: Units,
): { minutes: number } | { litres: number } | null {
  const typed = typedSi(by, text, units);
  if (typed === undefined || !Number.isFinite(typed) || typed <= 0) return null;
  if (by === 'minutes') return { minutes: typed };
  return { litres: by === 'cans' ? litresOfCans({ cans: typed, canLitres }) : typed };
}
