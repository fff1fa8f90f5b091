import { withinIfGiven } from '../units/guard.ts';
import type { SourceKind } from './source.ts';

interface WellState {
  perDayL: number;
  takenL: number;
}

/**
 * A well with its pump: the pump's flow, and what the well gives in a day before it draws air; it is full again the next
 * morning.
 * Source: common practice; that it recovers overnight is a judgement.
 */
export const well: SourceKind<WellState> = {
  kind: 'well',
  flow: ({ litresPerMinute }) => litresPerMinute,
  start: ({ litresPerDay }) => ({
    perDayL: withinIfGiven('litresPerDay', litresPerDay, 0, 1e9, 'L') ?? Number.POSITIVE_INFINITY,
    takenL: 0,
  }),
  level: ({ perDayL, takenL }) => Math.max(0, perDayL - takenL),
  step(state) {
    state.takenL = 0;
  },
};
