import type { IsoDate } from '../units/dates.ts';

/** A wilting from thirst on record, and how dry the ground was that morning: share gone of what the roots can hold, 0–1. */
export interface Wilt {
  on: IsoDate;
  goneShare: number;
}

/** So many of the latest wiltings are asked, so that one wrong entry does not decide. Judgement. */
const ASKED = 3;

/** Where less was gone it was not thirst, or the balance is wrong about the ground, share. Judgement. */
export const THIRSTY_FROM = 0.2;

/** How dry it is when these plants wilt, share: the middle of their latest wiltings; null where none tells. Source: the judgements above. */
export function wiltsAt(wilts: readonly Wilt[]): number | null {
  const latest = wilts
    .map(({ goneShare }) => goneShare)
    .filter((share) => share >= THIRSTY_FROM)
    .slice(-ASKED)
    .sort((a, b) => a - b);
  return latest[Math.floor((latest.length - 1) / 2)] ?? null;
}
