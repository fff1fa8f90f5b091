import type { BedView } from '@kibble/contract';
import type { BedOutlook, GardenPlan, PlanBed } from '@kibble/core';
import { rangeWordsOf, Refusal } from '../errors.ts';
import type { Context } from './context.ts';

export interface OnPlan {
  view: BedView;
  planned: PlanBed;
  outlook: BedOutlook;
}

/** A bed as it stands on the plan. */
export function bedOnPlan(context: Context, bedId: number): OnPlan {
  const view = context.beds.find((b) => b.id === bedId);
  const planned = context.planBeds.find((b) => b.id === bedId);
  const outlook = context.plan.beds.find((b) => b.bedId === bedId);
  if (view && planned && outlook) return { view, planned, outlook };
  const name = context.garden.beds.find((b) => b.id === bedId)?.name ?? 'This bed';
  if (view) throw new Refusal('conflict', `${name} cannot be planned, so nothing can be tried on it.`, 'bed');
  throw new Refusal('not-found', `${name} is put away or not planted yet on this date.`, 'bed');
}

/** A bed's outlook in a plan that was tried; what cannot be planned is refused by the field that asked for it. */
export function checkPlanned(plan: GardenPlan, bedId: number, field: string): BedOutlook {
  const fault = plan.unplanned.find((u) => u.bedId === bedId);
  const outlook = plan.beds.find((o) => o.bedId === bedId);
  if (fault || !outlook)
    throw new Refusal(
      'invalid',
      `With this the bed cannot be planned: ${fault?.range ? rangeWordsOf(fault.range) : (fault?.message ?? 'it is not on the plan')}.`,
      field,
    );
  return outlook;
}
