import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/** Taps that water all of their beds at once, their stations on a timer, and the taps that feed them. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.addColumn('taps', 'together', { type: DataTypes.BOOLEAN, allowNull: true });
  await steps.addColumn('taps', 'station', { type: DataTypes.INTEGER, allowNull: true });
  await steps.addColumn('taps', 'fromTapId', { type: DataTypes.INTEGER, allowNull: true });
}
