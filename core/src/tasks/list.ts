import { isSeenTo, type AlertState, type Tick } from '../care/seenTo.ts';
import type { AlertAct } from '../care/alertActs.ts';
import type { BedTask } from '../care/tasks.ts';
import type { PotTask } from '../pots/potTasks.ts';
import { isSameSubject, type Subject } from '../entries/entry.ts';
import { dueOf, type DueAt } from './due.ts';
import type { AlertTask, DoneTask, Task } from './task.ts';

/**
 * What there is to do at one place, in the order in which it was found: each with its key, its days, and whether the log
 * says that it was seen to. Source: none needed, a matter of record.
 * @param found what the rules of its kind ask for today: `bedTasks`, `treeTasks`, `potTasks`
 */
export function tasksOf<Reason extends BedTask | PotTask>(
  subject: Subject,
  found: readonly Reason[],
  done: readonly DoneTask[],
  at: DueAt & { plantingId?: number | null },
): Task<Reason>[] {
  const keys = new Set(done.flatMap((one) => (isSameSubject(one.subject, subject) ? [one.key] : [])));
  return found.map((reason) => {
    const { due, key } = dueOf(reason, at);
    return { subject, plantingId: at.plantingId ?? null, key, due, reason, done: keys.has(key) };
  });
}

/** What an alert asks for in a garden; seen to as long as the weather is the same and not much worse. */
export function alertTasks(
  gardenId: number,
  alert: AlertState,
  acts: readonly AlertAct[],
  ticks: readonly Tick[],
  at: DueAt,
): Task<AlertTask>[] {
  return acts.map((act) => {
    const reason: AlertTask = { code: 'seen to an alert', alert, act };
    return {
      subject: { kind: 'garden', id: gardenId },
      plantingId: null,
      ...dueOf(reason, at),
      reason,
      done: isSeenTo(ticks, alert, act),
    };
  });
}
