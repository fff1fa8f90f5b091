import type { ClockDay, MustWater } from '../place.ts';
import { ballAfter, ballLossL } from './ball.ts';
import type { TreeSoaks } from './treeSoaks.ts';

/** How long a woody place has stood since its last soak, and what is gone from each of its balls. */
export interface SoakClock {
  /** Days since by the calendar, and as parts of soaks and the season count them. */
  days: number;
  counted: number;
  ballGoneL: number;
  /** Days since its ball was filled, or nearly. */
  ballDays: number;
}

/** Short cool days count less, up to this reference demand, mm; without leaves a day counts a quarter. Judgements; that trees get less, not none, as days shorten and leaves go is common practice. */
const COOL_MM = 2.5;
const LEAFLESS = 0.25;

/** Rain under this wets leaves and litter, mm. Judgement. */
const RAIN_MM = 5;
/** Less than this is no soak, however little a place lacks, mm. Judgement. */
const LEAST_MM = 10;
/** So much of a soak is one: from then on the days are counted anew. Judgement. */
const A_SOAK = 0.8;

/** A ball without leaves above it loses so much of what it does in leaf, share. Judgement. */
const BARE_USE = 0.2;
const leavesOn = ({ leafless }: ClockDay): number => (leafless ? BARE_USE : 1);

/** The clock of a woody place: its longest gap, and its ball while it is young. Source: as `gapClock` and `ballOf`, with the judgements named above. */
export function soakClock({
  gapDays,
  earliestDays,
  soakMm,
  ball,
  ballEveryDays,
}: TreeSoaks): MustWater<SoakClock> {
  /** Days that a day counts for: one, and less in its season of rest. */
  const rateOn = ({ et0Mm, leafless }: ClockDay): number =>
    Math.min(1, et0Mm / COOL_MM) * (leafless ? LEAFLESS : 1);
  /** What of a whole soak water was, share: of what it lacked, or of a usual soak where it lacked more. */
  const shareOf = (waterMm: number, lacksMm: number): number =>
    Math.min(1, waterMm / Math.max(LEAST_MM, Math.min(soakMm, lacksMm)));
  /** Water fills a ball, or most of what is gone from it. */
  const fillsBall = ({ ballGoneL }: SoakClock, waterMm: number): boolean =>
    ball !== null && waterMm > 0 && waterMm * ball.rainLPerMm >= A_SOAK * ballGoneL;
  return {
    // How it was told to be on its first day is how far its clock had run.
    start(fullness) {
      const dry = 1 - fullness;
      return {
        days: Math.round(dry * gapDays),
        counted: dry * gapDays,
        ballGoneL: dry * (ball?.holdsL ?? 0),
        ballDays: ballEveryDays,
      };
    },
    after(clock, day) {
      const share = shareOf(day.givenMm + (day.rainMm < RAIN_MM ? 0 : day.rainMm), day.lacksMm);
      return {
        days: share >= A_SOAK ? 1 : clock.days + 1,
        counted: clock.counted * (1 - share) + rateOn(day),
        ballGoneL: ball
          ? ballAfter(ball, clock.ballGoneL, {
              date: day.date,
              et0Mm: day.et0Mm,
              leaves: leavesOn(day),
              rainMm: day.rainMm,
              givenL: day.givenMm * ball.rainLPerMm,
            })
          : 0,
        ballDays: fillsBall(clock, day.givenMm + day.rainMm) ? 1 : clock.ballDays + 1,
      };
    },
    withToday(clock, givenMm, lacksMm) {
      const share = shareOf(givenMm, lacksMm);
      return {
        days: share >= A_SOAK ? 0 : clock.days,
        counted: clock.counted * (1 - share),
        ballGoneL: Math.max(0, clock.ballGoneL - givenMm * (ball?.rainLPerMm ?? 0)),
        ballDays: fillsBall(clock, givenMm) ? 0 : clock.ballDays,
      };
    },
    due(clock, { d, until, dayCount }, dayOf) {
      // Its day is its day; between two rounds it is met on the one before, where that shortens it by little.
      if (clock.counted >= gapDays - 1e-6) return 'gap';
      let { counted } = clock;
      for (let k = d; k < until && k < dayCount; k += 1) counted += rateOn(dayOf(k));
      if (until > d + 1 && counted > gapDays && clock.counted >= earliestDays) return 'gap';
      // A ball waits for no round: it is looked at each morning for its evening, on a round for the next day's too.
      const before = ball ? Math.min(until, d + 2) : until;
      if (!ball || clock.ballDays < ballEveryDays) return null;
      let depletionL = clock.ballGoneL;
      for (let k = d; k < before; k += 1) {
        const day = dayOf(k);
        depletionL += ballLossL(ball, { ...day, leaves: leavesOn(day) });
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
