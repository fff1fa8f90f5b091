import { DataTypes, type QueryInterface } from 'sequelize';

const textOrNull = () => ({ type: DataTypes.STRING, allowNull: true });
const numberOrNull = () => ({ type: DataTypes.DOUBLE, allowNull: true });
const moment = () => ({ type: DataTypes.DATE, allowNull: true });

/** Several plantings a bed, what a bed is grown for and where it lies, and plants of the gardener's own. */
export async function up({ context }: { context: QueryInterface }): Promise<void> {
  await context.addColumn('plantings', 'share', {
    type: DataTypes.DOUBLE,
    allowNull: false,
    defaultValue: 1,
  });
  await context.addColumn('plantings', 'removedAt', moment());
  await context.addIndex('plantings', ['bedId']);
  await context.addColumn('beds', 'place', textOrNull());
  await context.addColumn('beds', 'goal', {
    type: DataTypes.STRING,
    allowNull: false,
    defaultValue: 'steady',
  });
  await context.addColumn('beds', 'shadeCloth', {
    type: DataTypes.BOOLEAN,
    allowNull: false,
    defaultValue: false,
  });
  await context.addColumn('beds', 'lengthM', numberOrNull());
  await context.addColumn('beds', 'widthM', numberOrNull());
  await context.addColumn('beds', 'notes', { type: DataTypes.TEXT, allowNull: false, defaultValue: '' });
  await context.addColumn('beds', 'mulchLaidOn', textOrNull());
  await context.createTable('own_crops', {
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

export async function down({ context }: { context: QueryInterface }): Promise<void> {
  await context.dropTable('own_crops');
  for (const column of ['place', 'goal', 'shadeCloth', 'lengthM', 'widthM', 'notes', 'mulchLaidOn'])
    await context.removeColumn('beds', column);
  await context.removeColumn('plantings', 'removedAt');
  await context.removeColumn('plantings', 'share');
}
