import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

/**
 * Round days that were proposed are kept till Monday. Ways of watering that one rule took the place of become that rule: what
 * was kept even is grown for show from the day that was chosen, unless it had a goal of its own.
 */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.createTable('kept_rounds', {
    gardenId: {
      type: DataTypes.INTEGER,
      primaryKey: true,
      references: { model: 'gardens', key: 'id' },
      onDelete: 'CASCADE',
    },
    body: { type: DataTypes.TEXT, allowNull: false },
  });
  await steps.sql(`
    INSERT INTO entries (gardenId, bedId, sort, kind, date, at, version, input)
    SELECT b.gardenId, b.id, 'setting', 'goal', max(b.startOn, coalesce(p.schoolSince, b.startOn)), max(e.at), 1,
      json_object('value', 'show')
    FROM plantings p
    JOIN beds b ON b.id = p.bedId
    JOIN entries e ON e.bedId = b.id AND e.sort = 'setting' AND e.kind = 'goal' AND e.removedAt IS NULL
    WHERE p.school = 'even' AND p.removedAt IS NULL
    GROUP BY b.id
    HAVING count(DISTINCT e.id) = 1 AND json_extract(max(e.input), '$.value') = 'steady'`);
  await steps.sql(`
    UPDATE plantings SET school = NULL, schoolSince = NULL
    WHERE school IN ('deep and seldom', 'even', 'establish')`);
}
