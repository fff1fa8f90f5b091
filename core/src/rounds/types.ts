import type { IsoDate } from '../units/dates.ts';

/** Round days that were proposed, kept so that they do not move from one day to the next. */
export interface KeptRounds {
  madeOn: IsoDate;
  /** Weekday that all sets hold, Sunday 0, and how often a week the garden's round is. */
  anchor: number;
  perWeek: number;
  /** It was hot then. */
  hot: boolean;
  /** How often each place is asked. */
  places: { bedId: number; perWeek: number }[];
}

/** The days on which a garden is walked. */
export interface RoundDays {
  by: 'gardener' | 'proposed';
  /** Days of the week, Sunday 0. */
  weekdays: number[];
  /** Places that need more than the round: asked on other days too. */
  between: { bedId: number; weekdays: number[] }[];
  /** Places on a timer, which are asked every day and stand in no round. */
  onTimer: number[];
  /** What one round a week less would cost, growth lost over the garden, 0–1; null where there is none less. */
  sparser: { perWeek: number; lostShare: number } | null;
  /** To be handed back with the next plan; null for the gardener's own days. */
  kept: KeptRounds | null;
}
