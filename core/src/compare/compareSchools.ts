import { followBed } from './followBed.ts';
import type { PlanBed } from '../follow/types.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { stands } from '../plants/standing.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import { SHORT_OF_WATER } from '../schools/shortOfWater.ts';
import { mayNotTake } from '../schools/mayTake.ts';
import { isByFills } from '../delivery/handsOn.ts';
import { SCHOOLS, schoolOf, type SchoolId } from '../schools/schools.ts';

export interface SchoolFigures {
  school: SchoolId;
  waterings: number;
  litres: number;
  /** Of the tap, and of a person's own time. */
  minutes: number;
  handsOnMinutes: number;
  /** Growth lost, share of what is wanted over the days. */
  lostShare: number;
  /** Days on which the plants drank less than they wanted (FAO-56 Ks under 0.95). */
  stressDays: number;
  /** How freely the plants could drink on their worst day: 1 unhindered; at 0.5 they hang. */
  worst: number;
  /** Water that sank past the roots, mm over the bed. */
  lostBelowRootsMm: number;
  /** Deepest the roots got, mm. */
  rootDepthMm: number;
  /** Mean depth each watering reached, mm. */
  reachesMm: number;
}

/**
 * What each school would do on one bed over the same days, each followed to the letter.
 * @param options site, bed, weather covering the days; `from` the day it begins (the past before it as it was), `to` the last
 * @returns one row for each school that may be taken for what stands there, and the one that is
 */
export function compareSchools(options: {
  site: Site;
  bed: PlanBed;
  weather: readonly SourcedDay[];
  from: IsoDate;
  to: IsoDate;
}): SchoolFigures[] {
  const { bed, from, to } = options;
  const days = options.weather.filter((day) => day.date >= bed.startOn && day.date <= to);
  const horizonDays = daysBetween(from, to) + 1;
  const before = { ...bed, irrigations: bed.irrigations.filter((i) => i.date < from), settledToday: false };
  const standing = bed.bed.plantings.filter((planting) => stands(planting, to));
  // Succulents live on what their bodies store: dry ground does not make them hang.
  const storesWater =
    standing.length > 0 && standing.every((p) => cropOf(p).group === 'cacti and succulents');
  return SCHOOLS.filter(
    (id) =>
      id === bed.school ||
      ((!schoolOf(id).byFills || isByFills(bed.delivery.method)) &&
        standing.every((planting) => mayNotTake(id, planting, to) === null)),
  ).map((id) => {
    const { outlook, waterings } = followBed(
      {
        ...before,
        school: id,
        fixed: undefined,
        blocked: undefined,
        drySpell: undefined,
        holdUntil: undefined,
      },
      days,
      options.site,
      { today: from, horizonDays },
    );
    const sum = (of: (w: (typeof waterings)[number]) => number): number =>
      waterings.reduce((s, w) => s + of(w), 0);
    return {
      school: id,
      waterings: waterings.length,
      litres: sum((w) => w.run.litres),
      minutes: sum((w) => w.run.minutes),
      handsOnMinutes: sum((w) => w.handsOnMinutes),
      lostShare: outlook.lostShare,
      stressDays: storesWater ? 0 : outlook.ahead.filter((d) => d.stressCoefficient < SHORT_OF_WATER).length,
      worst: storesWater ? 1 : Math.min(...outlook.ahead.map((d) => d.stressCoefficient)),
      lostBelowRootsMm: outlook.ahead.reduce((s, d) => s + d.lostBelowRootsMm, 0),
      rootDepthMm: Math.max(...outlook.ahead.map((d) => d.rootDepthMm)),
      reachesMm: waterings.length > 0 ? sum((w) => w.reachesMm) / waterings.length : 0,
    };
  });
}
