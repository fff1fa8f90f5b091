import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/**
 * A garden's town, and what its summers and its air are like; the day on which somebody said how wet a bed's ground was; and
 * what was said of days' weather by hand.
 */
export async function up(steps: SchemaSteps): Promise<void> {
  const words = { type: DataTypes.STRING, allowNull: true };
  await steps.addColumn('gardens', 'town', words);
  await steps.addColumn('gardens', 'summers', words);
  await steps.addColumn('gardens', 'air', words);
  await steps.addColumn('beds', 'wetnessOn', words);
  await steps.createTable('said_days', {
    id: { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true },
    gardenId: {
      type: DataTypes.INTEGER,
      allowNull: false,
      references: { model: 'gardens', key: 'id' },
      onDelete: 'CASCADE',
    },
    date: { type: DataTypes.STRING, allowNull: false },
    said: { type: DataTypes.TEXT, allowNull: false },
    at: { type: DataTypes.DATE, allowNull: false },
    removedAt: { type: DataTypes.DATE, allowNull: true },
  });
  await steps.addIndex('said_days', ['gardenId', 'date']);
}
