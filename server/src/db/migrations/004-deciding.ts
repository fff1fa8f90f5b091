import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/** The school of a planting and the limits of a garden. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.addColumn('plantings', 'school', { type: DataTypes.STRING, allowNull: true });
  await steps.addColumn('gardens', 'limits', {
    type: DataTypes.TEXT,
    allowNull: false,
    defaultValue: '{}',
  });
}
