import type { UnitSystem } from '@kibble/contract';
import {
  CATALOGUE,
  cropById,
  summersAt,
  TERRAIN_M,
  type Air,
  type KnownClimate,
  type Summers,
  type Terrain,
  type Week,
} from '@kibble/core';
import { addYears, formatISO, parseISO } from 'date-fns';
import type { SetupDraft } from '../../api/setup.ts';
import { figureOf } from '../../words/numberRule.ts';
import type { Unit, Units } from '../../words/units.ts';
import { bedDraft, emptyBed, flowFields, type TypedBed } from '../../places/ground/Fields.tsx';
import { figure, isDay, obeys, type FieldSchemas } from '../../words/formSchema.ts';

/** What there is to water first. */
export const FIRSTS = [
  ['beds', 'beds or a lawn'],
  ['table', 'many beds, from a table'],
  ['pots', 'pots and trays'],
  ['trees', 'trees and shrubs'],
] as const;

/** Everything the setup asks, as it is typed. */
export interface TypedSetup extends TypedBed {
  first: (typeof FIRSTS)[number][0];
  garden: string;
  units: UnitSystem;
  /** The town taken, in words; empty where the place is typed by hand. */
  town: string;
  byHand: boolean;
  latitude: string;
  hemisphere: 'north' | 'south';
  longitude: number | null;
  timeZone: string;
  /** Null until somebody says: then it is as high as the weather stations around. */
  terrain: Terrain | null;
  /** Figures of the usual year that the gardener put right. */
  climateKnown: KnownClimate | null;
  /** Null until somebody says: then it goes by the latitude. */
  summers: Summers | null;
  air: Air | null;
  /** Whether the soil is told by its feel or by its name, or not known yet. */
  soilBy: 'feel' | 'name' | null;
  ball: 'yes' | 'no' | null;
  ribbon: 'none' | 'under 25 mm' | '25 to 50 mm' | 'over 50 mm' | null;
  rub: 'gritty' | 'smooth' | 'neither' | null;
  /** How the ground is now: a word, or watered well on a day. */
  ground: TypedBed['startWetness'] | 'watered' | null;
  wateredOn: string;
  week: Week | null;
  /** Somebody said which crop it is. */
  cropChosen: boolean;
  /** It has stood there for years. */
  longStanding: boolean;
}

/** Today where the garden is. The Swedish form of a date is YYYY-MM-DD. */
export const todayIn = (timeZone: string): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone }).format(new Date());

/** Regions of the world that go by inches and degrees Fahrenheit. */
const US_UNITS = new Set(['US', 'LR', 'MM']);
const usualUnits = (): UnitSystem => {
  try {
    return US_UNITS.has(new Intl.Locale(navigator.language).region ?? '') ? 'us' : 'metric';
  } catch {
    return 'metric';
  }
};

/** Zones of the south are named by their places: where the browser keeps the time of one, so does the garden. */
const SOUTHERN =
  /^(Australia|Antarctica)\/|^Pacific\/(Auckland|Chatham|Fiji|Noumea|Apia|Tongatapu)|^Africa\/(Johannesburg|Maputo|Harare|Lusaka|Windhoek|Gaborone|Maseru|Mbabane)|^America\/(Argentina|Sao_Paulo|Santiago|Montevideo|Asuncion|Lima|La_Paz)/;

export const emptySetup = (): TypedSetup => {
  const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
  return {
    ...emptyBed(todayIn(timeZone)),
    first: 'beds',
    garden: '',
    units: usualUnits(),
    town: '',
    byHand: false,
    latitude: '',
    hemisphere: SOUTHERN.test(timeZone) ? 'south' : 'north',
    longitude: null,
    timeZone,
    terrain: null,
    climateKnown: null,
    summers: null,
    air: null,
    soilBy: null,
    ball: null,
    ribbon: null,
    rub: null,
    ground: null,
    wateredOn: todayIn(timeZone),
    week: null,
    cropChosen: false,
    longStanding: false,
  };
};

const beforeTomorrow = (timeZone: string, what: string) =>
  obeys((day) => (isDay(day) && day <= todayIn(timeZone)) || `${what} must be today or a day before.`);

/** Planted at any time before, or to be planted within a year. */
const withinAYear = (timeZone: string) =>
  obeys((day) => {
    const latest = formatISO(addYears(parseISO(todayIn(timeZone)), 1), { representation: 'date' });
    return (isDay(day) && day <= latest) || `Planting date must be a day up to ${latest}, a year from today.`;
  });

