import type { BedModel } from '../balance/bedModel.ts';
import { cloneState, copyState, OUT, type BedState } from '../balance/bedState.ts';
import { stepDay } from '../balance/stepDay.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import { efficiencyOf, grossLitres } from '../delivery/runPlan.ts';
import { plantOnDay } from '../plants/plantOnDay.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { School } from '../schools/schools.ts';
import { rootZoneDepletion } from './rootZone.ts';
import type { DueWindow, PlanBed } from './types.ts';

/** Least depth worth carrying water for, mm. Judgement. */
export const LEAST_MM = 4;

/** What the members of an ensemble make of one bed. */
export interface BedSpread {
  /** Day (0 = today) on which each member asks for the first watering; `days` when none does. */
  dueDay: Int16Array;
  /** Net water each member asks for over the horizon, mm over the bed. */
  bedMm: Float64Array;
  /** Depletion at the end of each day in each member, mm: member by member, day by day. */
  depletionMm: Float64Array;
}

/**
 * Runs one bed through every member: refilled on the morning of a day that would end past the refill line.
 * Allocates nothing per day.
 * @param options the bed's model and this morning's state, index of today in the model, the ensemble of the days
 *   from today on, whether something grows on each of them, and the school it follows
 */
export function bedSpread(options: {
  model: BedModel;
  state: BedState;
  todayIndex: number;
  ensemble: ForecastEnsemble;
  grows: readonly boolean[];
  school: School;
  /** Water the bed has had already today, mm over the bed: nothing more is asked of it until tomorrow. */
  givenTodayMm?: number;
  settledToday?: boolean;
}): BedSpread {
  const { model, todayIndex, ensemble, grows, school } = options;
  const { members, days } = ensemble;
  const dueDay = new Int16Array(members).fill(days);
  const bedMm = new Float64Array(members);
  const depletionMm = new Float64Array(members * days);
  const state = cloneState(options.state);
  const before = cloneState(options.state);
  for (let m = 0; m < members; m += 1) {
    copyState(options.state, state);
    for (let d = 0; d < days; d += 1) {
      const at = m * days + d;
      const given = d === 0 ? (options.givenTodayMm ?? 0) : 0;
      const held = !grows[d] || (d === 0 && Boolean(options.settledToday));
      if (!held) copyState(state, before);
      const index = todayIndex + d;
      stepDay(model, state, index, ensemble.et0[at], ensemble.rain[at], given, ensemble.climate[at]);
      depletionMm[at] = state.out[OUT.depletion];
      const line = school.threshold(state.out[OUT.readily], state.out[OUT.available]);
      if (held || state.out[OUT.depletion] <= line) continue;
      const missing = rootZoneDepletion(model, before);
      if (missing < school.leastMm) continue;
      const dose = school.refill * missing * model.wettedFraction;
      if (dueDay[m] === days) dueDay[m] = d;
      bedMm[m] += dose;
      copyState(before, state);
      stepDay(model, state, index, ensemble.et0[at], ensemble.rain[at], given + dose, ensemble.climate[at]);
      depletionMm[at] = state.out[OUT.depletion];
    }
  }
  return { dueDay, bedMm, depletionMm };
}

/** The value below which a share of the members lie (nearest rank). */
export function quantile(values: ArrayLike<number>, share: number): number {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1))];
}

/** Due dates and litres over the members of the ensemble. */
export function windowOf(
  input: PlanBed,
  run: { model: BedModel; state: BedState },
  todayIndex: number,
  ensemble: ForecastEnsemble,
  givenTodayMm: number,
  today: IsoDate,
  school: School,
): DueWindow {
  const grows = Array.from({ length: ensemble.days }, (_, d) =>
    input.bed.plantings.some((p) => plantOnDay(p, addDays(today, d)) !== null),
  );
  const spread = bedSpread({
    model: run.model,
    state: run.state,
    todayIndex,
    ensemble,
    grows,
    school,
    givenTodayMm,
    settledToday: Boolean(input.settledToday) || givenTodayMm > 0,
  });
  const date = (share: number): IsoDate | null => {
    const day = quantile(spread.dueDay, share);
    return day < ensemble.days ? addDays(today, day) : null;
  };
  const litres = (share: number): number =>
    grossLitres(quantile(spread.bedMm, share), input.bed.areaM2, efficiencyOf(input.delivery));
  const fan = Array.from({ length: ensemble.days }, (_, d) => {
    const onDay = Float64Array.from(
      { length: ensemble.members },
      (_m, m) => spread.depletionMm[m * ensemble.days + d],
    );
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
