import { at } from '../units/at.ts';
import { efficiencyOf, evenedShare, evennessOf } from '../delivery/runPlan.ts';
import { thresholdOf } from '../schools/schools.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { quantile } from '../units/quantile.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import { isFrozen } from '../weather/groundWarmth.ts';

import { plantsOn } from './plantsOn.ts';
import type { BedStart } from './bedStart.ts';
import { datesOf } from './dueDates.ts';
import { pathsOfMembers } from './paths.ts';
import { TOP_MAY_DRY } from './decide.ts';
import { clockAfter, clockDay, clockOf } from './clockOf.ts';
import { gaugeOf, trialOf } from './run.ts';
import { askedDays, nextAsked } from './shut.ts';
import { addDay, keptAfter } from './sums.ts';
import type { DueDates, DueWindow, PlanBed } from './types.ts';
import { stepUnder, waitingCost, type Path } from './waiting.ts';
import { wiltsAt } from './wilts.ts';

/** What the members of an ensemble make of one place. */
interface Spread {
  /** Day (0 = today) on which each member asks for the first watering; `days` when none does. */
  dueDay: Int16Array;
  /** Litres that each member wants in the ground over the horizon. */
  givenL: Float64Array;
  /** Gone at the end of each day in each member, mm in the watered ground: member by member, day by day. */
  depletionMm: Float64Array;
  /** The members whose roots go as deep as is counted on: only they are drawn. */
  counted: number[];
}

/**
 * Runs one place through every member, each followed by the rule of the plan as if its own days ahead were known: over all
 * days, or only to its first watering.
 */
function spreadOf(
  input: PlanBed,
  start: BedStart,
  ensemble: ForecastEnsemble,
  { days, firstOnly }: { days: number; firstOnly: boolean },
): Spread {
  const { now, school, ways } = start;
  const wiltedAt = wiltsAt(now.wilts);
  const { todayIndex, must } = now;
  const settled = Boolean(input.settledToday) || at(now.givenL, todayIndex) > 0;
  const { members } = ensemble;
  const dueDay = new Int16Array(members).fill(days);
  const givenL = new Float64Array(members);
  const depletionMm = new Float64Array(members * days);
  const counted: number[] = [];
  const asked = askedDays(input, now.days, todayIndex).map(
    (is, d) =>
      is &&
      plantsOn(now, input, d).growing &&
      !isFrozen(now.series.warmth, d) &&
      !(school.stopsAt !== undefined && plantsOn(now, input, d).stage === school.stopsAt) &&
      !(input.holdUntil !== undefined && (now.days[d]?.date ?? '') < input.holdUntil),
  );
  const evened = evenedShare(evennessOf(input.delivery));
  const weightOf = (d: number) => plantsOn(now, input, d);
  const clockNow = clockOf(input, now);
  const keepsGap = clockNow !== null && school.rhythm === undefined;
  for (const [m, { way, now: morning, sums: before, sky }] of pathsOfMembers(ways, ensemble).entries()) {
    const run = trialOf(morning, 'days ahead');
    const { place } = run;
    const sums = { ...before };
    const path: Path = { share: 1, run, sums, sky };
    if (way.counted) counted.push(m);
    let clock = clockNow;
    const isForced = (d: number): boolean => topDries(d) || clockForces(d);
    /** Seed that is not up yet would lie dry by evening. */
    const topDries = (d: number): boolean => {
      if (!plantsOn(now, input, d).germinating) return false;
      const evening = trialOf(run, 'evening');
      stepUnder(evening, sky, d, 0);
      return (evening.place.top?.(evening.state).dryShare ?? 0) > TOP_MAY_DRY;
    };
    const clockForces = (d: number): boolean =>
      keepsGap &&
      must !== null &&
      plantsOn(now, input, d).growing &&
      must.due(
        clock,
        { d, until: asked[d] ? nextAsked(asked, d) : d + 1, dayCount: now.days.length },
        (k) => {
          const i = Math.min(k - sky.from, sky.et0.length - 1);
          return clockDay(input, now, k, { et0Mm: at(sky.et0, i), rainMm: at(sky.rain, i) });
        },
      ) !== null;
    const isKnown = (): boolean => firstOnly && at(dueDay, m) < days;
    for (let i = 0; i < days && !isKnown(); i += 1) {
      const d = todayIndex + i;
      const perMm = place.litresPerMm(d);
      const had = i === 0 ? at(now.givenL, d) : 0;
      let enteredL = had;
      place.dawn(run.state, d);
      const forced = !(i === 0 && settled) && !isFrozen(now.series.warmth, d) && isForced(d);
      if ((asked[d] || forced) && !(i === 0 && settled)) {
        const depletionL = place.depletionL(run.state);
        const leastL = Math.min(school.leastMm * perMm, place.holdsL(run.state) / 10);
        const leavesL = place.leavesL?.(d) ?? 0;
        const arrivingL = depletionL / evened + leavesL;
        if (depletionL >= leastL && (forced || isDue(path, { asked, d, arrivingL }))) {
          if (at(dueDay, m) === days) dueDay[m] = i;
          givenL[m] = at(givenL, m) + depletionL + evened * leavesL;
          enteredL += arrivingL;
        }
      }
      const rain = at(sky.rain, d - sky.from);
      if (enteredL > 0 || rain > 0) {
        const inL = enteredL + (place.underCover(d) ? 0 : rain * perMm);
        const kept = keptAfter(place.depletionL(run.state), inL, place.holdsL(run.state));
        sums.missedL *= kept;
        sums.wantedL *= kept;
        sums.allowedL *= kept;
      }
      if (must)
        clock = clockAfter(
          must,
          clock,
          { input, now, d },
          {
            et0Mm: at(sky.et0, d - sky.from),
            rainMm: rain,
            givenL: enteredL,
            lacksMm: place.depletionL(run.state) / perMm,
          },
        );
      stepUnder(run, sky, d, enteredL);
      const gauge = gaugeOf(run);
      addDay(sums, gauge, weightOf(d), place.airlessDays(run.state) > 0);
      depletionMm[m * days + i] = gauge.depletionL / perMm;
    }
  }
  return { dueDay, givenL, depletionMm, counted };

  function isDue(
    path: Path,
    { asked: on, d, arrivingL }: { asked: readonly boolean[]; d: number; arrivingL: number },
  ): boolean {
    if (school.line === 'growth')
      return (
        waitingCost([path], {
          from: d,
          until: nextAsked(on, d),
          givenL: () => arrivingL,
          weightOf,
          days: now.days,
        }).due !== null
      );
    const trial = trialOf(path.run, 'evening');
    stepUnder(trial, path.sky, d, 0);
    const { depletionL, readilyAvailableL, holdsL } = gaugeOf(trial);
    return depletionL > thresholdOf(school, readilyAvailableL, holdsL, wiltedAt);
  }
}

