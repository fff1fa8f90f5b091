import { DataTypes } from 'sequelize';
import type { SchemaSteps } from '../schemaSteps.ts';

const key = () => ({ type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true });
const text = () => ({ type: DataTypes.STRING, allowNull: false });
const textOrNull = () => ({ type: DataTypes.STRING, allowNull: true });
const number = () => ({ type: DataTypes.DOUBLE, allowNull: false });
const numberOrNull = () => ({ type: DataTypes.DOUBLE, allowNull: true });
const flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false });
const moment = () => ({ type: DataTypes.DATE, allowNull: true });
const belongsTo = (table: string, allowNull = false) => ({
  type: DataTypes.INTEGER,
  allowNull,
  references: { model: table, key: 'id' },
  onDelete: 'RESTRICT',
});

/** Gardens, beds, plantings, deliveries, weather days and events. */
export async function up(steps: SchemaSteps): Promise<void> {
  await steps.createTable('gardens', {
    id: key(),
    name: text(),
    latitudeDeg: number(),
    elevationM: number(),
    timeZone: text(),
    units: text(),
    clockMode: text(),
    practiceDate: textOrNull(),
    isDemo: flag(),
    stationUrl: textOrNull(),
  });
  await steps.createTable('beds', {
    id: key(),
    gardenId: belongsTo('gardens'),
    position: { type: DataTypes.INTEGER, allowNull: false },
    name: text(),
    areaM2: number(),
    textureClass: text(),
    subsoilClass: textOrNull(),
    form: text(),
    underCover: flag(),
    mulchMaterial: textOrNull(),
    mulchMm: numberOrNull(),
    startOn: text(),
    startWetness: text(),
    archivedAt: moment(),
  });
  await steps.createTable('plantings', {
    id: key(),
    bedId: belongsTo('beds'),
    cropId: text(),
    plantedOn: text(),
    endedOn: textOrNull(),
    method: textOrNull(),
  });
  await steps.createTable('deliveries', {
    id: key(),
    bedId: belongsTo('beds'),
    method: text(),
    litresPerMinute: number(),
    measured: flag(),
  });
  await steps.createTable('weather_days', {
    id: key(),
    gardenId: belongsTo('gardens'),
    date: text(),
    source: text(),
    tMinC: number(),
    tMaxC: number(),
    rainMm: number(),
    windMs: numberOrNull(),
    rhMinPct: numberOrNull(),
    rhMaxPct: numberOrNull(),
    solarMJ: numberOrNull(),
  });
  await steps.addIndex('weather_days', ['gardenId', 'source', 'date'], { unique: true });
  await steps.createTable('events', {
    id: key(),
    gardenId: belongsTo('gardens'),
    bedId: belongsTo('beds', true),
    kind: text(),
    date: text(),
    at: { type: DataTypes.DATE, allowNull: false },
    litres: numberOrNull(),
    minutes: numberOrNull(),
    netMm: numberOrNull(),
    rainMm: numberOrNull(),
    reason: textOrNull(),
    note: textOrNull(),
    removedAt: moment(),
  });
  await steps.addIndex('events', ['gardenId', 'date']);
  await steps.addIndex('events', ['bedId', 'date']);
}
