import type { PlannedWatering } from '../follow/types.ts';
import { shareOfRun } from './day.ts';
import type { BedPlan, Cap } from './types.ts';

/** One limit of a day: what is left of it, and what a watering takes of it. A source, a zone or a person more is a row more. */
export interface Limit {
  why: Cap;
  left: number;
  takes: (plan: BedPlan, watering: PlannedWatering) => number;
  /** Half a watering takes half of it; else a part takes as much as the whole. */
  divides: boolean;
}

/** Times its tap is opened again after the first; a timer does that by itself. */
export const turnsOf = ({ bed }: BedPlan, watering: PlannedWatering): number =>
  bed.delivery.timer ? 0 : (watering.run.cycles - 1) * shareOfRun(watering);

const litres = (_plan: BedPlan, { run }: PlannedWatering): number => run.litres;

/** What there is on a day; whatever is left out has no limit. */
export interface DayRoom {
  minutes?: number;
  litres?: number;
  turns: number;
  /** Litres that can be taken from the source of each tap. */
  sources: readonly (readonly [tap: number, litres: number])[];
}

/** The limits of a day as a table, those that have any. */
export function limitsOf(room: DayRoom): Limit[] {
  const rows: Limit[] = [
    {
      why: 'minutes a day',
      left: room.minutes ?? Number.POSITIVE_INFINITY,
      takes: (_plan, watering) => watering.handsOnMinutes,
      divides: false,
    },
    { why: 'turns of the tap', left: room.turns, takes: turnsOf, divides: false },
    { why: 'litres a day', left: room.litres ?? Number.POSITIVE_INFINITY, takes: litres, divides: true },
    ...room.sources.map(([tap, level]): Limit => ({
      why: 'its source',
      left: level,
      takes: (plan, watering) => (plan.bed.tap === tap ? litres(plan, watering) : 0),
      divides: true,
    })),
  ];
  return rows.filter(({ left }) => Number.isFinite(left));
}

/** The litres that are left of a week. */
export const weekLimit = (left: number): Limit => ({
  why: 'litres a week',
  left,
  takes: litres,
  divides: true,
});
