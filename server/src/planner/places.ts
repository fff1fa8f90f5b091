import { randomBytes } from 'node:crypto';
import type { BedView, LeaveView, StopView, TaskView, UnplannedView } from '@kibble/contract';
import { unplannedBy, type BedOutlook, type Unplanned } from '@kibble/core';
import { rangeWordsOf } from '../errors.ts';
import { grouped } from '../services/grouped.ts';
import type { Context } from './context.ts';
import { leaveOf, stopOf } from './views/stops.ts';
import { bedTaskViews } from './views/tasks.ts';

/** One bed as the rooms show it today: a stop, or a reason to leave it alone, and what else there is to do. */
export interface Place {
  bed: BedView;
  outlook: BedOutlook;
  stop: StopView | null;
  leave: LeaveView | null;
  tasks: TaskView[];
}

export interface Places {
  places: Place[];
  unplanned: UnplannedView[];
  /** What each was made from, so that the same need not be made again. */
  from: Map<number, { key: string; outlook: BedOutlook; bed: BedView; place: Place }>;
}

/** A bed's fault in words, with its number in the log where it is the program's own. */
function unplannedView(
  { bedId, message, range, stack }: Unplanned,
  { beds, faults }: Context,
): UnplannedView {
  const bedName = beds.find((b) => b.id === bedId)?.name ?? '';
  if (range) return { bedId, bedName, message: `${rangeWordsOf(range)}.`, field: range.field, number: null };
  const number = randomBytes(4).toString('hex').toUpperCase();
  faults.push({ facts: { bedId, number, stack }, words: `a bed cannot be planned: ${message}` });
  return {
    bedId,
    bedName,
    message: `Kibble made a mistake with it, which stands in the log as number ${number}.`,
    field: null,
    number,
  };
}

/** What there is to do moves with the clock: looked at anew after so long, ms. */
export const LOOKED_MS = 60_000;

/** Every bed for itself at a moment: what one cannot be is told in its place, and the others are as they are. */
export function placesOf(context: Context, now: Date, before?: Places): Places {
  const { plan, today } = context;
  const from: Places['from'] = new Map();
  const outlooks = new Map(plan.beds.map((outlook) => [outlook.bedId, outlook]));
  const dueToday = new Map(plan.waterings.filter((w) => w.date === today).map((w) => [w.bedId, w]));
  const slots = grouped(plan.schedule.find((day) => day.date === today)?.slots ?? [], (slot) => slot.bedId);
  const done = grouped(
    context.done.filter(({ subject }) => subject.kind === 'bed'),
    ({ subject }) => subject.id,
  );
  const minute = Math.floor(now.getTime() / LOOKED_MS);
  const unplanned = [...context.unplanned, ...plan.unplanned];
  const places = context.beds.flatMap((bed): Place[] => {
    const outlook = outlooks.get(bed.id);
    if (!outlook) return [];
    const key = JSON.stringify([minute, slots.get(bed.id), done.get(bed.id)]);
    const known = before?.from.get(bed.id);
    if (known?.key === key && known.outlook === outlook && known.bed === bed) {
      from.set(bed.id, known);
      return [known.place];
    }
    try {
      const watering = dueToday.get(bed.id);
      const place: Place = {
        bed,
        outlook,
        stop: watering ? stopOf(bed, outlook, watering, context) : null,
        leave: watering ? null : leaveOf(bed, outlook, context),
        tasks: bedTaskViews(bed, outlook, context, now),
      };
      from.set(bed.id, { key, outlook, bed, place });
      return [place];
    } catch (error) {
      unplanned.push(unplannedBy(bed.id, error));
      return [];
    }
  });
  return { places, unplanned: unplanned.map((fault) => unplannedView(fault, context)), from };
}
