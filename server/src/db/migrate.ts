import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';
import { Umzug } from 'umzug';
import * as firstTables from './migrations/001-first-tables.ts';
import * as findings from './migrations/002-findings.ts';
import * as plantings from './migrations/003-plantings.ts';
import * as deciding from './migrations/004-deciding.ts';
import * as clockAndRanks from './migrations/005-clock-and-ranks.ts';
import * as nothingLost from './migrations/006-nothing-lost.ts';
import * as factsThatStay from './migrations/007-facts-that-stay.ts';
import * as fewestRounds from './migrations/008-fewest-rounds.ts';
import * as ownWeather from './migrations/009-own-weather.ts';
import * as seenTo from './migrations/010-seen-to.ts';
import * as pots from './migrations/011-pots.ts';
import * as who from './migrations/012-who.ts';
import * as devicesAndClocks from './migrations/013-devices-and-clocks.ts';
import * as schoolsNamedAnew from './migrations/014-schools-named-anew.ts';
import * as oneLog from './migrations/015-one-log.ts';
import * as oneLogAlone from './migrations/016-one-log-alone.ts';
import * as potsSince from './migrations/017-pots-since.ts';
import * as climate from './migrations/018-climate.ts';
import * as zones from './migrations/019-zones.ts';
import { SchemaSteps } from './schemaSteps.ts';

/** Every migration, oldest first. A number is given once and never used again. */
const MIGRATIONS = [
  { name: '001-first-tables', ...firstTables },
  { name: '002-findings', ...findings },
  { name: '003-plantings', ...plantings },
  { name: '004-deciding', ...deciding },
  { name: '005-clock-and-ranks', ...clockAndRanks },
  { name: '006-nothing-lost', ...nothingLost },
  { name: '007-facts-that-stay', ...factsThatStay },
  { name: '008-fewest-rounds', ...fewestRounds },
  { name: '009-own-weather', ...ownWeather },
  { name: '010-seen-to', ...seenTo },
  { name: '011-pots', ...pots },
  { name: '012-who', ...who },
  { name: '013-devices-and-clocks', ...devicesAndClocks },
  { name: '014-schools-named-anew', ...schoolsNamedAnew },
  { name: '015-one-log', ...oneLog },
  { name: '016-one-log-alone', ...oneLogAlone },
  { name: '017-pots-since', ...potsSince },
  { name: '018-climate', ...climate },
  { name: '019-zones', ...zones },
];
export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map(({ name }) => name);
export const LATEST = MIGRATION_NAMES.at(-1) as string;

/** Brings the tables up to date, or to the state of an earlier migration: each and the note that it was made stand or fall together. */
export async function migrate(sequelize: Sequelize, to?: string): Promise<void> {
  const query = sequelize.getQueryInterface();
  await sequelize.query(
    'CREATE TABLE IF NOT EXISTS SequelizeMeta (name VARCHAR(255) NOT NULL UNIQUE PRIMARY KEY)',
  );
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up }) => ({
      name,
      up: () =>
        sequelize.transaction(async (transaction) => {
          await up(new SchemaSteps(query, transaction));
          await sequelize.query('INSERT INTO SequelizeMeta (name) VALUES (?)', {
            replacements: [name],
            transaction,
          });
        }),
    })),
    storage: {
      // Noted by the migration itself, in its own transaction.
      logMigration: async () => undefined,
      unlogMigration: async () => undefined,
      executed: async () =>
        (
          await sequelize.query<{ name: string }>('SELECT name FROM SequelizeMeta ORDER BY name', {
            type: QueryTypes.SELECT,
          })
        ).map(({ name }) => name),
    },
    logger: undefined,
  });
  await umzug.up(to === undefined ? {} : { to });
}
