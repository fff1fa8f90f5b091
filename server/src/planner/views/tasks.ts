import type { BedView, TaskView } from '@kibble/contract';
import { roundsKindOf, tasksOf, type BedOutlook } from '@kibble/core';
import type { Context } from '../context.ts';
import { isWaterShort } from './ladder.ts';

/** What else there is to do on a bed today. */
export function bedTaskViews(bed: BedView, outlook: BedOutlook, context: Context, now: Date): TaskView[] {
  const { today, alerts, done } = context;
  const { subject, tasks } = roundsKindOf(bed, today);
  const heat = alerts.find(({ code }) => code === 'heat wave' || code === 'hot dry wind');
  const found = tasks({ ...context, bed, outlook, now, isWaterShort: isWaterShort(bed.id, context) });
  const listed = tasksOf({ kind: subject, id: bed.id }, found, done, {
    today,
    heatFrom: heat?.from,
    plantingId: bed.planting?.id ?? null,
  });
  return listed.flatMap(({ reason, key, due, plantingId, done: isDone }) => {
    if (isDone) return [];
    // A question about one of several plantings is answered for that one.
    const planting = 'of' in reason ? bed.plantings[reason.of] : undefined;
    return [
      {
        bedId: bed.id,
        bedName: bed.name,
        plantingId: planting?.id ?? plantingId,
        cropName: bed.plantings.length > 1 ? (planting?.cropName ?? null) : null,
        task: reason,
        key,
        due,
      },
    ];
  });
}
