import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { defineModels } from './models.ts';
import * as firstTables from './migrations/001-first-tables.ts';
import * as findings from './migrations/002-findings.ts';
import * as deciding from './migrations/004-deciding.ts';
import * as plantings from './migrations/003-plantings.ts';
import * as clockAndRanks from './migrations/005-clock-and-ranks.ts';

/** Every migration, oldest first. A number is given once and never used again. */
const MIGRATIONS = [
  { name: '001-first-tables', ...firstTables },
  { name: '002-findings', ...findings },
  { name: '003-plantings', ...plantings },
  { name: '004-deciding', ...deciding },
  { name: '005-clock-and-ranks', ...clockAndRanks },
];

/** Opens the file (made when missing), in WAL mode with foreign keys on, and brings its tables up to date. */
export async function openDatabase(file: string): Promise<Sequelize> {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  await sequelize.query('PRAGMA foreign_keys = ON');
  defineModels(sequelize);
  const umzug = new Umzug({
    migrations: MIGRATIONS,
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  await umzug.up();
  return sequelize;
}
