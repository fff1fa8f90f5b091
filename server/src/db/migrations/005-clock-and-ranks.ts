import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/** Where the garden lies on the clock, who comes first, and since when a school was chosen. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.addColumn('gardens', 'longitudeDeg', { type: DataTypes.DOUBLE, allowNull: true });
  await steps.addColumn('beds', 'rank', { type: DataTypes.STRING, allowNull: true });
  await steps.addColumn('plantings', 'schoolSince', { type: DataTypes.STRING, allowNull: true });
}
