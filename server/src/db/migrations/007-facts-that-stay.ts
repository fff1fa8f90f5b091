import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

const key = { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true };
const text = { type: DataTypes.STRING, allowNull: false };
const textOrNull = { type: DataTypes.STRING, allowNull: true };
const longText = { type: DataTypes.TEXT, allowNull: false };
const number = { type: DataTypes.DOUBLE, allowNull: false };
const whole = { type: DataTypes.INTEGER, allowNull: false };
const flag = { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false };
const moment = { type: DataTypes.DATE, allowNull: false };
const of = (table: string, allowNull = true) => ({
  type: DataTypes.INTEGER,
  allowNull,
  references: { model: table, key: 'id' },
  onDelete: 'RESTRICT',
});

/** What of a bed may change becomes dated, from the bed's first day on. */
const SETTINGS: readonly (readonly [kind: string, json: string])[] = [
  ['area', `json_object('value', areaM2)`],
  ['form', `json_object('value', form)`],
  ['cover', `json_object('value', json(CASE WHEN underCover THEN 'true' ELSE 'false' END))`],
  ['shade', `json_object('value', json(CASE WHEN shadeCloth THEN 'true' ELSE 'false' END))`],
  [
    'mulched',
    `json_object('value', CASE WHEN mulchMaterial IS NULL OR COALESCE(mulchMm, 0) = 0 THEN NULL
       WHEN mulchLaidOn IS NULL THEN json_object('material', mulchMaterial, 'depthMm', mulchMm)
       ELSE json_object('material', mulchMaterial, 'depthMm', mulchMm, 'laidOn', mulchLaidOn) END)`,
  ],
  ['goal', `json_object('value', goal)`],
];

/** Columns of a bed that are dated or told of its ground now. */
const LEAVING = [
  'areaM2',
  'form',
  'underCover',
  'mulchMaterial',
  'mulchMm',
  'mulchLaidOn',
  'goal',
  'shadeCloth',
  'tapId',
  'groundOf',
  'textureClass',
  'subsoilClass',
];

const SORTS = `CASE
  WHEN kind IN ('depth', 'look', 'stage', 'stand', 'mulch', 'wilt') THEN 'observation'
  WHEN kind IN ('toughen', 'plan') THEN 'decision'
  WHEN kind IN ('amended', 'changed') THEN 'change'
  ELSE 'reading' END`;

