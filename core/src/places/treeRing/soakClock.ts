import { ALERT_LIMITS } from '../../weather/alerts.ts';
import type { ClockDay, MustWater } from '../place.ts';
import { ballAfter } from './ball.ts';
import { clockRate } from './gapClock.ts';
import type { TreeSoaks } from './treeSoaks.ts';

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

/** Real rain short of a soak sets a clock back in proportion, from so much on, mm. Judgement. */
const RAIN_MM = 5;
const leftAfter = (rainMm: number): number =>
  rainMm < RAIN_MM ? 1 : Math.max(0, 1 - rainMm / ALERT_LIMITS.soakingMm);

/** A ball without leaves above it loses so much of what it does in leaf, share. Judgement. */
const BARE_USE = 0.2;
const leavesOn = ({ leafless }: ClockDay): number => (leafless ? BARE_USE : 1);

/** The clock of a woody place: its longest gap, and its ball while it is young. Source: as `gapClock` and `ballOf`, with the judgements named above. */
export function soakClock({ gapDays, heavy, ball }: TreeSoaks): MustWater<SoakClock> {
  /** Days that a day counts for, on its season. */
  const rateOn = ({ et0Mm, leafless }: ClockDay): number =>
    clockRate(et0Mm, heavy) * Math.min(1, et0Mm / COOL_MM) * (leafless ? LEAFLESS : 1);
  return {
    // How it was told to be on its first day is how far its clock had run.
    start(fullness) {
      const dry = 1 - fullness;
      return {
        days: Math.round(dry * gapDays),
        counted: dry * gapDays,
        ballGoneL: dry * (ball?.holdsL ?? 0),
      };
    },
    after(clock, day) {
      const isSoaked = day.givenMm >= SOAK_MM || day.rainMm >= ALERT_LIMITS.soakingMm;
      return {
        days: isSoaked ? 1 : clock.days + 1,
        counted: (isSoaked ? 0 : clock.counted * leftAfter(day.rainMm)) + rateOn(day),
        ballGoneL: ball
          ? ballAfter(ball, clock.ballGoneL, {
              et0Mm: day.et0Mm * leavesOn(day),
              rainMm: day.rainMm,
              givenL: day.givenMm * ball.rainLPerMm,
            })
          : 0,
      };
    },
    withToday(clock, givenMm) {
      if (givenMm < SOAK_MM) return clock;
      return {
        days: 0,
        counted: 0,
        ballGoneL: Math.max(0, clock.ballGoneL - givenMm * (ball?.rainLPerMm ?? 0)),
      };
    },
    due(clock, { d, until, dayCount }, dayOf) {
      let { counted } = clock;
      // A ball waits for no round: it is looked at each morning for its evening, on a round for the next day's too.
      const before = ball ? Math.min(until, d + 2) : until;
      for (let k = d; k < before && k < dayCount; k += 1) counted += rateOn(dayOf(k));
      if (counted > gapDays - EARLY_DAYS) return 'gap';
      if (!ball) return null;
      let depletionL = clock.ballGoneL;
      for (let k = d; k < before; k += 1) {
        const day = dayOf(k);
        depletionL += ball.usesLPerMm * day.et0Mm * leavesOn(day);
      }
      return depletionL > ball.bandShare * ball.holdsL ? 'ball' : null;
    },
    limit(clock, { d, dayCount }, dayOf) {
      let { counted } = clock;
      for (let k = d; k < dayCount; k += 1) {
        if (counted >= gapDays) return k;
        counted += rateOn(dayOf(k));
      }
      return null;
    },
    now: ({ days, counted, ballGoneL }) => ({
      days,
      counted,
      gapDays,
      ballGone: ball ? ballGoneL / ball.holdsL : null,
    }),
    lacksMm: ({ ballGoneL }) => (ball ? ballGoneL / ball.rainLPerMm : 0),
  };
}
