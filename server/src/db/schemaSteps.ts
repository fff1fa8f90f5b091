import { QueryTypes, type ModelAttributes, type QueryInterface, type Transaction } from 'sequelize';

type Column = Parameters<QueryInterface['addColumn']>[2];
interface Index {
  unique?: boolean;
}

const snake = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

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

  async insert(table: string, rows: Record<string, unknown>[]): Promise<void> {
    if (rows.length > 0) await this.query.bulkInsert(table, rows, { transaction: this.transaction });
  }

  async sql(text: string): Promise<void> {
    await this.query.sequelize.query(text, { transaction: this.transaction });
  }

  all<T extends object>(text: string): Promise<T[]> {
    return this.query.sequelize.query<T>(text, { type: QueryTypes.SELECT, transaction: this.transaction });
  }
}
