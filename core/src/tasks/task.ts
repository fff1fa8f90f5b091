import type { AlertAct } from '../care/alertActs.ts';
import type { AlertState } from '../care/seenTo.ts';
import type { BedTask } from '../care/tasks.ts';
import type { PotTask } from '../pots/potTasks.ts';
import type { Subject } from '../entries/entry.ts';
import type { IsoDate } from '../units/dates.ts';

/** What the weather's alerts ask for in the garden as a whole. */
export interface AlertTask {
  code: 'seen to an alert';
  alert: AlertState;
  act: AlertAct;
}

/** What is to be done or minded, and what it rests on; the words are made where it is shown. */
export type TaskReason = BedTask | PotTask | AlertTask;

/** The days on which a task is there to be done; without a last one it stays until it is. */
export interface DueSpan {
  from: IsoDate;
  until: IsoDate | null;
}

/** Something to do or mind besides watering, wherever it is: on a bed, at a tree, of a pot, or for the whole garden. */
export interface Task<Reason extends TaskReason = TaskReason> {
  subject: Subject;
  /** The planting it is of, where several stand there. */
  plantingId: number | null;
  /** Names this very task: the same one asked again tomorrow bears the same key, next month's another. */
  key: string;
  due: DueSpan;
  reason: Reason;
  /** It was seen to, as the log says. */
  done: boolean;
}

/** Tasks that the log says were seen to: of what, and by which keys. */
export interface DoneTask {
  subject: Subject;
  key: string;
}
