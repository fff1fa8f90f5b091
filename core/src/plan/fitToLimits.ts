import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { allocateDay, type Competing } from './allocate.ts';
import type { BedOutlook, GardenPlan, PlanBed, PlanConstraints, PlannedWatering } from './types.ts';

export interface BedPlan {
  bed: PlanBed;
  outlook: BedOutlook;
  waterings: PlannedWatering[];
}

/** Sunday is 0. */
export const weekdayOf = (date: IsoDate): number => {
  const [y, m, d] = date.split('-').map(Number);
  // Zeller's congruence, with Saturday as 0.
  const month = (m as number) < 3 ? (m as number) + 12 : (m as number);
  const year = (m as number) < 3 ? (y as number) - 1 : (y as number);
  const k = year % 100;
  const j = Math.floor(year / 100);
  const h =
    ((d as number) + Math.floor((13 * (month + 1)) / 5) + k + Math.floor(k / 4) + Math.floor(j / 4) + 5 * j) %
    7;
  return (h + 6) % 7;
};

/** Days of the horizon on which the garden may not be watered. */
export const closedDays = (constraints: PlanConstraints, today: IsoDate, horizonDays: number): IsoDate[] =>
  constraints.weekdays === undefined
    ? []
    : Array.from({ length: horizonDays }, (_, i) => addDays(today, i)).filter(
        (date) => !constraints.weekdays?.includes(weekdayOf(date)),
      );

/** Fewest litres of stress a watering is worth, so that none is worth nothing. Judgement. */
const LEAST_LOSS = 0.01;

/**
 * What waiting a day costs a bed: how far it is past what it can spare, weighed by how tender its crop is now and by its area.
 * Source: FAO-33's yield response as the weight; the sum is a judgement.
 */
function competing({ bed }: BedPlan, watering: PlannedWatering): Competing {
  const plants = bed.bed.plantings.flatMap((p) => {
    const plant = plantOnDay(p, watering.date);
    return plant ? [{ crop: cropOf(p), plant }] : [];
  });
  const tender = Math.max(0.5, ...plants.map((p) => p.crop.sensitivity));
  const { readilyMm, totalMm, depletionMm, useTodayMm } = watering.reason;
  const past = Math.max(0, depletionMm + useTodayMm - readilyMm) / Math.max(1, totalMm - readilyMm);
  return {
    minutes: watering.run.minutes,
    litres: watering.run.litres,
    loss: LEAST_LOSS + tender * bed.bed.areaM2 * Math.min(1, past),
    first:
      plants.some(
        ({ crop, plant }) =>
          plant.stage === 'establishing' || crop.group === 'fruit trees' || crop.group === 'ornamental trees',
      ) ||
      watering.reason.code === 'wilting' ||
      watering.reason.code === 'set by hand',
  };
}

/**
 * Makes a garden's waterings fit the minutes and litres of each day: what does not fit waits for the next open day,
 * and every bed is followed on with what it really gets.
 * @param plans each bed with its outlook; `replan` follows one bed again with days closed to it
 * @returns the plans as they fit, and what was put off or given up on the day it was due
 */
export function fitToLimits(
  plans: BedPlan[],
  constraints: PlanConstraints,
  options: { today: IsoDate; horizonDays: number },
  replan: (bed: PlanBed) => BedPlan,
): { plans: BedPlan[]; leftOut: GardenPlan['leftOut'] } {
  const caps = { minutes: constraints.minutesPerDay, litres: constraints.litresPerDay };
  if (caps.minutes === undefined && caps.litres === undefined) return { plans, leftOut: [] };
  const current = [...plans];
  const leftOut: GardenPlan['leftOut'] = [];
  for (let d = 0; d < options.horizonDays; d += 1) {
    const date = addDays(options.today, d);
    const due = current.flatMap((plan, i) => {
      const watering = plan.waterings.find((w) => w.date === date);
      return watering ? [{ i, watering, item: competing(plan, watering) }] : [];
    });
    const made = allocateDay(
      due.map((x) => x.item),
      caps,
    );
    for (const [k, { i, watering }] of due.entries()) {
      if (made[k]) continue;
      const plan = current[i] as BedPlan;
      const minutesOver = caps.minutes !== undefined && watering.run.minutes > caps.minutes;
      const litresOver = caps.litres !== undefined && watering.run.litres > caps.litres;
      leftOut.push({
        bedId: watering.bedId,
        date,
        minutes: watering.run.minutes,
        litres: watering.run.litres,
        why: litresOver || (!minutesOver && caps.minutes === undefined) ? 'litres a day' : 'minutes a day',
        tooLarge: minutesOver || litresOver,
      });
      const bed: PlanBed = {
        ...plan.bed,
        blocked: [...(plan.bed.blocked ?? []), date],
        fixed: plan.bed.fixed?.filter((f) => f.date !== date),
      };
      current[i] = replan(bed);
    }
  }
  return { plans: current, leftOut };
}
