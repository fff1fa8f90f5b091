import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

export class Garden extends Model<InferAttributes<Garden>, InferCreationAttributes<Garden>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare latitudeDeg: number;
  declare elevationM: number;
  declare timeZone: string;
  declare units: 'metric' | 'us';
  declare clockMode: 'real' | 'practice';
  declare practiceDate: string | null;
  declare isDemo: CreationOptional<boolean>;
  declare stationUrl: CreationOptional<string | null>;
}

export class Bed extends Model<InferAttributes<Bed>, InferCreationAttributes<Bed>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare position: number;
  declare name: string;
  declare areaM2: number;
  declare textureClass: string;
  declare subsoilClass: string | null;
  declare form: string;
  declare underCover: boolean;
  declare mulchMaterial: string | null;
  declare mulchMm: number | null;
  declare startOn: string;
  declare startWetness: string;
  declare archivedAt: CreationOptional<Date | null>;
}

export class Planting extends Model<InferAttributes<Planting>, InferCreationAttributes<Planting>> {
  declare id: CreationOptional<number>;
  declare bedId: number;
  declare cropId: string;
  declare plantedOn: string;
  declare endedOn: string | null;
  declare method: string | null;
}

export class Delivery extends Model<InferAttributes<Delivery>, InferCreationAttributes<Delivery>> {
  declare id: CreationOptional<number>;
  declare bedId: number;
  declare method: string;
  declare litresPerMinute: number;
  declare measured: boolean;
}

export class WeatherDayRow extends Model<
  InferAttributes<WeatherDayRow>,
  InferCreationAttributes<WeatherDayRow>
> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare date: string;
  /** 'import' or 'station'; an import wins. */
  declare source: string;
  declare tMinC: number;
  declare tMaxC: number;
  declare rainMm: number;
  declare windMs: number | null;
  declare rhMinPct: number | null;
  declare rhMaxPct: number | null;
  declare solarMJ: number | null;
}

/** Append-only facts. Taking one back marks it; undo unmarks it. */
export class EventRow extends Model<InferAttributes<EventRow>, InferCreationAttributes<EventRow>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare bedId: number | null;
  declare kind: 'watering' | 'skip' | 'rain';
  /** Local day at the garden. */
  declare date: string;
  /** When it was written down, UTC. */
  declare at: Date;
  declare litres: number | null;
  declare minutes: number | null;
  declare netMm: number | null;
  declare rainMm: number | null;
  declare reason: string | null;
  declare note: string | null;
  declare removedAt: Date | null;
}

// Sequelize writes into the attribute it is given, so each column needs one of its own.
const text = () => ({ type: DataTypes.STRING, allowNull: false });
const textOrNull = () => ({ type: DataTypes.STRING, allowNull: true });
const number = () => ({ type: DataTypes.DOUBLE, allowNull: false });
const numberOrNull = () => ({ type: DataTypes.DOUBLE, allowNull: true });
const integer = () => ({ type: DataTypes.INTEGER, allowNull: false });
const key = () => ({ type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true });
const flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false });
const moment = () => ({ type: DataTypes.DATE, allowNull: true });

/** Binds the models to a database. */
export function defineModels(sequelize: Sequelize): void {
  const as = (tableName: string) => ({ sequelize, tableName, timestamps: false });
  Garden.init(
    {
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
    },
    as('gardens'),
  );
  Bed.init(
    {
      id: key(),
      gardenId: integer(),
      position: integer(),
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
    },
    as('beds'),
  );
  Planting.init(
    {
      id: key(),
      bedId: integer(),
      cropId: text(),
      plantedOn: text(),
      endedOn: textOrNull(),
      method: textOrNull(),
    },
    as('plantings'),
  );
  Delivery.init(
    { id: key(), bedId: integer(), method: text(), litresPerMinute: number(), measured: flag() },
    as('deliveries'),
  );
  WeatherDayRow.init(
    {
      id: key(),
      gardenId: integer(),
      date: text(),
      source: text(),
      tMinC: number(),
      tMaxC: number(),
      rainMm: number(),
      windMs: numberOrNull(),
      rhMinPct: numberOrNull(),
      rhMaxPct: numberOrNull(),
      solarMJ: numberOrNull(),
    },
    as('weather_days'),
  );
  EventRow.init(
    {
      id: key(),
      gardenId: integer(),
      bedId: { type: DataTypes.INTEGER, allowNull: true },
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
    },
    as('events'),
  );
}
