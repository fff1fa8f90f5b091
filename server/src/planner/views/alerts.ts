import type { AlertView, TaskView } from '@kibble/contract';
import { actsOf, cropOf, isBeforeHeat, isWoody, METHOD_FACTS, stands, treeGap } from '@kibble/core';
import type { Context } from '../context.ts';

/** So many are named: with more, whoever walks sees them. */
const TREES_TOLD = 4;

/** The weather's alerts, each with what it asks of this garden. */
export function alertsOf(context: Context, tasks: readonly TaskView[]): AlertView[] {
  const { beds, plan, planBeds, today } = context;
  // What cannot be planned says nothing of what it is.
  const woody = planBeds.filter(({ bed }) =>
    bed.plantings.some((p) => stands(p, today) && isWoody(cropOf(p))),
  );
  const treesIn = (): AlertView['trees'] =>
    woody
      .flatMap(({ id }) => {
        const outlook = plan.beds.find(({ bedId }) => bedId === id);
        // A tree with its ring has a clock; every room tells the same of it.
        const days = outlook?.soak?.days ?? treeGap(outlook?.past ?? []);
        const counted = outlook?.soak?.counted ?? days;
        const bedName = beds.find((bed) => bed.id === id)?.name ?? '';
        return days === null || counted === null ? [] : [{ days, counted, bedId: id, bedName }];
      })
      .sort((a, b) => b.counted - a.counted)
      .slice(0, TREES_TOLD);
  const facts = {
    bedsToReady: tasks.filter(({ task }) => isBeforeHeat(task)).length,
    overhead: beds.some(({ delivery }) => METHOD_FACTS[delivery.method].overhead),
    timers: beds.some(({ delivery }) => delivery.timer ?? false),
    woody: woody.length > 0,
  };
  return context.alerts.map((alert) => {
    const acts = actsOf(alert.code, facts);
    return { ...alert, acts, trees: acts.includes('look at trees') ? treesIn() : undefined };
  });
}
