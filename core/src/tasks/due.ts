import { addDays, type IsoDate } from '../units/dates.ts';
import { mondayOf } from '../units/weekdays.ts';
import type { DueSpan, TaskReason } from './task.ts';

/** When a task is looked at, and when the heat ahead begins, where there is one. */
export interface DueAt {
  today: IsoDate;
  heatFrom?: IsoDate;
}

type Code = TaskReason['code'];
type Due<C extends Code> = (
  reason: Extract<TaskReason, { code: C }>,
  at: DueAt,
) => DueSpan & {
  /** What tells it from the same task at another time. */
  of: string;
};

/** Asked each day anew. */
const today = (_reason: unknown, { today: day }: DueAt) => ({ from: day, until: day, of: day });
/** Said once a week. */
const thisWeek = (_reason: unknown, { today: day }: DueAt) => {
  const monday = mondayOf(day);
  return { from: monday, until: addDays(monday, 6), of: monday };
};
/** Stays until it is done. */
const since = (from: IsoDate, of: string = from) => ({ from, until: null, of });
/** Of what is asked of several plantings of a place, the first bears no number. */
const numbered = (of: string, planting: number): string => (planting === 0 ? of : `${of} ${planting}`);
const daysAgo = (days: number, at: DueAt): IsoDate => addDays(at.today, -days);
/** Before heat that is ahead, or has begun. */
const beforeHeat = (_reason: unknown, { today: day, heatFrom = day }: DueAt) => ({
  from: day,
  until: heatFrom < day ? day : heatFrom,
  of: heatFrom,
});

/** Fresh plants are looked at in their second week at the latest, a stage round its date by the calendar: as `bedTasks` asks. */
const STAND_FROM_DAYS = 2;
const STAND_UNTIL_DAYS = 14;
const STAGE_DAYS = 4;

/** When each kind of task is due, and what tells one from the next. Source: the rules by which they are asked for. */
const DUE: { readonly [C in Code]: Due<C> } = {
  'are all standing': ({ days, of: planting }, at) => {
    const planted = daysAgo(days, at);
    return {
      from: addDays(planted, STAND_FROM_DAYS),
      until: addDays(planted, STAND_UNTIL_DAYS),
      of: numbered(planted, planting),
    };
  },
  'are they up': ({ days, of: planting }, at) => ({
    from: at.today,
    until: at.today,
    of: numbered(`${daysAgo(days, at)} ${at.today}`, planting),
  }),
  'put the mulch back': ({ days }, at) => since(daysAgo(days, at)),
  'look at the mulch': ({ days }, at) => since(at.today, daysAgo(days, at)),
  'mulch before the heat': beforeHeat,
  'shade before the heat': beforeHeat,
  'soak before the heat': ({ from }, at) => ({ from: at.today, until: addDays(from, -1), of: from }),
  'rinse against mites': today,
  'do the spots join': today,
  'a little every day': thisWeek,
  'probe it now': today,
  'has it begun': ({ stage, about, of: planting }) => ({
    from: addDays(about, -STAGE_DAYS),
    until: addDays(about, STAGE_DAYS),
    of: numbered(`${stage} ${about}`, planting),
  }),
  'move the water outward': ({ to }, at) => since(at.today, `to ${to.outerM.toFixed(1)} m`),
  'widen the clearing': ({ toM }, at) => since(at.today, `to ${toM.toFixed(1)} m`),
  'icy wind': ({ on }, at) => ({ from: at.today, until: on, of: on }),
  'moist into the frost': thisWeek,
  'a dry tree by a wall': today,
  'no feed this summer': (_reason, at) => ({
    from: at.today,
    until: `${at.today.slice(0, 4)}-12-31`,
    of: at.today.slice(0, 4),
  }),
  'it hangs first': today,
  'past its gap': today,
  'weigh again': ({ since: from, why }) => since(from, `${why} ${from}`),
  'rest begins': thisWeek,
  'rest ends': thisWeek,
  'rinse dust': today,
  'wet bodies': thisWeek,
  'root-bound': (_reason, at) => since(at.today, 'repot'),
  rescue: today,
  'damping off': today,
  'tip out': today,
  'bring in': (_reason, at) => ({ from: at.today, until: addDays(at.today, 1), of: at.today }),
  'dry spell': (_reason, at) => since(at.today, 'once'),
  'keep moist': today,
  'prick out': (_reason, at) => since(at.today, 'once'),
  'seen to an alert': ({ alert, act }) => ({
    from: alert.from,
    until: alert.until,
    of: `${alert.code} ${alert.from}: ${act}`,
  }),
};

/** When a task is due, and the key by which the log knows that it was seen to. Source: as `DUE`. */
export function dueOf(reason: TaskReason, at: DueAt): { due: DueSpan; key: string } {
  const due = DUE[reason.code] as Due<Code>;
  const { of, ...span } = due(reason, at);
  return { due: span, key: `${reason.code}: ${of}` };
}
