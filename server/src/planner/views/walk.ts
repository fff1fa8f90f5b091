import type { WalkView } from '@kibble/contract';
import { walkFrom, type PlanBed, type PlannedWatering } from '@kibble/core';
import type { Context } from '../context.ts';

/** Today's walk begun at an hour of the gardener's choice: what fits before dark or before the time is up, and what is carried over. */
export function walkOf(
  { plan, planBeds, beds, constraints, sun, today }: Context,
  asked: { from: number; minutes?: number },
): WalkView {
  const due: { bed: PlanBed; watering: PlannedWatering }[] = plan.waterings
    .filter((w) => w.date === today)
    .flatMap((watering) => {
      const bed = planBeds.find((b) => b.id === watering.bedId);
      return bed ? [{ bed, watering }] : [];
    });
  const walk = walkFrom({ due, constraints, sun, ...asked });
  const nameOf = (bedId: number): string => beds.find((b) => b.id === bedId)?.name ?? '';
  return {
    from: asked.from,
    until: walk.until,
    endsByDark: walk.endsByDark,
    slots: walk.slots.map((slot) => ({ ...slot, bedName: nameOf(slot.bedId) })),
    carriedOver: walk.carriedOver.map((bedId) => ({
      bedId,
      bedName: nameOf(bedId),
      minutes: due.find((x) => x.bed.id === bedId)?.watering.run.minutes ?? 0,
    })),
  };
}
