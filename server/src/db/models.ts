import { archiveColumns, type ArchiveTable } from '@kibble/contract';
import {
  DataTypes,
  Model,
  type ModelAttributes,
  type ModelStatic,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { actingNow } from './acting.ts';
import type { Air, DrainChoice, EntrySort, EntrySource, SubjectKind, Summers } from '@kibble/core';

export class Garden extends Model<InferAttributes<Garden>, InferCreationAttributes<Garden>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare latitudeDeg: number;
  declare elevationM: number;
  declare longitudeDeg: CreationOptional<number | null>;
  declare timeZone: string;
  declare units: 'metric' | 'us';
  declare clockMode: 'real' | 'practice';
  declare practiceDate: string | null;
  declare isDemo: CreationOptional<boolean>;
  declare stationUrl: CreationOptional<string | null>;
  /** The town it lies near, in words; what its summers and its air are like. */
  declare town: CreationOptional<string | null>;
  declare summers: CreationOptional<Summers | null>;
  declare air: CreationOptional<Air | null>;
  /** Kilometres to the nearest shore; null where nobody measured it. */
  declare coastKm: CreationOptional<number | null>;
  /** JSON of the core's `KnownClimate`: what the gardener knows of the usual year there. */
  declare climateKnown: CreationOptional<string | null>;
  /** How early hoses and lines are drained. */
  declare drains: CreationOptional<DrainChoice | null>;
  declare archivedAt: CreationOptional<Date | null>;
  /** JSON of the contract's `gardenLimits`. */
  declare limits: CreationOptional<string>;
  /** Counts the changes: who changes it says which state they saw. */
  declare version: CreationOptional<number>;
}

export class Bed extends Model<InferAttributes<Bed>, InferCreationAttributes<Bed>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare position: number;
  declare name: string;
  declare startOn: string;
  declare startWetness: string;
  /** The day on which the ground was so; null for its first day. */
  declare wetnessOn: CreationOptional<string | null>;
  declare archivedAt: CreationOptional<Date | null>;
  /** The ground it lies on, alone or with others. */
  declare groundId: number;
  /** What kind of place it is. */
  declare kind: CreationOptional<string>;
  /** The gardener's own name for a part of the garden. */
  declare place: CreationOptional<string | null>;
  declare rank: CreationOptional<string | null>;
  declare lengthM: CreationOptional<number | null>;
  declare widthM: CreationOptional<number | null>;
  declare notes: CreationOptional<string>;
  /** Counts the changes: who changes it says which state they saw. */
  declare version: CreationOptional<number>;
}

/** A pot, planter or tray. What of it may become another lies in the log, each with the day from which it holds. */
export class PotRow extends Model<InferAttributes<PotRow>, InferCreationAttributes<PotRow>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare position: CreationOptional<number>;
  declare kind: string;
  declare name: string;
  declare startOn: string;
  declare startWetness: string;
  declare plantings: string;
  declare notes: CreationOptional<string>;
  declare fromBedId: CreationOptional<number | null>;
  declare version: CreationOptional<number>;
  declare archivedAt: CreationOptional<Date | null>;
}

/** Something under way that goes by the clock or is counted. */
export class SequenceRow extends Model<InferAttributes<SequenceRow>, InferCreationAttributes<SequenceRow>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare kind: string;
  declare input: string;
  declare step: CreationOptional<number>;
  declare count: CreationOptional<number>;
  declare startedAt: Date;
  declare stepAt: Date;
  declare endedAt: CreationOptional<Date | null>;
}

/** A plant of the gardener's own: like one of the catalogue, with some numbers changed. */
export class OwnCrop extends Model<InferAttributes<OwnCrop>, InferCreationAttributes<OwnCrop>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare likeId: string;
  /** JSON of the core's `OwnCropWords`. */
  declare words: string;
}

export class Tap extends Model<InferAttributes<Tap>, InferCreationAttributes<Tap>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare name: string;
  declare nozzle: string;
  /** Where its water comes from, and the most that gives in a day. */
  declare source: CreationOptional<string>;
  declare litresPerDay: CreationOptional<number | null>;
  /** It is a zone; its station on a timer; the tap that feeds it. */
  declare together: CreationOptional<boolean | null>;
  declare station: CreationOptional<number | null>;
  declare fromTapId: CreationOptional<number | null>;
  declare archivedAt: CreationOptional<Date | null>;
  /** Counts the changes: who changes it says which state they saw. */
  declare version: CreationOptional<number>;
}

/** The ground under one bed or several, as the gardener told it. */
export class Ground extends Model<InferAttributes<Ground>, InferCreationAttributes<Ground>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare textureClass: string;
  declare subsoilClass: string | null;
}

