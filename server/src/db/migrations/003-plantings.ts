import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

const textOrNull = () => ({ type: DataTypes.STRING, allowNull: true });
const numberOrNull = () => ({ type: DataTypes.DOUBLE, allowNull: true });
const moment = () => ({ type: DataTypes.DATE, allowNull: true });

/** Several plantings a bed, what a bed is grown for and where it lies, and plants of the gardener's own. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.addColumn('plantings', 'share', {
    type: DataTypes.DOUBLE,
    allowNull: false,
    defaultValue: 1,
  });
  await steps.addColumn('plantings', 'removedAt', moment());
  await steps.addIndex('plantings', ['bedId']);
  await steps.addColumn('beds', 'place', textOrNull());
  await steps.addColumn('beds', 'goal', {
    type: DataTypes.STRING,
    allowNull: false,
    defaultValue: 'steady',
  });
  await steps.addColumn('beds', 'shadeCloth', {
    type: DataTypes.BOOLEAN,
    allowNull: false,
    defaultValue: false,
  });
  await steps.addColumn('beds', 'lengthM', numberOrNull());
  await steps.addColumn('beds', 'widthM', numberOrNull());
  await steps.addColumn('beds', 'notes', { type: DataTypes.TEXT, allowNull: false, defaultValue: '' });
  await steps.addColumn('beds', 'mulchLaidOn', textOrNull());
  await steps.createTable('own_crops', {
    id: { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true },
    gardenId: {
      type: DataTypes.INTEGER,
      allowNull: false,
      references: { model: 'gardens', key: 'id' },
      onDelete: 'RESTRICT',
    },
    likeId: { type: DataTypes.STRING, allowNull: false },
    words: { type: DataTypes.TEXT, allowNull: false },
  });
}
