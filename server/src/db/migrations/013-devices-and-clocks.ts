import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

const WRITTEN = ['events', 'entries', 'pot_entries'] as const;

/**
 * Every entry says which device it was entered on, and when by that device's own clock. The file has an id of its own,
 * which goes with every copy of it. What a weather station last forecast is saved, so that a plan never has to ask for it.
 */
export async function up(steps: SchemaSteps): Promise<void> {
  for (const table of WRITTEN) {
    await steps.addColumn(table, 'deviceId', { type: DataTypes.STRING, allowNull: true });
    await steps.addColumn(table, 'toldAt', { type: DataTypes.DATE, allowNull: true });
    await steps.addColumn(table, 'clockOffsetMs', { type: DataTypes.INTEGER, allowNull: true });
  }
  await steps.createTable('house', { id: { type: DataTypes.STRING, primaryKey: true } });
  await steps.sql(
    'INSERT INTO house (id) SELECT lower(hex(randomblob(12))) WHERE NOT EXISTS (SELECT 1 FROM house)',
  );
  await steps.createTable('forecasts', {
    gardenId: {
      type: DataTypes.INTEGER,
      primaryKey: true,
      references: { model: 'gardens', key: 'id' },
      onDelete: 'CASCADE',
    },
    url: { type: DataTypes.STRING, allowNull: false },
    today: { type: DataTypes.STRING, allowNull: false },
    askedAt: { type: DataTypes.DATE, allowNull: false },
    days: { type: DataTypes.TEXT, allowNull: false },
    trouble: { type: DataTypes.STRING, allowNull: true },
  });
}
