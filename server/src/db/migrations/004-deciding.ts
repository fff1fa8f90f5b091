import { DataTypes, type QueryInterface } from 'sequelize';

/** The school of a planting and the limits of a garden. */
export async function up({ context }: { context: QueryInterface }): Promise<void> {
  await context.addColumn('plantings', 'school', { type: DataTypes.STRING, allowNull: true });
  await context.addColumn('gardens', 'limits', {
    type: DataTypes.TEXT,
    allowNull: false,
    defaultValue: '{}',
  });
}

export async function down({ context }: { context: QueryInterface }): Promise<void> {
  await context.removeColumn('gardens', 'limits');
  await context.removeColumn('plantings', 'school');
}
