import type { IsoDate } from '../units/dates.ts';
import type { AskedFor } from './askedFor.ts';
import type { PromisedDays } from './promised.ts';

/** What a plan hands on to the next: round days that were proposed, so that they do not move, what was asked for, and which days were to be free. */
export interface ProposedRounds {
  /** The day on which they were last weighed, and since when they are what they are. */
  madeOn: IsoDate;
  since?: IsoDate;
  /** Weekday that all sets hold, Sunday 0, and how often a week the garden's round is. */
  anchor: number;
  perWeek: number;
  /** It was hot then. */
  hot: boolean;
  /** What the gardener has set of the garden, as text: another one is a reason to propose anew. */
  under?: string;
  /** How often each place is asked, and what the gardener has set of it, as text; empty where the days are the gardener's own. */
  places: { bedId: number; perWeek: number; of?: string }[];
  asked?: AskedFor;
  promised?: PromisedDays;
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
  /** To be handed back with the next plan; null where there is nothing to plan. */
  proposal: ProposedRounds | null;
}
