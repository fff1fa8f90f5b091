import type { School } from '../schools/schools.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import type { Grounds } from './because.ts';
import type { RootWay } from './rootWay.ts';
import type { PlaceNow } from './run.ts';
import type { BedOutlook, Waiting } from './types.ts';

/** What a place is this morning, with the grounds of its working. */
export interface Morning {
  grounds: Grounds;
  figures: Pick<
    BedOutlook,
    'aheadSources' | 'depletionMm' | 'readilyMm' | 'totalMm' | 'stage' | 'stages' | 'gone' | 'spare'
  > &
    ReturnType<PlaceNow['place']['drawn']>;
}

/** A place followed to this morning, with what does not change however the days ahead are tried. */
export interface BedStart {
  now: PlaceNow;
  school: School;
  /** Its roots at each depth they may have; the one that is counted on is `now`. */
  ways: readonly RootWay[];
  ensemble: ForecastEnsemble | null;
  site: Site;
  /** What it is this morning; the same however the days ahead are tried. */
  morning?: Morning;
  /** What waiting until a day would cost today over all members, by that day's place in the series. */
  waitingToday?: Map<number, Waiting>;
}
