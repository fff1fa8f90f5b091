import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/** On which device a watering was written down, so that two who water see who was there. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.addColumn('events', 'by', { type: DataTypes.STRING, allowNull: true });
}
