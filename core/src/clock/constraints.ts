import type { SourceKindId } from '../sources/index.ts';
import type { SourceInput } from '../sources/source.ts';
import type { DayLines } from './daySchedule.ts';
import type { Span } from './openSpans.ts';

/** Limits of the garden. What does not fit is put off, and said. */
export interface PlanConstraints {
  /** Minutes the taps may run on one day, and litres they may give. */
  minutesPerDay?: number;
  litresPerDay?: number;
  /** Litres the taps may give from Monday to Sunday, and what they have given this week so far. */
  litresPerWeek?: number;
  litresThisWeek?: number;
  /** What the taps have given today already: it counts against the day's limits. */
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
  /** Go round on fewer days where beds can be filled a little early without loss; default false. */
  fewRounds?: boolean;
}
