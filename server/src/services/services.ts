import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import type { WallClock } from './clock.ts';

/** What routes and services are given. */
export interface Services {
  sequelize: Sequelize;
  wall: WallClock;
  log: Logger;
}
