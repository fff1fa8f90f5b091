import { within, withinIfGiven } from '../units/guard.ts';
import type { SourceKind } from './source.ts';

export interface WellState {
  perDayL: number;
  leftL: number;
}

/**
 * A well with its pump: what it gives in a day before it draws air, and full again the next morning.
 * Source: common practice; that it comes back over one night is a judgement.
 */
export const well: SourceKind<WellState> = {
  kind: 'well',
  start({ litresPerDay }, takenTodayL) {
    const perDayL = withinIfGiven('litresPerDay', litresPerDay, 0, 1e9, 'L') ?? Number.POSITIVE_INFINITY;
    return { perDayL, leftL: Math.max(0, perDayL - within('takenTodayL', takenTodayL, 0, 1e9, 'L')) };
  },
  level: ({ leftL }) => leftL,
  step(state) {
    state.leftL = state.perDayL;
  },
};
