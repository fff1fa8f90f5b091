import { at, item } from '../units/at.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import { plantsOn } from './plantsOn.ts';
import { trialOf, type PlaceNow } from './run.ts';
import { noSums, type StressTotals } from './sums.ts';
import type { PlanBed } from './types.ts';
import type { Path, WeatherPath } from './waiting.ts';
import type { RootWay } from './rootWay.ts';

/** What a place has missed up to this morning since its last full watering, with roots of one depth. */
export function sumsSoFar(now: PlaceNow, input: PlanBed): StressTotals {
  const sums = noSums();
  // What a full watering wiped out need not be counted.
  let from = now.todayIndex;
  while (from > 0 && at(now.pastKept, from - 1) > 0) from -= 1;
  from = Math.max(0, from - 1);
  for (let d = from; d < now.todayIndex; d += 1) {
    const kept = at(now.pastKept, d);
    const wantedL = at(now.pastWantedL, d);
    const { ky, lossShare } = plantsOn(now, input, d);
    sums.missedL = kept * sums.missedL + ky * at(now.pastMissedL, d);
    sums.wantedL = kept * sums.wantedL + wantedL;
    sums.allowedL = kept * sums.allowedL + lossShare * wantedL;
  }
  return sums;
}

/** The days of a place as one single path has them: what was measured, and the forecast with its likely rain. */
export const expectedSky = ({ series, rain }: PlaceNow): WeatherPath => ({
  from: 0,
  et0: series.et0,
  rain,
  climate: series.climate,
});

/** One path for each depth its roots may have, through the days as they are expected. */
export const pathsAhead = (ways: readonly RootWay[]): Path[] =>
  ways.map(({ share, now, sums }) => ({
    share,
    run: trialOf(now, 'days ahead'),
    sums: { ...sums },
    sky: expectedSky(now),
  }));

/** Every member of the forecast with one of the depths: each has as many members as it is believed, and of those the first day's wetness as many each. */
export function pathsOfMembers(
  ways: readonly RootWay[],
  ensemble: ForecastEnsemble,
): (Path & { way: RootWay; now: PlaceNow })[] {
  const { members, days } = ensemble;
  const part = (row: Float64Array, m: number): Float64Array => row.subarray(m * days, (m + 1) * days);
  let way = 0;
  let upTo = item(ways, 0).share;
  return Array.from({ length: members }, (_, m) => {
    while (way < ways.length - 1 && (m + 0.5) / members > upTo) {
      way += 1;
      upTo += item(ways, way).share;
    }
    const on = item(ways, way);
    // Neither the weather nor the roots know how wet the ground was said to be: the members take turns.
    const starts = [on, ...on.otherwise];
    const { now, sums } = item(starts, m % starts.length);
    return {
      way: on,
      now,
      share: 1 / members,
      run: now,
      sums,
      sky: {
        from: now.todayIndex,
        et0: part(ensemble.et0, m),
        rain: part(ensemble.rain, m),
        climate: part(ensemble.climate, m),
      },
    };
  });
}
