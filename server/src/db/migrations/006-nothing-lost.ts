import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

const integer = () => ({ type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 });
const text = () => ({ type: DataTypes.TEXT, allowNull: false });

/** Acts that are done once however often they are sent, versions of what is edited, imports as one act, one gauge reading a day. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.createTable('acts', {
    key: { type: DataTypes.STRING, primaryKey: true },
    /** What was asked: method, address and a digest of the body. */
    what: text(),
    status: integer(),
    answer: text(),
    at: { type: DataTypes.DATE, allowNull: false },
  });
  await steps.addIndex('acts', ['at']);
  for (const table of ['gardens', 'beds', 'plantings', 'taps'])
    await steps.addColumn(table, 'version', integer());

  await steps.createTable('imports', {
    id: { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true },
    gardenId: {
      type: DataTypes.INTEGER,
      allowNull: false,
      references: { model: 'gardens', key: 'id' },
      onDelete: 'RESTRICT',
    },
    fileName: text(),
    at: { type: DataTypes.DATE, allowNull: false },
    days: integer(),
    removedAt: { type: DataTypes.DATE, allowNull: true },
  });
  // Days of one import lie beside those of another, so that an import can be taken back as a whole. 0 is the station.
  await steps.addColumn('weather_days', 'importId', integer());
  await steps.sql(
    `INSERT INTO imports (gardenId, fileName, at, days)
     SELECT gardenId, 'days imported before', strftime('%Y-%m-%d %H:%M:%f +00:00', 'now'), count(*)
     FROM weather_days WHERE source = 'import' AND importId = 0 GROUP BY gardenId`,
  );
  await steps.sql(
    `UPDATE weather_days SET importId = (SELECT max(id) FROM imports WHERE imports.gardenId = weather_days.gardenId)
     WHERE source = 'import' AND importId = 0`,
  );
  await steps.sql('DROP INDEX IF EXISTS weather_days_garden_id_source_date');
  await steps.addIndex('weather_days', ['gardenId', 'date', 'importId'], { unique: true });

  // Of several readings of one day the latest counted: it stays, the others are marked as taken back.
  await steps.sql(
    `UPDATE events SET removedAt = strftime('%Y-%m-%d %H:%M:%f +00:00', 'now')
     WHERE kind = 'rain' AND removedAt IS NULL AND id NOT IN
       (SELECT max(id) FROM events WHERE kind = 'rain' AND removedAt IS NULL GROUP BY gardenId, date)`,
  );
  await steps.sql(
    `CREATE UNIQUE INDEX IF NOT EXISTS events_one_gauge_a_day ON events (gardenId, date)
     WHERE kind = 'rain' AND removedAt IS NULL`,
  );
}
