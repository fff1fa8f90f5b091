import type { BedView, TaskView } from '@kibble/contract';
import {
  addDays,
  bedTasks,
  tasksOf,
  treeTasks,
  type BedOutlook,
  cropOfBed,
  mulchOf,
  plantingsOf,
} from '@kibble/core';
import type { Context } from '../context.ts';
import { treeNowOf } from './treeNow.ts';

/** Minutes since today's latest watering of a bed was written down, unless it was probed today. */
function sinceWatering(bed: BedView, { events, today }: Context, now: Date): number | undefined {
  if (bed.findings.some((f) => f.input.kind === 'depth' && f.on === today)) return undefined;
  const last = events.filter((e) => e.bedId === bed.id && e.kind === 'watering' && e.date === today).at(-1);
  return last ? (now.getTime() - Date.parse(last.at)) / 60_000 : undefined;
}

/** What else there is to do on a bed today. */
export function bedTaskViews(bed: BedView, outlook: BedOutlook, context: Context, now: Date): TaskView[] {
  const { today, site } = context;
  const latest = (what: string[]) =>
    bed.findings.find(({ input }) => input.kind === 'mulch' && what.includes(input.what));
  const moved = latest(['moved aside', 'put back']);
  const looked = latest(['looked at']);
  const laid = [bed.mulchLaidOn, looked?.on]
    .filter((d): d is string => Boolean(d))
    .sort()
    .at(-1);
  const plantings = plantingsOf(bed, site.latitudeDeg);
  const tasks = bedTasks({
    today,
    plantings,
    alerts: context.alerts,
    mulch: mulchOf(bed),
    mulchLaidOn: laid,
    mulchMovedOn: moved?.input.kind === 'mulch' && moved.input.what === 'moved aside' ? moved.on : undefined,
    shaded: bed.shadeCloth,
    underCover: bed.underCover,
    standSeen: bed.plantings.flatMap((p, i) =>
      bed.findings.some((f) => f.input.kind === 'stand' && f.input.plantingId === p.id) ? [i] : [],
    ),
    minutesSinceWatering: sinceWatering(bed, context, now),
    offPlanDays: new Set(
      context.events
        .filter(
          (e) =>
            e.bedId === bed.id &&
            e.kind === 'watering' &&
            e.reason !== 'as planned' &&
            e.date > addDays(today, -7),
        )
        .map((e) => e.date),
    ).size,
    dueToday: outlook.next?.date === today,
    pulsesSince:
      bed.planting?.school === 'little and often' ? (bed.planting.schoolSince ?? undefined) : undefined,
    goneShare: outlook.readilyMm > 0 ? outlook.depletionMm / outlook.readilyMm : 0,
  });
  const tree = treeNowOf(bed, outlook, context);
  const crop = cropOfBed(bed);
  const more =
    tree && crop
      ? treeTasks({
          tree: tree.facts,
          plan: tree.plan,
          crop,
          plantedOn: tree.plantedOn,
          today,
          soak: tree.soak,
          scarce: tree.scarce,
          heat: context.alerts.some(({ code }) => code === 'heat wave' || code === 'hot dry wind'),
          freezing: context.alerts.some(({ code }) => code === 'ground about to freeze'),
          goneShare: outlook.readilyMm > 0 ? outlook.depletionMm / outlook.readilyMm : 0,
          ahead: context.weather.filter(({ date }) => date >= today),
        })
      : [];
  const heat = context.alerts.find(({ code }) => code === 'heat wave' || code === 'hot dry wind');
  const listed = tasksOf({ kind: 'bed', id: bed.id }, [...tasks, ...more], context.done, {
    today,
    heatFrom: heat?.from,
    plantingId: bed.planting?.id ?? null,
  });
  return listed.flatMap(({ reason, key, due, plantingId, done }) =>
    done ? [] : [{ bedId: bed.id, bedName: bed.name, plantingId, task: reason, key, due }],
  );
}
