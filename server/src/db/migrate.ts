import type { ModelAttributes, QueryInterface, Sequelize, Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import { Umzug } from 'umzug';
import * as firstTables from './migrations/001-first-tables.ts';
import * as findings from './migrations/002-findings.ts';
import * as plantings from './migrations/003-plantings.ts';
import * as deciding from './migrations/004-deciding.ts';
import * as clockAndRanks from './migrations/005-clock-and-ranks.ts';
import * as nothingLost from './migrations/006-nothing-lost.ts';
import * as factsThatStay from './migrations/007-facts-that-stay.ts';

/** Every migration, oldest first. A number is given once and never used again. */
const MIGRATIONS = [
  { name: '001-first-tables', ...firstTables },
  { name: '002-findings', ...findings },
  { name: '003-plantings', ...plantings },
  { name: '004-deciding', ...deciding },
  { name: '005-clock-and-ranks', ...clockAndRanks },
  { name: '006-nothing-lost', ...nothingLost },
  { name: '007-facts-that-stay', ...factsThatStay },
];
export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map(({ name }) => name);
export const LATEST = MIGRATION_NAMES.at(-1) as string;

type Column = Parameters<QueryInterface['addColumn']>[2];
interface Index {
  unique?: boolean;
}

/**
 * The steps of one migration, all in its transaction. A step whose work is there already is passed over: a file that
 * was cut short in the middle of a migration, before these had transactions, is taken up where it stands.
 */
export class SchemaSteps {
  private readonly query: QueryInterface;
  private readonly transaction: Transaction;

  constructor(query: QueryInterface, transaction: Transaction) {
    this.query = query;
    this.transaction = transaction;
  }

  async createTable(name: string, columns: ModelAttributes): Promise<void> {
    await this.query.createTable(name, columns, { transaction: this.transaction });
  }

  async addColumn(table: string, column: string, type: Column): Promise<void> {
    const there = await this.all<{ name: string }>(`PRAGMA table_info(${table})`);
    if (there.some(({ name }) => name === column)) return;
    await this.query.addColumn(table, column, type, { transaction: this.transaction });
  }

  async addIndex(table: string, fields: string[], { unique = false }: Index = {}): Promise<void> {
    const there = await this.all<{ name: string }>(`PRAGMA index_list(${table})`);
    const name = `${table}_${fields.map(snake).join('_')}`;
    if (there.some((index) => index.name === name)) return;
    await this.query.addIndex(table, fields, { unique, name, transaction: this.transaction });
  }

  async sql(text: string): Promise<void> {
    await this.query.sequelize.query(text, { transaction: this.transaction });
  }

  all<T extends object>(text: string): Promise<T[]> {
    return this.query.sequelize.query<T>(text, { type: QueryTypes.SELECT, transaction: this.transaction });
  }
}

const snake = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

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
