import { at, item } from '../units/at.ts';
import { efficiencyOf, evenedShare, evennessOf } from '../delivery/runPlan.ts';
import { thresholdOf, type School } from '../schools/schools.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import { isFrozen } from '../weather/groundWarmth.ts';
import { plantsOn } from './dayFacts.ts';
import { isDue, type Morning } from './isDue.ts';
import { trialOf } from './run.ts';
import { shutAfter, shutOn, type Shut } from './shut.ts';
import type { RootWay } from './waysOfRoots.ts';
import type { DueWindow, PlanBed } from './types.ts';

/** What the members of an ensemble make of one place. */
interface Spread {
  /** Day (0 = today) on which each member asks for the first watering; `days` when none does. */
  dueDay: Int16Array;
  /** Litres that each member wants in the ground over the horizon. */
  givenL: Float64Array;
  /** Gone at the end of each day in each member, mm in the watered ground: member by member, day by day. */
  depletionMm: Float64Array;
  /** The members whose roots go as deep as the plan counts on: only they are drawn over its line. */
  counted: number[];
}

/** A day ahead as the plan has it, whatever the weather. */
interface DayRule {
  open: boolean;
  shut: { days: number; why: Shut } | null;
  easeMm: number;
}

/** What a member of one way runs on. */
function standOn({ now }: RootWay) {
  const { place, todayIndex } = now;
  const { state, gauge } = trialOf(now, 'days ahead');
  const { state: before } = trialOf(now, 'evening');
  const { state: later } = trialOf(now, 'shut days');
  return { now, place, todayIndex, state, before, later, gauge, perMm: place.litresPerMm(todayIndex) };
}

/** Runs one place through every member: refilled on the mornings on which the rule of the plan asks for it. */
function spreadOf(
  ways: readonly RootWay[],
  options: {
    ensemble: ForecastEnsemble;
    /** Of each day: whether it may be watered by rule, the days without water that follow it, and what it may miss. */
    daysOf: readonly DayRule[];
    school: School;
    /** Share of what arrives that the planned depth is. */
    evened: number;
    /** Litres it has had already today: nothing more is asked of it until tomorrow. */
    givenTodayL: number;
    settledToday: boolean;
  },
): Spread {
  const { ensemble, daysOf, school, evened } = options;
  const { members, days } = ensemble;
  const dueDay = new Int16Array(members).fill(days);
  const givenL = new Float64Array(members);
  const depletionMm = new Float64Array(members * days);
  const counted: number[] = [];
  // Each depth of the roots has as many members as it is believed.
  let way = -1;
  let upTo = 0;
  let on = standOn(item(ways, 0));
  for (let m = 0; m < members; m += 1) {
    while (way < ways.length - 1 && (way < 0 || (m + 0.5) / members > upTo)) {
      way += 1;
      upTo += item(ways, way).share;
      on = standOn(item(ways, way));
    }
    const { now, place, todayIndex, state, before, later, gauge, perMm } = on;
    if (item(ways, way).counted) counted.push(m);
    place.copy(now.state, state);
    for (let d = 0; d < days; d += 1) {
      const k = m * days + d;
      const had = d === 0 ? options.givenTodayL : 0;
      const { open, shut, easeMm } = item(daysOf, d);
      const held = !open || (d === 0 && options.settledToday);
      if (!held) place.copy(state, before);
      const et0 = at(ensemble.et0, k);
      const rain = at(ensemble.rain, k);
      const climate = at(ensemble.climate, k);
      const warmth = at(now.series.warmth, todayIndex + d);
      place.step(state, todayIndex + d, et0, rain, climate, had, warmth);
      const evening = place.gauge(state, gauge);
      depletionMm[k] = evening.goneL / perMm;
      if (held) continue;
      const morning: Morning = {
        eveningGone: evening.goneL,
        line: thresholdOf(school, evening.spareL, evening.holdsL),
        ahead: null,
        easeMm,
      };
      if (shut && evening.goneL <= morning.line) {
        place.copy(state, later);
        let missedL = 0;
        const last = Math.min(days - 1, d + shut.days);
        for (let n = d + 1; n <= last; n += 1) {
          const then = m * days + n;
          place.step(
            later,
            todayIndex + n,
            at(ensemble.et0, then),
            at(ensemble.rain, then),
            at(ensemble.climate, then),
            0,
            at(now.series.warmth, todayIndex + n),
          );
          const { wantedL, suppliedL } = place.gauge(later, gauge);
          missedL += wantedL - suppliedL;
        }
        const missedMm = missedL / place.areaM2(todayIndex + d);
        morning.ahead = { why: shut.why, gone: place.gauge(later, gauge).goneL, missedMm };
      }
      if (!isDue(morning)) continue;
      const goneL = place.goneL(before);
      if (goneL < school.leastMm * perMm) continue;
      const dose = school.refill * goneL;
      if (at(dueDay, m) === days) dueDay[m] = d;
      const leavesL = place.leavesL?.(todayIndex + d) ?? 0;
      givenL[m] = at(givenL, m) + dose + evened * leavesL;
      place.copy(before, state);
      place.step(state, todayIndex + d, et0, rain, climate, had + dose / evened + leavesL, warmth);
      depletionMm[k] = place.gauge(state, gauge).goneL / perMm;
    }
  }
  return { dueDay, givenL, depletionMm, counted };
}