/** An entry of the log: see the core's `Entry`. */
export class EntryRow extends Model<InferAttributes<EntryRow>, InferCreationAttributes<EntryRow>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare subjectKind: SubjectKind;
  declare subjectId: number;
  /** The bed on which a reading of a ground or a tap was made. */
  declare bedId: CreationOptional<number | null>;
  declare sort: EntrySort;
  declare kind: string;
  declare on: string;
  declare hour: CreationOptional<number | null>;
  declare at: Date;
  /** Format of the body: see the contract's `stored`. */
  declare version: number;
  /** JSON of the core's `EntryBody`. */
  declare body: string;
  /** How the bed was watered then. */
  declare method: CreationOptional<string | null>;
  declare note: CreationOptional<string | null>;
  /** Name and id of the device it was entered on; null at this computer itself. */
  declare by: CreationOptional<string | null>;
  declare deviceId: CreationOptional<string | null>;
  /** When that was by the device's own clock, and how far the server's clock was ahead of it, ms. */
  declare enteredAt: CreationOptional<Date | null>;
  declare clockOffsetMs: CreationOptional<number | null>;
  declare source: CreationOptional<EntrySource>;
  declare removedAt: CreationOptional<Date | null>;
  /** Id of the entry that took its place. */
  declare supersededBy: CreationOptional<number | null>;
}

/** Which number an entry had before everything became one log (015): phones and open pages may still call it so. */
export class EntryNumberRow extends Model<
  InferAttributes<EntryNumberRow>,
  InferCreationAttributes<EntryNumberRow>
> {
  declare id: CreationOptional<number>;
  declare oldTable: string;
  declare oldId: number;
  declare entryId: number;
}

/** The one row of the file's own id: it goes with every copy. */
export class HouseRow extends Model<InferAttributes<HouseRow>, InferCreationAttributes<HouseRow>> {
  declare id: string;
}

/** What a garden's weather station last forecast. It can be asked again: no archive holds it. */
export class ForecastRow extends Model<InferAttributes<ForecastRow>, InferCreationAttributes<ForecastRow>> {
  declare gardenId: number;
  /** The address that was asked, and the garden's day for which. */
  declare url: string;
  declare today: string;
  declare askedAt: Date;
  /** JSON of the core's `ForecastDay`s. */
  declare days: string;
  /** Why the last answer was of no use; null when it was. */
  declare trouble: string | null;
}

/** Round days proposed to a garden, kept until Monday. They can be proposed anew: no archive holds them. */
export class ProposedRoundsRow extends Model<
  InferAttributes<ProposedRoundsRow>,
  InferCreationAttributes<ProposedRoundsRow>
> {
  declare gardenId: number;
  /** JSON of the core's `ProposedRounds`. */
  declare body: string;
}

/** A tap under way, from the moment it was opened to when somebody, or its own timer, has shut it. */
export class RunRow extends Model<InferAttributes<RunRow>, InferCreationAttributes<RunRow>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare bedId: number;
  declare startedAt: Date;
  declare minutes: number;
  declare litresPerMinute: number;
  declare runs: number;
  declare run: number;
  declare runMinutes: number;
  declare soakMinutes: number;
  declare ranMinutes: number;
  declare resting: boolean;
  declare secondsEach: number | null;
  declare selfStops: boolean;
}

/** A test under way: what was typed so far, and moments at which a clock was started. */
export class Draft extends Model<InferAttributes<Draft>, InferCreationAttributes<Draft>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare key: string;
  declare body: string;
  declare updatedAt: Date;
}

export class Planting extends Model<InferAttributes<Planting>, InferCreationAttributes<Planting>> {
  declare id: CreationOptional<number>;
  declare bedId: number;
  declare cropId: string;
  declare plantedOn: string;
  declare endedOn: string | null;
  declare method: string | null;
  /** Share of the bed, 0–1. */
  declare share: CreationOptional<number>;
  declare school: CreationOptional<string | null>;
  declare schoolSince: CreationOptional<string | null>;
  declare removedAt: CreationOptional<Date | null>;
  /** Counts the changes: who changes it says which state they saw. */
  declare version: CreationOptional<number>;
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
  /** The import it came with; 0 for the station. */
  declare importId: CreationOptional<number>;
  declare tMinC: number;
  declare tMaxC: number;
  declare rainMm: number;
  declare windMs: number | null;
  declare rhMinPct: number | null;
  declare rhMaxPct: number | null;
  declare solarMJ: number | null;
}

