import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/** How far a garden is from the sea, and what its gardener knows of the usual year there. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.addColumn('gardens', 'coastKm', { type: DataTypes.DOUBLE, allowNull: true });
  await steps.addColumn('gardens', 'climateKnown', { type: DataTypes.TEXT, allowNull: true });
}
