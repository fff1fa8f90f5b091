import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/** What was seen to of an alert, how early a household drains its lines, and when a garden was put away. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.addColumn('gardens', 'drains', { type: DataTypes.STRING, allowNull: true });
  await steps.addColumn('gardens', 'archivedAt', { type: DataTypes.DATE, allowNull: true });
  const text = { type: DataTypes.STRING, allowNull: false };
  await steps.createTable('alert_ticks', {
    id: { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true },
    gardenId: {
      type: DataTypes.INTEGER,
      allowNull: false,
      references: { model: 'gardens', key: 'id' },
      onDelete: 'CASCADE',
    },
    code: text,
    act: text,
    from: text,
    until: text,
    badness: { type: DataTypes.DOUBLE, allowNull: false },
    at: { type: DataTypes.DATE, allowNull: false },
    removedAt: { type: DataTypes.DATE, allowNull: true },
  });
  await steps.addIndex('alert_ticks', ['gardenId', 'until']);
}
