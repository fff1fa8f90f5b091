import { DataTypes, type QueryInterface } from 'sequelize';

/** Where the garden lies on the clock, who comes first, and since when a school was chosen. */
export async function up({ context }: { context: QueryInterface }): Promise<void> {
  await context.addColumn('gardens', 'longitudeDeg', { type: DataTypes.DOUBLE, allowNull: true });
  await context.addColumn('beds', 'rank', { type: DataTypes.STRING, allowNull: true });
  await context.addColumn('plantings', 'schoolSince', { type: DataTypes.STRING, allowNull: true });
}

export async function down({ context }: { context: QueryInterface }): Promise<void> {
  await context.removeColumn('plantings', 'schoolSince');
  await context.removeColumn('beds', 'rank');
  await context.removeColumn('gardens', 'longitudeDeg');
}