/** What each answer of the setup must be. */
export const setupFields = (units: Units): FieldSchemas<TypedSetup> => ({
  latitude: ({ latitude }) =>
    latitude.includes('-')
      ? obeys(() => 'Latitude must be 0 to 90 degrees; say south of the equator beside it.')
      : figure('latitudeDeg', units),
  wateredOn: ({ ground, timeZone }) =>
    ground === 'watered' ? beforeTomorrow(timeZone, 'Watered well on') : null,
  filledDepth: ({ filledWith }) => (filledWith ? figure('fillDepthMm', units, { optional: true }) : null),
  area: figure('areaM2', units),
  plantedOn: ({ bare, longStanding, cropChosen, cropId, timeZone }) => {
    const livesOn = cropChosen && CATALOGUE.find(({ id }) => id === cropId)?.cycle !== 'annual';
    return bare || (livesOn && longStanding) ? null : withinAYear(timeZone);
  },
  ...(flowFields(units) as FieldSchemas<TypedSetup>),
});

/** The latitude typed or taken, south negative; NaN where there is none. */
export const latitudeOf = ({ latitude, hemisphere }: TypedSetup, units: Units): number =>
  latitude.trim() === ''
    ? Number.NaN
    : figureOf('degrees', latitude, units) * (hemisphere === 'south' ? -1 : 1);

export const summersOf = (typed: TypedSetup, units: Units): Summers => {
  const latitude = latitudeOf(typed, units);
  return typed.summers ?? summersAt(Number.isNaN(latitude) ? 45 : latitude);
};

type SetupBed = NonNullable<SetupDraft['bed']>;

/** Years after which what lives on is counted as old. */
const LONG_YEARS = 6;

/** How wet its ground is said to be. What was planted before today, and nobody looked at, is not known; what is planted today is watered in. */
function groundOf(typed: TypedSetup, today: string): Pick<SetupBed, 'startWetness' | 'wetnessOn' | 'lately'> {
  const { ground, lately, wateredOn, bare, plantedOn } = typed;
  if (ground === 'watered') return { startWetness: 'soaked', wetnessOn: wateredOn, lately: null };
  if (ground === 'not known' || (ground === null && (bare || typed.longStanding || plantedOn < today)))
    return { startWetness: 'not known', wetnessOn: today, lately: ground === null ? null : lately };
  return ground === null
    ? { startWetness: 'soaked', wetnessOn: null, lately: null }
    : { startWetness: ground, wetnessOn: today, lately: null };
}

/** The garden as the API takes it. */
export function setupDraft(typed: TypedSetup, units: Units): SetupDraft {
  const annual = cropById(typed.cropId).cycle === 'annual';
  const long = typed.longStanding && !annual;
  const today = todayIn(typed.timeZone);
  const bed = bedDraft(typed, units);
  return {
    garden: {
      name: typed.garden.trim() || 'My garden',
      latitudeDeg: latitudeOf(typed, units),
      longitudeDeg: typed.longitude,
      // A town's height is that of the stations around; a latitude alone says none.
      elevationM: typed.terrain
        ? TERRAIN_M[typed.terrain]
        : typed.longitude === null
          ? TERRAIN_M.lowland
          : undefined,
      timeZone: typed.timeZone,
      town: typed.town || null,
      summers: summersOf(typed, units),
      air: typed.air,
      climateKnown: typed.climateKnown,
      units: typed.units,
    },
    bed:
      typed.first !== 'beds'
        ? null
        : {
            ...bed,
            name: typed.name.trim() || (typed.bare ? 'First bed' : cropById(typed.cropId).name),
            ...groundOf(typed, today),
            planting: bed.planting && {
              ...bed.planting,
              plantedOn: long
                ? formatISO(addYears(parseISO(today), -LONG_YEARS), { representation: 'date' })
                : typed.plantedOn,
            },
          },
    ...(typed.week ? { week: typed.week } : {}),
  };
}

const FIGURES = [
  ['area', 'area'],
  ['mulch', 'depth'],
  ['flow', 'flow'],
  ['bucketVolume', 'volume'],
] as const;

const written = (value: number, { decimals }: Unit): string =>
  String(Number(value.toFixed(Math.max(1, decimals))));

/** What was typed, said in other units: the same things, not the same figures. */
export function inUnits(typed: TypedSetup, from: Units, to: Units): Partial<TypedSetup> {
  return Object.fromEntries(
    FIGURES.flatMap(([field, quantity]) => {
      const si = figureOf(quantity, typed[field], from);
      return typed[field].trim() === '' || Number.isNaN(si)
        ? []
        : [[field, written(to.of(quantity).fromSi(si), to.of(quantity))]];
    }),
  );
}

const KEY = 'kibble.setup';
/** What was typed before the page was left or loaded anew. */
export function keptSetup(): TypedSetup {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Partial<TypedSetup> | null;
    return { ...emptySetup(), ...kept };
  } catch {
    return emptySetup();
  }
}
export const keepSetup = (typed: TypedSetup): void => sessionStorage.setItem(KEY, JSON.stringify(typed));
export const forgetSetup = (): void => sessionStorage.removeItem(KEY);