/**
 * Facts that stay: what of a bed may change is an entry with the day from which it holds; waterings keep what was told;
 * ground is a thing of its own; a running tap is a row. What was there holds from its bed's first day, and waterings
 * keep the depth they had, so that every figure stays as it was.
 */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.createTable('grounds', {
    id: key,
    gardenId: of('gardens', false),
    textureClass: text,
    subsoilClass: textOrNull,
  });
  await steps.sql(
    `INSERT INTO grounds (id, gardenId, textureClass, subsoilClass)
       SELECT id, gardenId, textureClass, subsoilClass FROM beds WHERE groundOf IS NULL`,
  );
  await steps.addColumn('beds', 'groundId', of('grounds'));
  await steps.sql('UPDATE beds SET groundId = COALESCE(groundOf, id)');

  await steps.createTable('entries', {
    id: key,
    gardenId: of('gardens', false),
    bedId: of('beds'),
    tapId: of('taps'),
    groundId: of('grounds'),
    sort: text,
    kind: text,
    date: text,
    at: moment,
    version: { ...whole, defaultValue: 1 },
    method: textOrNull,
    input: longText,
    note: textOrNull,
    removedAt: { type: DataTypes.DATE, allowNull: true },
    /** Of a setting whose place another took: that one. */
    replacedBy: { type: DataTypes.INTEGER, allowNull: true },
  });
  await steps.sql(
    `INSERT INTO entries (id, gardenId, bedId, tapId, groundId, sort, kind, date, at, version, method, input, note, removedAt)
       SELECT f.id, f.gardenId, f.bedId, f.tapId,
         CASE WHEN f.kind IN ('feel', 'jar', 'dig', 'hole', 'pot', 'dye', 'organic') THEN b.groundId END,
         ${SORTS.replaceAll('kind', 'f.kind')}, f.kind, f.date, f.at, 1, f.method, f.input, f.note, f.removedAt
       FROM findings f LEFT JOIN beds b ON b.id = f.bedId`,
  );
  await steps.sql('DROP TABLE findings');
  const setting = (kind: string, json: string, from: string, tapId = 'NULL'): Promise<void> =>
    steps.sql(
      `INSERT INTO entries (gardenId, bedId, tapId, sort, kind, date, at, version, input)
       SELECT beds.gardenId, beds.id, ${tapId}, 'setting', '${kind}', beds.startOn,
         beds.startOn || ' 00:00:00.000 +00:00', 1, ${json} FROM ${from}`,
    );
  for (const [kind, json] of SETTINGS) await setting(kind, json, 'beds');
  await setting('tap', `json_object('value', beds.tapId)`, 'beds', 'beds.tapId');
  await setting(
    'watered',
    `json_object('value', json_object('method', d.method, 'litresPerMinute', d.litresPerMinute,
         'measured', json(CASE WHEN d.measured THEN 'true' ELSE 'false' END)))`,
    'deliveries d JOIN beds ON beds.id = d.bedId',
  );
  await steps.sql('DROP TABLE deliveries');
  for (const column of LEAVING) await steps.sql(`ALTER TABLE beds DROP COLUMN "${column}"`);

  await steps.sql('ALTER TABLE events RENAME COLUMN "netMm" TO "depthMm"');

  await steps.createTable('runs', {
    id: key,
    gardenId: of('gardens', false),
    bedId: { ...of('beds', false), unique: true },
    startedAt: moment,
    minutes: number,
    litresPerMinute: number,
    runs: whole,
    run: whole,
    runMinutes: number,
    soakMinutes: number,
    ranMinutes: number,
    resting: flag,
    secondsEach: { type: DataTypes.DOUBLE, allowNull: true },
    selfStops: flag,
  });
  await steps.sql(
    `INSERT INTO runs (gardenId, bedId, startedAt, minutes, litresPerMinute, runs, run, runMinutes, soakMinutes, ranMinutes, resting, secondsEach, selfStops)
       SELECT d.gardenId, b.id,
         strftime('%Y-%m-%d %H:%M:%f', json_extract(d.body, '$.startedAt') / 1000.0, 'unixepoch') || ' +00:00',
         json_extract(d.body, '$.minutes'), COALESCE(json_extract(d.body, '$.litresPerMinute'), 1),
         COALESCE(json_extract(d.body, '$.runs'), 1), COALESCE(json_extract(d.body, '$.run'), 1),
         COALESCE(json_extract(d.body, '$.runMinutes'), json_extract(d.body, '$.minutes')),
         COALESCE(json_extract(d.body, '$.soakMinutes'), 0), COALESCE(json_extract(d.body, '$.ranMinutes'), 0),
         COALESCE(json_extract(d.body, '$.resting'), 0), json_extract(d.body, '$.secondsEach'),
         COALESCE(json_extract(d.body, '$.selfStops'), 0)
       FROM drafts d JOIN beds b ON d.key = 'tap-runs:bed-' || b.id
       WHERE json_valid(d.body) AND json_type(d.body, '$.startedAt') IN ('integer', 'real')
         AND json_type(d.body, '$.minutes') IN ('integer', 'real')`,
  );
  await steps.sql(`DELETE FROM drafts WHERE key LIKE 'tap-runs:%'`);

  // What kind of place a bed is, and where a tap's water comes from.
  await steps.addColumn('beds', 'kind', { ...text, defaultValue: 'ground' });
  await steps.addColumn('taps', 'source', { ...text, defaultValue: 'mains' });
  await steps.addColumn('taps', 'litresPerDay', { type: DataTypes.DOUBLE, allowNull: true });

  await steps.addIndex('grounds', ['gardenId']);
  await steps.addIndex('entries', ['gardenId', 'date']);
  await steps.addIndex('entries', ['bedId']);
  await steps.addIndex('entries', ['tapId']);
  await steps.addIndex('entries', ['groundId']);
  await steps.addIndex('events', ['bedId', 'date']);
  await steps.addIndex('events', ['gardenId', 'date']);
  await steps.addIndex('beds', ['gardenId']);
  await steps.addIndex('beds', ['groundId']);
  await steps.addIndex('plantings', ['bedId']);
  await steps.addIndex('taps', ['gardenId']);
  await steps.addIndex('own_crops', ['gardenId']);
  await steps.addIndex('imports', ['gardenId']);
  await steps.addIndex('runs', ['gardenId']);
}