interface Span {
  today: IsoDate;
  horizonDays: number;
}

/** Due dates over the members of the ensemble, each with roots as deep as they may be. */
export function dueDatesOf(
  input: PlanBed,
  start: BedStart,
  ensemble: ForecastEnsemble,
  span: Span,
): DueDates {
  const { dueDay } = spreadOf(input, start, ensemble, { days: span.horizonDays, firstOnly: true });
  return datesOf(dueDay, { today: span.today, days: span.horizonDays });
}

/** Due dates and litres over the members of the ensemble, each with roots as deep as they may be. */
export function windowOf(input: PlanBed, start: BedStart, ensemble: ForecastEnsemble, span: Span): DueWindow {
  const { today, horizonDays: days } = span;
  const spread = spreadOf(input, start, ensemble, { days, firstOnly: false });
  const givenL = spread.givenL.sort();
  const litres = (share: number): number => quantile(givenL, share) / efficiencyOf(input.delivery);
  // Of very few members none may have them.
  const counted =
    spread.counted.length > 0 ? spread.counted : Array.from({ length: ensemble.members }, (_, m) => m);
  const onDay = new Float64Array(counted.length);
  const fan = Array.from({ length: days }, (_, d) => {
    counted.forEach((m, i) => (onDay[i] = at(spread.depletionMm, m * days + d)));
    onDay.sort();
    return { date: addDays(today, d), lowMm: quantile(onDay, 0.1), highMm: quantile(onDay, 0.9) };
  });
  return {
    ...datesOf(spread.dueDay, { today, days }),
    litres: { low: litres(0.1), middle: litres(0.5), high: litres(0.9) },
    fan,
  };
}