/** A file of weather that was taken in: one act, which can be taken back as one. */
export class ImportRow extends Model<InferAttributes<ImportRow>, InferCreationAttributes<ImportRow>> {
  declare id: CreationOptional<number>;
  declare gardenId: number;
  declare fileName: string;
  declare at: Date;
  declare days: number;
  declare removedAt: CreationOptional<Date | null>;
}

/** What was done under a key that the page made for it: sent again, it is answered again, not done again. */
export class Act extends Model<InferAttributes<Act>, InferCreationAttributes<Act>> {
  declare key: string;
  /** Method, address and a digest of the body. */
  declare what: string;
  declare status: number;
  /** JSON of the answer. */
  declare answer: string;
  declare at: Date;
}

/** What a column is in SQLite, by its kind in the archive's tables. */
const TYPES = {
  text: DataTypes.STRING,
  house: DataTypes.STRING,
  day: DataTypes.STRING,
  zone: DataTypes.STRING,
  json: DataTypes.TEXT,
  number: DataTypes.DOUBLE,
  whole: DataTypes.INTEGER,
  flag: DataTypes.BOOLEAN,
  moment: DataTypes.DATE,
} as const;

/** What stands in a column where nothing is said; who enters a row, and when by that device's clock, is what is being done just now. */
const DEFAULTS: Readonly<Partial<Record<ArchiveTable, Readonly<Record<string, unknown>>>>> = {
  gardens: { limits: '{}' },
  beds: { kind: 'ground', notes: '' },
  taps: { source: 'mains' },
  plantings: { share: 1 },
  entries: {
    version: 1,
    source: 'person',
    by: () => actingNow()?.by ?? null,
    deviceId: () => actingNow()?.deviceId ?? null,
    enteredAt: () => actingNow()?.clock?.at ?? null,
    clockOffsetMs: () => actingNow()?.clock?.offsetMs ?? null,
  },
  weather_days: { importId: 0 },
  pots: { position: 0, notes: '' },
  sequences: { step: 0, count: 0 },
};
/** Tables whose rows have a name of their own instead of a number. */
const NAMED_BY: Readonly<Partial<Record<ArchiveTable, string>>> = { acts: 'key', house: 'id' };

/** The columns of a table as the models have them: those of the archive, which are written down once (contract). */
function attributesOf(table: ArchiveTable): ModelAttributes {
  const defaults = DEFAULTS[table] ?? {};
  return Object.fromEntries(
    Object.entries(archiveColumns(table)).map(([name, { kind, nullable }]) => {
      if (name === 'id' && kind === 'whole')
        return [name, { type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true }];
      const usual = kind === 'flag' ? false : name === 'version' ? 0 : undefined;
      const defaultValue = name in defaults ? defaults[name] : usual;
      return [
        name,
        {
          type: TYPES[kind],
          allowNull: nullable === true,
          ...(NAMED_BY[table] === name ? { primaryKey: true } : {}),
          ...(defaultValue === undefined ? {} : { defaultValue }),
        },
      ];
    }),
  );
}

/** The models of what an archive holds, by their tables. */
const MODELS: readonly (readonly [model: ModelStatic<Model>, table: ArchiveTable])[] = [
  [Garden, 'gardens'],
  [Bed, 'beds'],
  [Tap, 'taps'],
  [Ground, 'grounds'],
  [EntryRow, 'entries'],
  [EntryNumberRow, 'entry_numbers'],
  [RunRow, 'runs'],
  [Draft, 'drafts'],
  [Planting, 'plantings'],
  [OwnCrop, 'own_crops'],
  [WeatherDayRow, 'weather_days'],
  [ImportRow, 'imports'],
  [PotRow, 'pots'],
  [SequenceRow, 'sequences'],
  [HouseRow, 'house'],
  [Act, 'acts'],
];

// Sequelize writes into the attribute it is given, so each column needs one of its own.
const longText = () => ({ type: DataTypes.TEXT, allowNull: false });
const text = () => ({ type: DataTypes.STRING, allowNull: false });

/** Binds the models to a database. */
export function defineModels(sequelize: Sequelize): void {
  const as = (tableName: string) => ({ sequelize, tableName, timestamps: false });
  for (const [model, table] of MODELS) model.init(attributesOf(table), as(table));
  // What can be worked out or asked for again is in no archive.
  ForecastRow.init(
    {
      gardenId: { type: DataTypes.INTEGER, primaryKey: true },
      url: text(),
      today: text(),
      askedAt: { type: DataTypes.DATE, allowNull: false },
      days: longText(),
      trouble: { type: DataTypes.STRING, allowNull: true },
    },
    as('forecasts'),
  );
  ProposedRoundsRow.init(
    { gardenId: { type: DataTypes.INTEGER, primaryKey: true }, body: longText() },
    as('kept_rounds'),
  );
}