/** Of sorted values, the one below which a share of the members lie (nearest rank). */
function quantile(sorted: Float64Array, share: number): number {
  return at(sorted, Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1)));
}

/** Due dates and litres over the members of the ensemble, each with roots as deep as they may be. */
export function windowOf(
  input: PlanBed,
  ways: readonly RootWay[],
  ensemble: ForecastEnsemble,
  today: IsoDate,
  school: School,
): DueWindow {
  const { now } = item(ways, 0);
  const daysOf = Array.from({ length: ensemble.days }, (_, d): DayRule => {
    const { growing, stage, easeMm } = plantsOn(now, input.bed.plantings, now.todayIndex + d);
    const on = addDays(today, d);
    const stopped = school.stopsAt !== undefined && stage === school.stopsAt;
    const toughened = input.holdUntil !== undefined && on < input.holdUntil;
    const shut = shutAfter(input, now.days, now.todayIndex + d);
    return {
      open:
        growing &&
        !isFrozen(now.series.warmth, now.todayIndex + d) &&
        !stopped &&
        !toughened &&
        shutOn(input, on) === null,
      shut: shut.days > 0 ? shut : null,
      easeMm,
    };
  });
  const givenTodayL = at(now.givenL, now.todayIndex);
  const spread = spreadOf(ways, {
    ensemble,
    daysOf,
    school,
    evened: evenedShare(evennessOf(input.delivery)),
    givenTodayL,
    settledToday: Boolean(input.settledToday) || givenTodayL > 0,
  });
  const dueDays = Float64Array.from(spread.dueDay).sort();
  const givenL = spread.givenL.sort();
  const date = (share: number): IsoDate | null => {
    const day = quantile(dueDays, share);
    return day < ensemble.days ? addDays(today, day) : null;
  };
  const litres = (share: number): number => quantile(givenL, share) / efficiencyOf(input.delivery);
  // Of very few members none may have them.
  const counted =
    spread.counted.length > 0 ? spread.counted : Array.from({ length: ensemble.members }, (_, m) => m);
  const onDay = new Float64Array(counted.length);
  const fan = Array.from({ length: ensemble.days }, (_, d) => {
    counted.forEach((m, i) => (onDay[i] = at(spread.depletionMm, m * ensemble.days + d)));
    onDay.sort();
    return { date: addDays(today, d), lowMm: quantile(onDay, 0.1), highMm: quantile(onDay, 0.9) };
  });
  return {
    early: date(0.1),
    likely: date(0.5),
    late: date(0.9),
    litres: { low: litres(0.1), middle: litres(0.5), high: litres(0.9) },
    fan,
  };
}
