import type { FindingView, PlanChange, PlanTryView } from '@kibble/contract';
import { planWhat } from '@kibble/contract';
import { addDays, planBed } from '@kibble/core';
import { Refusal, refusing } from '../../errors.ts';
import { HORIZON_DAYS, type Context } from '../context.ts';
import { bedOnPlan, checkPlanned } from '../onPlan.ts';
import { costsOf, gardenCosts } from './costs.ts';

/** What a change by hand would cost, on its bed and in the garden, before it is kept. */
export function tryPlanChange(context: Context, change: PlanChange): PlanTryView {
  const { today, site } = context;
  checkChange(change, today);
  const { bedId, ...plan } = change;
  const { view, outlook } = bedOnPlan(context, bedId);
  const finding: FindingView = {
    id: Number.MAX_SAFE_INTEGER,
    bedId,
    tapId: null,
    on: today,
    method: null,
    note: null,
    input: { kind: 'plan', what: planWhat(plan), ...plan },
  };
  const changed = { ...view, findings: [finding, ...view.findings] };
  const after = refusing(() =>
    context.planWith(planBed(changed, context.events, { today, latitudeDeg: site.latitudeDeg })),
  );
  return {
    before: costsOf(outlook, context.plan),
    after: costsOf(checkPlanned(after, bedId, 'litres'), after),
    garden: { before: gardenCosts(context.plan), after: gardenCosts(after) },
  };
}

/** A change lies within the fortnight. */
function checkChange(change: PlanChange, today: string): void {
  const last = addDays(today, HORIZON_DAYS - 1);
  for (const field of ['date', 'to'] as const) {
    const date = change[field];
    if (date !== undefined && (date < today || date > last))
      throw new Refusal('invalid', `Day must lie from ${today} to ${last}; got ${date}`, field);
  }
}
