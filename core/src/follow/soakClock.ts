import { at, item } from '../units/at.ts';
import { ballAfter } from '../places/treeRing/ball.ts';
import { clockRate } from '../places/treeRing/gapClock.ts';
import type { TreeSoaks } from '../places/treeRing/treeSoaks.ts';
import { ALERT_LIMITS } from '../weather/alerts.ts';
import { plantsOn } from './plantsOn.ts';
import type { PlaceNow } from './run.ts';
import type { PlanBed } from './types.ts';

/** How long a woody place has stood since its last soak, and what is gone from each of its balls. */
export interface SoakClock {
  /** Days since by the calendar, and as hot dry wind counts them. */
  days: number;
  counted: number;
  ballGoneL: number;
}

/** A watering worth the name, mm on what it wets. Judgement. */
const SOAK_MM = 3;
/** Short cool days count less, up to this reference demand, mm; without leaves a day counts a quarter. Judgements; that trees get less, not none, as days shorten and leaves go is common practice. */
const COOL_MM = 2.5;
const LEAFLESS = 0.25;

/** A gap is ended so much before its limit, days: the weather may take more than is forecast. Judgement. */
const EARLY_DAYS = 0.5;

/** What forces a watering: the longest gap, or the ball of a young plant. */
export type SoakDue = 'gap' | 'ball';

/** Days that a day counts for, on its season. */
function rateOn(soaks: TreeSoaks, et0Mm: number, leafless: boolean): number {
  return clockRate(et0Mm, soaks.heavy) * Math.min(1, et0Mm / COOL_MM) * (leafless ? LEAFLESS : 1);
}

/** Real rain short of a soak sets a clock back in proportion, from so much on, mm. Judgement. */
const RAIN_MM = 5;
const leftAfter = (rainMm: number): number =>
  rainMm < RAIN_MM ? 1 : Math.max(0, 1 - rainMm / ALERT_LIMITS.soakingMm);

const leaflessOn = (input: PlanBed, now: PlaceNow, d: number): boolean =>
  plantsOn(now, input, d).stage === 'past';

/** A ball without leaves above it loses so much of what it does in leaf, share. Judgement. */
const BARE_USE = 0.2;
const leavesOn = (input: PlanBed, now: PlaceNow, d: number): number =>
  leaflessOn(input, now, d) ? BARE_USE : 1;

/** A clock after another day. @param rain and demand of it, mm, and litres that reached the place */
export function clockAfter(
  clock: SoakClock,
  at_: { input: PlanBed; soaks: TreeSoaks; now: PlaceNow; d: number },
  day: { et0Mm: number; rainMm: number; givenL: number },
): SoakClock {
  const { input, soaks, now, d } = at_;
  const givenMm = day.givenL / now.place.litresPerMm(d);
  const rainMm = now.place.underCover(d) ? 0 : day.rainMm;
  const isSoaked = givenMm >= SOAK_MM || rainMm >= ALERT_LIMITS.soakingMm;
  const rate = rateOn(soaks, day.et0Mm, leaflessOn(input, now, d));
  const { ball } = soaks;
  return {
    days: isSoaked ? 1 : clock.days + 1,
    counted: (isSoaked ? 0 : clock.counted * leftAfter(rainMm)) + rate,
    ballGoneL: ball
      ? ballAfter(ball, clock.ballGoneL, {
          et0Mm: day.et0Mm * leavesOn(input, now, d),
          rainMm,
          givenL: givenMm * ball.rainLPerMm,
        })
      : 0,
  };
}

/** The clock of a place as it stands this morning, from its record; null where nothing forces a watering there. */
export function clockOf(input: PlanBed, now: PlaceNow): SoakClock | null {
  const { soaks } = input;
  if (!soaks) return null;
  // How it was told to be on its first day is how far its clock had run.
  const dry = 1 - input.startFullness;
  let clock: SoakClock = {
    days: Math.round(dry * soaks.gapDays),
    counted: dry * soaks.gapDays,
    ballGoneL: dry * (soaks.ball?.holdsL ?? 0),
  };
  for (let d = 0; d < now.todayIndex; d += 1)
    clock = clockAfter(
      clock,
      { input, soaks, now, d },
      { et0Mm: at(now.series.et0, d), rainMm: at(now.rain, d), givenL: at(now.givenL, d) },
    );
  return clock;
}

/**
 * Whether a place's clock forces a watering on a day: it would pass its gap before it is asked again (on a day on which it is
 * not asked, before tomorrow), or its ball would be dry beyond its band tonight.
 * @param et0Of demand of a day of the span, mm
 */
export function soakDue(
  clock: SoakClock,
  at_: { input: PlanBed; soaks: TreeSoaks; now: PlaceNow; d: number },
  until: number,
  et0Of: (d: number) => number,
): SoakDue | null {
  const { input, soaks, now, d } = at_;
  let { counted } = clock;
  const { ball } = soaks;
  // A ball waits for no round: it is looked at each morning for its evening, on a round for the next day's too.
  const before = ball ? Math.min(until, d + 2) : until;
  for (let k = d; k < before && k < now.days.length; k += 1)
    counted += rateOn(soaks, et0Of(k), leaflessOn(input, now, k));
  if (counted > soaks.gapDays - EARLY_DAYS) return 'gap';
  if (!ball) return null;
  let goneL = clock.ballGoneL;
  for (let k = d; k < before; k += 1) goneL += ball.usesLPerMm * et0Of(k) * leavesOn(input, now, k);
  return goneL > ball.bandShare * ball.holdsL ? 'ball' : null;
}

/** A clock as it stands once what was given today is counted. */
export function withToday(clock: SoakClock, { soaks }: PlanBed, now: PlaceNow): SoakClock {
  const givenMm = at(now.givenL, now.todayIndex) / now.place.litresPerMm(now.todayIndex);
  if (givenMm < SOAK_MM) return clock;
  const ballL = givenMm * (soaks?.ball?.rainLPerMm ?? 0);
  return { days: 0, counted: 0, ballGoneL: Math.max(0, clock.ballGoneL - ballL) };
}

/** The first day ahead on which a clock passes its gap if no water comes; null within the span. */
export function limitOf(clock: SoakClock, input: PlanBed, now: PlaceNow): string | null {
  const { soaks } = input;
  if (!soaks) return null;
  let { counted } = clock;
  for (let k = now.todayIndex; k < now.days.length; k += 1) {
    if (counted >= soaks.gapDays) return item(now.days, k).date;
    counted += rateOn(soaks, at(now.series.et0, k), leaflessOn(input, now, k));
  }
  return null;
}
