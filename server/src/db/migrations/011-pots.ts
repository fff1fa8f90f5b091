import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/** Pots and trays, what is written down of them, and what is done with them by the clock. */
export async function up(steps: SchemaSteps): Promise<void> {
  const text = { type: DataTypes.STRING, allowNull: false };
  const long = { type: DataTypes.TEXT, allowNull: false };
  const key = { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true };
  const moment = { type: DataTypes.DATE, allowNull: true };
  const whole = { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 };
  const of = (model: string, allowNull = false) => ({
    type: DataTypes.INTEGER,
    allowNull,
    references: { model, key: 'id' },
    onDelete: 'CASCADE',
  });
  await steps.createTable('pots', {
    id: key,
    gardenId: of('gardens'),
    position: whole,
    kind: text,
    name: text,
    spot: text,
    startOn: text,
    startWetness: text,
    facts: long,
    earlier: { ...long, defaultValue: '[]' },
    plantings: long,
    notes: { ...long, defaultValue: '' },
    fromBedId: of('beds', true),
    version: whole,
    archivedAt: moment,
  });
  await steps.addIndex('pots', ['gardenId']);
  await steps.createTable('pot_entries', {
    id: key,
    gardenId: of('gardens'),
    potId: of('pots', true),
    kind: text,
    date: text,
    hour: { type: DataTypes.DOUBLE, allowNull: false },
    at: { type: DataTypes.DATE, allowNull: false },
    version: whole,
    input: long,
    removedAt: moment,
  });
  await steps.addIndex('pot_entries', ['gardenId', 'date']);
  await steps.addIndex('pot_entries', ['potId']);
  await steps.createTable('sequences', {
    id: key,
    gardenId: of('gardens'),
    kind: text,
    input: long,
    step: whole,
    count: whole,
    startedAt: { type: DataTypes.DATE, allowNull: false },
    stepAt: { type: DataTypes.DATE, allowNull: false },
    endedAt: moment,
  });
  await steps.addIndex('sequences', ['gardenId']);
}
