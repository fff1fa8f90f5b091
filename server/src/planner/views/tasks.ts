import type { BedView, TaskView } from '@kibble/contract';
import { roundsKindOf, tasksOf, type BedOutlook } from '@kibble/core';
import type { Context } from '../context.ts';

/** What else there is to do on a bed today. */
export function bedTaskViews(bed: BedView, outlook: BedOutlook, context: Context, now: Date): TaskView[] {
  const { today, alerts, done } = context;
  const { subject, tasks } = roundsKindOf(bed, today);
  const heat = alerts.find(({ code }) => code === 'heat wave' || code === 'hot dry wind');
  const listed = tasksOf({ kind: subject, id: bed.id }, tasks({ ...context, bed, outlook, now }), done, {
    today,
    heatFrom: heat?.from,
    plantingId: bed.planting?.id ?? null,
  });
  return listed.flatMap(({ reason, key, due, plantingId, done: isDone }) =>
    isDone ? [] : [{ bedId: bed.id, bedName: bed.name, plantingId, task: reason, key, due }],
  );
}
