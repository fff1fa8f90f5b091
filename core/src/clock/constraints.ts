import type { ProposedRounds } from '../rounds/types.ts';
import type { SourceKindId } from '../sources/index.ts';
import type { SourceInput } from '../sources/source.ts';
import type { DayLines } from './daySchedule.ts';
import type { IsoDate } from '../units/dates.ts';
import type { Span } from './openSpans.ts';

/** Limits of the garden. What does not fit is put off, and said. */
export interface PlanConstraints {
  /** Minutes of a person's own time on one day (see `handsOnMinutes`), and litres the taps may give. */
  minutesPerDay?: number;
  litresPerDay?: number;
  /** Times in a day that taps are opened again beyond each place's first, and turns at one place, where no timer does it; defaults `TURNS_A_DAY` and `PASSES`. */
  turnsPerDay?: number;
  passes?: number;
  /** Minutes from first drop to last of what a person opens and must shut; default `LONGEST_MINUTES`. */
  longestMinutes?: number;
  /** Litres the taps may give from Monday to Sunday, and what they have given this week so far. */
  litresPerWeek?: number;
  litresThisWeek?: number;
  /** A person's minutes and the taps' litres of today so far: they count against the day's limits. */
  givenToday?: { minutes: number; litres: number };
  /** Days of the week on which it may be watered, Sunday 0; absent means all. */
  weekdays?: number[];
  /** Hours of the clock in which it may be watered; absent means all. */
  hours?: Span[];
  /** Days and hours hold for everything, or for sprinklers and sprays alone; default everything. */
  restricts?: 'everything' | 'sprays';
  /** Mean wind of a day over which what throws water rests, m/s at 2 m; default `WIND_HOLD_MS`. */
  windHoldMs?: number;
  /** The clock of the garden; without it the day's runs are not put on it, and hours do not count. */
  clock?: { longitudeDeg?: number; utcOffsetHours: number };
  /** Sources by the tap that draws from them: what each gives, and what was taken from it today already. Of taps not named, mains. */
  sources?: Readonly<Record<number, SourceInput & { kind: SourceKindId; takenTodayL?: number }>>;
  /** What can run at once. */
  lines?: DayLines;
  /** The gardener's own round days, Sunday 0, or days proposed before; default proposed anew. */
  rounds?: { weekdays?: number[]; proposal?: ProposedRounds };
  /** Days on which nobody is there, both ends of them: only what is on a timer is watered. */
  away?: { from: IsoDate; until: IsoDate }[];
  /** Hours in which a person waters, and a timer runs what drips and what sprays; default `USUAL_HOURS`. */
  people?: Span[];
  timers?: { drips: Span; sprays: Span };
}
