import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

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
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.createTable('taps', {
    id: key(),
    gardenId: belongsTo('gardens'),
    name: text(),
    nozzle: text(),
    archivedAt: moment(),
  });
  await steps.addColumn('beds', 'groundOf', belongsTo('beds', true));
  await steps.addColumn('beds', 'tapId', belongsTo('taps', true));
  await steps.createTable('findings', {
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
  await steps.addIndex('findings', ['gardenId', 'bedId']);
  await steps.createTable('drafts', {
    id: key(),
    gardenId: belongsTo('gardens'),
    key: text(),
    body: json(),
    updatedAt: time(),
  });
  await steps.addIndex('drafts', ['gardenId', 'key'], { unique: true });
}
