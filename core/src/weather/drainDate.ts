import { item } from '../units/at.ts';
import { addDays, type IsoDate } from '../units/dates.ts';

/**
 * How early a household drains its hoses and lines: before a night this cold that is at least this likely. Between them they
 * disagree, so it is theirs to choose. Judgement, the late one as those do it who drain at the last moment.
 */
export const DRAIN_CHOICES = ['early', 'usual', 'late'] as const;
export type DrainChoice = (typeof DRAIN_CHOICES)[number];
export const DRAIN_RULES: Readonly<Record<DrainChoice, { nightC: number; chance: number }>> = {
  early: { nightC: -1, chance: 0.1 },
  usual: { nightC: -4, chance: 0.2 },
  late: { nightC: -9, chance: 0.5 },
};

/** Water left in a line outdoors freezes hard and bursts it in a night of about 20 °F. Common practice for pipes, from memory. */
export const BURST_C = -6.7;

/** When to drain, and what waiting for that day risks. */
export interface DrainDate {
  /** The day to drain, the one before the night; null while no such night is likely in the days looked at. */
  drainOn: IsoDate | null;
  /** The night it is for: its morning, and the chance that it is so cold. */
  night: { date: IsoDate; chance: number } | null;
  /** Chance that a line bursts before that day, and that an undrained one does within the days looked at, 0–1. */
  burstBefore: number;
  burstUndrained: number;
}

/**
 * The day on which to drain lines.
 * @param dates days in order from today, whose own dawn is past; `lows` lowest temperature, °C, of each way the weather may go: `m * dates.length + d`
 * Source: counted in the members of the forecast; thresholds as `DRAIN_RULES` and `BURST_C`.
 */
export function drainDate(
  dates: readonly IsoDate[],
  lows: ArrayLike<number>,
  choice: DrainChoice,
): DrainDate {
  const members = lows.length / dates.length;
  const { nightC, chance: least } = DRAIN_RULES[choice];
  const low = (m: number, d: number): number => lows[m * dates.length + d] ?? Number.NaN;
  const share = (holds: (m: number) => boolean): number =>
    Array.from({ length: members }, (_, m) => m).filter(holds).length / members;
  const coldest = (m: number, days: number): number =>
    Math.min(...dates.slice(1, days).map((_, d) => low(m, d + 1)));
  // A day's lowest comes at its dawn: today's has been.
  const at = dates.findIndex((_, d) => d > 0 && share((m) => low(m, d) <= nightC) >= least);
  const night = at < 0 ? null : { date: item(dates, at), chance: share((m) => low(m, at) <= nightC) };
  return {
    drainOn: night && addDays(night.date, -1),
    night,
    // The night itself comes after the draining.
    burstBefore: at < 0 ? 0 : share((m) => coldest(m, at) <= BURST_C),
    burstUndrained: share((m) => coldest(m, dates.length) <= BURST_C),
  };
}
