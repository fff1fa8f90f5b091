import { at, item } from '../units/at.ts';
import type { PlaceRun } from './run.ts';
import { gaugeOf, trialOf } from './run.ts';
import { shareOf, type StressTotals } from './sums.ts';
import type { PlantFacts } from './run.ts';
import type { Waiting } from './types.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';

/** One way the days ahead may go for a place: its roots at one depth, under one run of weather. */
export interface Path {
  /** How much it is believed; those of a place add up to 1. */
  share: number;
  run: PlaceRun;
  sums: StressTotals;
  sky: WeatherPath;
}

/** Weather by a place's days, from one of them on: day `d` stands at `d - from`. */
export interface WeatherPath {
  from: number;
  et0: Float64Array;
  rain: Float64Array;
  climate: Float64Array;
}

/** More than this many times what may be lost must not be lost in the worst tenth of the ways. Judgement. */
export const WORST_TENTH = 3;
/** In how many of the ways it is not worse. */
const SURE = 0.9;
/** Of what was missed so little is nothing, litres of all that is wanted: rounding. */
const NOTHING = 1e-9;

export function stepUnder(run: PlaceRun, sky: WeatherPath, d: number, givenL: number): void {
  const k = d - sky.from;
  run.place.step(
    run.state,
    d,
    at(sky.et0, k),
    at(sky.rain, k),
    at(sky.climate, k),
    givenL,
    at(run.series.warmth, d),
  );
}

interface Course {
  lostL: number;
  wantedL: number;
  allowedL: number;
  lowestKs: number;
}

/** A path from a morning up to the next round, given so much on the first day. */
function courseOf(
  path: Path,
  purpose: 'waits' | 'is watered',
  from: number,
  until: number,
  givenL: number,
  weightOf: (d: number) => PlantFacts,
): Course {
  const run = trialOf(path.run, purpose);
  const course = { lostL: 0, wantedL: 0, allowedL: 0, lowestKs: 1 };
  for (let d = from; d < until; d += 1) {
    stepUnder(run, path.sky, d, d === from ? givenL : 0);
    const { wantedL, suppliedL, ks } = gaugeOf(run);
    const { ky, lossShare } = weightOf(d);
    course.lostL += ky * (wantedL - suppliedL);
    course.wantedL += wantedL;
    course.allowedL += lossShare * wantedL;
    if (wantedL > 0 && ks < course.lowestKs) course.lowestKs = ks;
  }
  return course;
}

/**
 * Whether a place can wait for its next round. It cannot when what it has missed since its last full watering (no more than its
 * goal allowed until now), and would miss more by waiting than by being watered now, is over what its goal allows on the mean
 * of its paths, or over three times
 * that in the worst tenth of them; nor when waiting takes it under its floor on the mean and watering now would not.
 * @param paths ways the days may go; `from` this morning's day, `until` the next round's, `givenL` what would arrive now
 * Source: the rule and its weights are judgements; growth by FAO-33's yield response.
 */
export function waitingCost(
  paths: readonly Path[],
  options: {
    from: number;
    until: number;
    givenL: () => number;
    weightOf: (d: number) => PlantFacts;
    days: readonly SourcedDay[];
  },
): Waiting {
  const { from, until, givenL, weightOf } = options;
  const { floor } = weightOf(from);
  const waits: { share: number; lostL: number }[] = [];
  let arrivingL: number | undefined;
  let missedL = 0;
  let soFarL = 0;
  let waitL = 0;
  let allowedL = 0;
  let spanL = 0;
  let wantedL = 0;
  let lowestKs = 0;
  let reachableKs = 0;
  for (const path of paths) {
    const { share, sums } = path;
    const dry = courseOf(path, 'waits', from, until, 0, weightOf);
    let lostL = 0;
    let best = dry.lowestKs;
    if (dry.lostL > NOTHING * dry.wantedL) {
      arrivingL ??= givenL();
      const now = courseOf(path, 'is watered', from, until, arrivingL, weightOf);
      lostL = Math.max(0, dry.lostL - now.lostL);
      best = now.lowestKs;
    }
    waits.push({ share, lostL });
    missedL += share * sums.missedL;
    soFarL += share * sums.allowedL;
    waitL += share * lostL;
    allowedL += share * (sums.allowedL + dry.allowedL);
    spanL += share * (sums.wantedL + dry.wantedL);
    wantedL += share * dry.wantedL;
    lowestKs += share * dry.lowestKs;
    reachableKs += share * best;
  }
  const highL = worstTenth(waits);
  const costs = waitL > NOTHING * wantedL;
  // What neglect has cost is gone: it takes away what might have been lost until now, and no more.
  const spentL = Math.min(missedL, soFarL);
  const growth = costs && (spentL + waitL > allowedL || spentL + highL > WORST_TENTH * allowedL);
  const under = costs && lowestKs < floor && reachableKs >= floor;
  return {
    until: item(options.days, until).date,
    lostShare: shareOf(waitL, wantedL),
    highShare: shareOf(highL, wantedL),
    // Until it is known what the plan wants.
    planShare: shareOf(waitL, wantedL),
    planHighShare: shareOf(highL, wantedL),
    lostL: waitL,
    highL,
    missedShare: shareOf(spentL + waitL, spanL),
    allowedShare: shareOf(allowedL, spanL),
    lowestKs,
    reachableKs,
    floor,
    due: growth ? 'growth' : under ? 'floor' : null,
    spentL,
    allowedL,
  };
}

/** What the worst tenth of the ways lose at least. */
function worstTenth(waits: { share: number; lostL: number }[]): number {
  const sorted = [...waits].sort((a, b) => a.lostL - b.lostL);
  let upTo = 0;
  for (const { share, lostL } of sorted) {
    upTo += share;
    if (upTo >= SURE - 1e-9) return lostL;
  }
  return sorted.at(-1)?.lostL ?? 0;
}
