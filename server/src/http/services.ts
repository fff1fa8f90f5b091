import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import type { Sharing } from '../sharing/sharing.ts';
import type { Live } from './live.ts';
import type { PracticeHouse } from '../practice/practiceHouse.ts';
import type { PlanStore } from '../planner/planStore.ts';
import type { WeatherFiles } from '../files/weatherFiles.ts';
import type { Towns } from '../towns/towns.ts';
import type { WallClock } from '../services/clock.ts';
import type { Checking } from '../restoring/checking.ts';

/** What routes and services are given. */
export interface Services {
  sequelize: Sequelize;
  wall: WallClock;
  log: Logger;
  plans: PlanStore;
  /** Pages that hear what others change. */
  live: Live;
  /** On the home's network; left out, Kibble answers on this machine alone. */
  sharing?: Sharing;
  /** Files of weather that were brought. */
  files: WeatherFiles;
  /** Where files that are put back are checked. */
  checking: Checking;
  /** Where towns are looked up, and how far they are from the sea; left out, neither is known. */
  towns?: Pick<Towns, 'search' | 'coastKm'>;
  /** The practice garden beside one's own. */
  practice?: Pick<PracticeHouse, 'open'>;
  /** In a practice garden: where one's own is served. */
  home?: string;
  /** Called when a tap was opened. */
  onRuns?: () => void;
  /** Called when gardens came back or are others: their stations may be due. */
  onGardens?: () => void;
  /** Where the data lies, and the demo's weather station; left out where nothing is kept on disk. */
  data?: { file: string; stationUrl: string | null };
}
