import { explainGrowth } from '../explain/explainGrowth.ts';
import type { PlanBed } from '../follow/types.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { planGarden } from '../plan/planGarden.ts';
import { keepsTo } from '../plants/goals.ts';
import { weekdaySets } from '../rounds/weekdaySets.ts';
import type { IsoDate } from '../units/dates.ts';
import { weekdayOf } from '../units/weekdays.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import type { Working } from '../working/types.ts';

/** What a place comes to when it is asked so often a week. */
export interface Rung {
  perWeek: number;
  waterings: number;
  litres: number;
  handsOnMinutes: number;
  /** Growth lost, share of what is wanted: as deep as its roots are believed to go, and if they are shallow. */
  lostShare: number;
  lostIfShallow: number;
  /** That is more than its goal allows. */
  over: boolean;
  /** The working of the growth lost. */
  because: Working | null;
}

/** A place over the plan's days, alone in its garden. */
export interface Alone {
  site: Site;
  bed: PlanBed;
  weather: readonly SourcedDay[];
  constraints: PlanConstraints;
  today: IsoDate;
  horizonDays?: number;
}

const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];

/** A place alone on some weekdays, Sunday 0, as a rung. Litres, minutes of a person's time, shares. Source: as `planGarden`. */
export function rungOn(
  { site, bed, weather, constraints, today, horizonDays = 14 }: Alone,
  weekdays: readonly number[],
): Rung {
  const { beds, waterings } = planGarden(
    { site, beds: [bed] },
    weather,
    { ...constraints, rounds: { weekdays: [...weekdays] } },
    { today, horizonDays, members: 0, pastDays: 0 },
  );
  const [outlook] = beds;
  return {
    perWeek: weekdays.length,
    waterings: waterings.length,
    litres: waterings.reduce((sum, w) => sum + w.run.litres, 0),
    handsOnMinutes: waterings.reduce((sum, w) => sum + w.handsOnMinutes, 0),
    lostShare: outlook?.lostShare ?? 0,
    lostIfShallow: outlook?.lostIfShallow ?? 0,
    over: outlook !== undefined && !keepsTo(outlook.lostShare, outlook.allowedShare),
    because: outlook ? explainGrowth(outlook) : null,
  };
}

/** The days of the sets that a place is tried on: those that its garden's rounds are made of. */
export const setsFrom = ({ constraints, today }: Pick<Alone, 'constraints' | 'today'>): number[][] =>
  weekdaySets(
    constraints.restricts === 'sprays' ? EVERY_DAY : (constraints.weekdays ?? EVERY_DAY),
    constraints.rounds?.proposal?.anchor ?? weekdayOf(today),
  );

/**
 * The ladder of a place: what once, twice, three and four times a week and every day would come to over the plan.
 * @returns sparse to dense; fewer where not every day is open
 * Source: as `planGarden`.
 */
export const ladder = (of: Alone): Rung[] => setsFrom(of).map((set) => rungOn(of, set));
