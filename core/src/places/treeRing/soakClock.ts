import type { ClockDay, MustWater } from '../place.ts';
import { ballAfter, ballLossL, type RootBall } from './ball.ts';
import type { TreeSoaks } from './treeSoaks.ts';
import type { YoungRhythm } from './youngRhythm.ts';

/** How long a woody place has stood since its last soak, and what is gone from each of its balls. */
export interface SoakClock {
  /** Days since by the calendar, and as parts of soaks and the season count them. */
  days: number;
  counted: number;
  /** A soak is on record; until then its days are counted from how its ground was told to be. */
  onRecord: boolean;
  ballGoneL: number;
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
  rhythm,
  between,
}: TreeSoaks): MustWater<SoakClock> {
  /** Days that a day counts for: one, and less in its season of rest. */
  const rateOn = ({ et0Mm, leafless }: ClockDay): number =>
    Math.min(1, et0Mm / COOL_MM) * (leafless ? LEAFLESS : 1);
  /** What of a whole soak water was, share: of what it lacked, or of a usual soak where it lacked more. A young tree's is whole once its ball is nearly full again, or it got what its rhythm gives. */
  const shareOf = (
    { ballGoneL }: SoakClock,
    { givenMm, rainMm, lacksMm }: { givenMm: number; rainMm: number; lacksMm: number },
  ): number => {
    const waterMm = givenMm + rainMm;
    if (!ball) return Math.min(1, waterMm / Math.max(LEAST_MM, Math.min(soakMm, lacksMm)));
    const isFilled =
      waterMm * ball.rainLPerMm >= A_SOAK * ballGoneL ||
      (between !== null && givenMm >= A_SOAK * between.leastMm);
    return waterMm > 0 && isFilled ? 1 : 0;
  };
  /** A young tree is watered in its rhythm, and within that by its ball, which waits for no round: it is looked at each morning for its evening, on a round for the next day's too. */
  const ballDue = (
    clock: SoakClock,
    { d, until }: { d: number; until: number },
    dayOf: (k: number) => ClockDay,
    young: { ball: RootBall; rhythm: YoungRhythm },
  ): 'ball' | null => {
    if (isTooSoon(clock)) return null;
    if (clock.counted >= gapDays - 1e-6) return 'ball';
    let depletionL = clock.ballGoneL;
    for (let k = d; k < Math.min(until, d + 2); k += 1) {
      const day = dayOf(k);
      depletionL += ballLossL(young.ball, { ...day, leaves: leavesOn(day) });
    }
    return depletionL > young.ball.bandShare * young.ball.holdsL ? 'ball' : null;
  };
  const isTooSoon = ({ counted }: SoakClock): boolean => rhythm !== null && counted < rhythm.leastDays - 1e-6;
  return {
    // How it was told to be on its first day is how far its clock had run.
    start(fullness) {
      const dry = 1 - fullness;
      return {
        days: Math.round(dry * gapDays),
        counted: dry * gapDays,
        onRecord: false,
        ballGoneL: dry * (ball?.holdsL ?? 0),
      };
    },
    after(clock, day) {
      const rainMm = day.rainMm < RAIN_MM ? 0 : day.rainMm;
      const share = shareOf(clock, { givenMm: day.givenMm, rainMm, lacksMm: day.lacksMm });
      return {
        days: share >= A_SOAK ? 1 : clock.days + 1,
        counted: clock.counted * (1 - share) + rateOn(day),
        onRecord: clock.onRecord || share >= A_SOAK,
        ballGoneL: ball
          ? ballAfter(ball, clock.ballGoneL, {
              date: day.date,
              et0Mm: day.et0Mm,
              leaves: leavesOn(day),
              rainMm: day.rainMm,
              givenL: day.givenMm * ball.rainLPerMm,
            })
          : 0,
      };
    },
    withToday(clock, givenMm, lacksMm) {
      const share = shareOf(clock, { givenMm, rainMm: 0, lacksMm });
      return {
        days: share >= A_SOAK ? 0 : clock.days,
        counted: clock.counted * (1 - share),
        onRecord: clock.onRecord || share >= A_SOAK,
        ballGoneL: Math.max(0, clock.ballGoneL - givenMm * (ball?.rainLPerMm ?? 0)),
      };
    },
    due(clock, { d, until, dayCount }, dayOf) {
      if (ball && rhythm) return ballDue(clock, { d, until }, dayOf, { ball, rhythm });
      // Its day is its day; between two rounds it is met on the one before, where that shortens it by little.
      if (clock.counted >= gapDays - 1e-6) return 'gap';
      let { counted } = clock;
      for (let k = d; k < until && k < dayCount; k += 1) counted += rateOn(dayOf(k));
      if (until > d + 1 && counted > gapDays && clock.counted >= earliestDays) return 'gap';
      return null;
    },
    limit(clock, { d, dayCount }, dayOf) {
      let { counted } = clock;
      for (let k = d; k < dayCount; k += 1) {
        if (counted >= gapDays) return k;
        counted += rateOn(dayOf(k));
      }
      return null;
    },
    now: ({ days, counted, onRecord, ballGoneL }) => ({
      days,
      counted,
      onRecord,
      gapDays,
      ballGone: ball ? ballGoneL / ball.holdsL : null,
    }),
    rhythm: (clock) => (rhythm ? { tooSoon: isTooSoon(clock), between } : null),
    lacksMm: ({ ballGoneL }) => (ball ? ballGoneL / ball.rainLPerMm : 0),
  };
}
