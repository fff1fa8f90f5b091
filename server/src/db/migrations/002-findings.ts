import { DataTypes, type QueryInterface } from 'sequelize';

const key = () => ({ type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true });
const text = () => ({ type: DataTypes.STRING, allowNull: false });
const textOrNull = () => ({ type: DataTypes.STRING, allowNull: true });
const json = () => ({ type: DataTypes.TEXT, allowNull: false });
const moment = () => ({ type: DataTypes.DATE, allowNull: true });
const time = () => ({ type: DataTypes.DATE, allowNull: false });
const belongsTo = (table: string, allowNull = false) => ({
  type: DataTypes.INTEGER,
  allowNull,
  references: { model: table, key: 'id' },
  onDelete: 'RESTRICT',
});

/** Taps, what tests found out, and tests under way. */
export async function up({ context }: { context: QueryInterface }): Promise<void> {
  await context.createTable('taps', {
    id: key(),
    gardenId: belongsTo('gardens'),
    name: text(),
    nozzle: text(),
    archivedAt: moment(),
  });
  await context.addColumn('beds', 'groundOf', belongsTo('beds', true));
  await context.addColumn('beds', 'tapId', belongsTo('taps', true));
  await context.createTable('findings', {
    id: key(),
    gardenId: belongsTo('gardens'),
    bedId: belongsTo('beds', true),
    tapId: belongsTo('taps', true),
    kind: text(),
    date: text(),
    at: time(),
    method: textOrNull(),
    input: json(),
    note: textOrNull(),
    removedAt: moment(),
  });
  await context.addIndex('findings', ['gardenId', 'bedId']);
  await context.createTable('drafts', {
    id: key(),
    gardenId: belongsTo('gardens'),
    key: text(),
    body: json(),
    updatedAt: time(),
  });
  await context.addIndex('drafts', ['gardenId', 'key'], { unique: true });
}

export async function down({ context }: { context: QueryInterface }): Promise<void> {
  await context.dropTable('drafts');
  await context.dropTable('findings');
  await context.removeColumn('beds', 'tapId');
  await context.removeColumn('beds', 'groundOf');
  await context.dropTable('taps');
}
