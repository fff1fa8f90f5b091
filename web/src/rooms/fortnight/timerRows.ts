import type { FortnightView, TapView } from '@kibble/contract';

/** One bed, or one zone, on one day, as a tap timer takes it: when its runs begin, and for how long each. */
export interface TimerRow {
  date: string;
  bedId: number;
  bedName: string;
  /** The station that it is on the timer; none where it has none. */
  station?: number;
  /** Minutes after midnight. */
  starts: number[];
  minutesEach: number;
}

/** The settings of the days asked for, in the order of the clock; what is watered by hand needs none. */
export function timerRows(
  {
    schedule,
    beds,
  }: Pick<FortnightView, 'schedule'> & { beds: { bedId: number; byHand: boolean; zone?: number | null }[] },
  taps: readonly Pick<TapView, 'id' | 'name' | 'station'>[] = [],
  days = schedule.length,
): TimerRow[] {
  const byHand = new Set(beds.filter((bed) => bed.byHand).map((bed) => bed.bedId));
  // All beds of a zone run at once: its first bed stands for them.
  const zoneOf = new Map(
    beds.flatMap(({ bedId, zone = null }) => (zone === null ? [] : [[bedId, zone] as const])),
  );
  const leadOf = (bedId: number): number => {
    const zone = zoneOf.get(bedId);
    return beds.find((bed) => zone !== undefined && bed.zone === zone)?.bedId ?? bedId;
  };
  return schedule.slice(0, days).flatMap(({ date, slots }) => {
    const rows: TimerRow[] = [];
    for (const slot of slots.filter((s) => !byHand.has(s.bedId))) {
      const bedId = leadOf(slot.bedId);
      const row = rows.find((r) => r.bedId === bedId);
      const zone = taps.find(({ id }) => id === zoneOf.get(slot.bedId));
      if (!row)
        rows.push({
          date,
          bedId,
          bedName: zone?.name ?? slot.bedName,
          ...(zone?.station ? { station: zone.station } : {}),
          starts: [slot.from],
          minutesEach: slot.until - slot.from,
        });
      else if (!row.starts.includes(slot.from)) row.starts.push(slot.from);
    }
    return rows;
  });
}

export type TimerChange =
  | { code: 'skip'; row: TimerRow }
  | { code: 'add'; row: TimerRow }
  | { code: 'minutes'; row: TimerRow; was: number };

/** A change of minutes smaller than this is not worth a walk to the timer. Judgement. */
const WORTH_MINUTES = 2;
const WORTH_SHARE = 0.15;

/** What must be changed on a timer that was set to `typed`, from `today` to the last day it was set for. */
export function timerChanges(
  typed: readonly TimerRow[],
  now: readonly TimerRow[],
  today: string,
): TimerChange[] {
  const last = typed.reduce((d, row) => (row.date > d ? row.date : d), '');
  const same = (a: TimerRow, b: TimerRow): boolean => a.date === b.date && a.bedId === b.bedId;
  const total = (row: TimerRow): number => row.starts.length * row.minutesEach;
  const kept = typed.filter((row) => row.date >= today);
  const changes: TimerChange[] = [];
  for (const row of kept) {
    const is = now.find((n) => same(n, row));
    if (!is) changes.push({ code: 'skip', row });
    else if (Math.abs(total(is) - total(row)) > Math.max(WORTH_MINUTES, WORTH_SHARE * total(row)))
      changes.push({ code: 'minutes', row: is, was: total(row) });
  }
  for (const row of now)
    if (row.date <= last && !kept.some((k) => same(k, row))) changes.push({ code: 'add', row });
  return changes.sort((a, b) => (a.row.date < b.row.date ? -1 : a.row.date > b.row.date ? 1 : 0));
}
