import { addDays, type IsoDate } from '../units/dates.ts';

/** What a plan said of the days after it: those on which somebody has work to do. */
interface Said {
  on: IsoDate;
  work: IsoDate[];
}

/** What the plan of today says, and that of the last day before it on which one was made. */
export interface PromisedDays extends Said {
  before?: Said;
}

/** People arrange so many days by what they were told. Judgement. */
const RELIED_ON_DAYS = 4;

/** What is to be remembered of a plan. @param work the days on which it has work, from tomorrow on */
export function promisedAfter(
  before: PromisedDays | undefined,
  today: IsoDate,
  work: readonly IsoDate[],
): PromisedDays {
  const said = { on: today, work: work.filter((date) => date > today).sort() };
  const last = saidBefore(before, today);
  return last ? { ...said, before: last } : said;
}

const saidBefore = (promised: PromisedDays | undefined, today: IsoDate): Said | undefined => {
  if (!promised || promised.on > today) return undefined;
  return promised.on === today ? promised.before : { on: promised.on, work: promised.work };
};

/** The days from today on that the last plan of an earlier day left free, as far as people rely on it. */
export function freeDays(promised: PromisedDays | undefined, today: IsoDate): ReadonlySet<IsoDate> {
  const last = saidBefore(promised, today);
  if (!last) return new Set();
  const work = new Set(last.work);
  return new Set(
    Array.from({ length: RELIED_ON_DAYS }, (_, d) => addDays(last.on, d + 1)).filter(
      (date) => date >= today && !work.has(date),
    ),
  );
}
