import {
  AIRS,
  bedKinds,
  BED_FORMS,
  FILL_IDS,
  CATALOGUE,
  DRAIN_CHOICES,
  GOALS,
  HEATS_LATELY,
  LAST_WATERED,
  RAINS_LATELY,
  RANKS,
  SCHOOLS,
  STAGE_NAMES,
  SUMMERS,
  SOURCE_KINDS,
  type CropEntry,
  type SourceKindId,
  type Setting,
  METHODS,
  MULCH_MATERIALS,
  START_METHODS,
  TEXTURE_CLASSES,
  WATERED_LATELY,
  WEEKS,
} from '@kibble/core';
import { holds, isNumber, isText, shaped } from './shape.ts';
import { z } from './zod.ts';
import { climateView, knownClimate } from './climate.ts';
import { findingView } from './findings.ts';
import { limited, limitedWhole } from './limited.ts';
import { day, entryDate, name, kindName, oneOf, version } from './parts.ts';
import { givenText } from './refusalWords.ts';

export const UNIT_SYSTEMS = ['metric', 'us'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

const cropIds = new Set(CATALOGUE.map((crop) => crop.id));
/** One of the catalogue, or one of the garden's own, whose number the server looks up. */
export const cropId = z.string().refine((id) => cropIds.has(id) || /^own-[1-9]\d{0,14}$/.test(id), {
  error: ({ input }) => `Crop must be one of the catalogue's plants; got ${givenText(input)}`,
});

/** How the ground's wetness was on the first day of a bed's balance. */
export const START_WETNESS = ['soaked', 'moist', 'drying', 'dry', 'not known'] as const;

/** What is remembered of the last month, of a bed whose ground nobody looked at. */
export const latelyBody = z.object({
  rain: oneOf('Rain in the last month', RAINS_LATELY).default('as usual'),
  heat: oneOf('Warmth in the last month', HEATS_LATELY).default('as usual'),
  watered: oneOf('Watered in the last month', WATERED_LATELY).default('now and then'),
  last: oneOf('Last watered', LAST_WATERED).default('in the last week'),
});

export const deliveryBody = z.object({
  method: oneOf('Method', METHODS),
  litresPerMinute: limited('litresPerMinute'),
  /** Whether the flow was measured or is a guess. */
  measured: z.boolean().default(false),
  /** A timer opens and shuts it: nobody need be there. */
  timer: z.boolean().optional(),
  /** What the can, bucket or tank holds; the method's usual when left out. */
  fillLitres: limited('fillLitres').optional(),
});

export const plantingBody = z.object({
  cropId,
  plantedOn: entryDate('Planting date'),
  method: oneOf('Start', START_METHODS).optional(),
  /** Share of the bed it takes. */
  share: limited('share').default(1),
  /** How its water is decided; absent lets Kibble choose by plant and stage. */
  school: oneOf('School', SCHOOLS).nullish(),
  /** The day it is cleared; open while it stands. */
  endedOn: entryDate('Day it is cleared').nullish(),
});

/** A planting as it is changed: of which state. */
export const plantingChange = plantingBody.extend({ version });

/** A part of the garden by the gardener's own name. */
export const placeName = z
  .string()
  .trim()
  .max(40, {
    error: ({ input }) => `Part of the garden must be 40 letters or fewer; got ${String(input).length}`,
  })
  .nullish();

export const bedBody = z.object({
  /** What kind of place it is; it stays that. */
  kind: kindName('Kind of place', bedKinds).default('ground'),
  name: name('Name of the bed'),
  areaM2: limited('areaM2'),
  textureClass: oneOf('Soil', TEXTURE_CLASSES),
  subsoilClass: oneOf('Subsoil', TEXTURE_CLASSES).nullish(),
  /** What a raised bed is filled with instead of soil from its first day on; it is changed where the ground is told. */
  fill: z.object({ fill: oneOf('Filled with', FILL_IDS), depthMm: limited('fillDepthMm') }).nullish(),
  form: oneOf('Form', BED_FORMS).default('flat'),
  underCover: z.boolean().default(false),
  mulchMaterial: oneOf('Mulch', MULCH_MATERIALS).nullish(),
  mulchMm: limited('mulchMm').nullish(),
  startWetness: oneOf('Wetness at the start', START_WETNESS).default('soaked'),
  /** Where it is not known: what is remembered, by which the ground is taken to be as it most likely is. */
  lately: latelyBody.nullish(),
  /** The day on which it was so; its first day when left out. The balance begins then. */
  wetnessOn: entryDate('Day on which the ground was so').nullish(),
  /** The gardener's own name for a part of the garden. */
  place: placeName,
  goal: oneOf('Goal', GOALS).default('steady'),
  /** Who is served first when water or time is short; null leaves it to what grows there. */
  rank: oneOf('Who comes first', RANKS).nullish(),
  shadeCloth: z.boolean().default(false),
  /** Sides of a rectangular bed; its area is what counts. */
  lengthM: limited('bedLengthM').nullish(),
  widthM: limited('bedWidthM').nullish(),
  notes: z
    .string()
    .max(2000, { error: ({ input }) => `Notes must be 2000 letters or fewer; got ${String(input).length}` })
    .default(''),
  /** Null where nothing is planted yet. A day to come is one on which it will be sown or planted. */
  planting: plantingBody.nullish(),
  delivery: deliveryBody,
});

export const clockBody = z.discriminatedUnion('mode', [
  z.object({ mode: z.literal('real') }),
  z.object({ mode: z.literal('practice'), date: entryDate('Practice date') }),
]);

export const stepBody = z.object({ days: limitedWhole('days') });

const timeZone = z
  .string()
  .min(1)
  .max(60)
  .refine(
    (zone) => {
      try {
        new Intl.DateTimeFormat('en', { timeZone: zone });
        return true;
      } catch {
        return false;
      }
    },
    {
      error: ({ input }) =>
        `Time zone must be one this computer knows, such as Europe/Paris; got ${givenText(input)}`,
    },
  );

/** The town a garden lies near, and what summers and the air are like there: for days nobody measured. */
const ABOUT_PLACE = {
  town: z
    .string()
    .trim()
    .max(160, { error: ({ input }) => `Town must be 160 letters or fewer; got ${String(input).length}` })
    .nullish(),
  summers: oneOf('Summers', SUMMERS).nullish(),
  air: oneOf('Air', AIRS).nullish(),
  /** What the gardener knows of the usual year there. */
  climateKnown: knownClimate.nullish(),
};

export const gardenBody = z.object({
  name: name('Name of the garden'),
  latitudeDeg: limited('latitudeDeg'),
  /** Left out, it is that of the weather stations around. */
  elevationM: limited('elevationM').optional(),
  /** For sunrise on the clock; without it the middle of the time zone is taken. */
  longitudeDeg: limited('longitudeDeg').nullish(),
  timeZone,
  units: oneOf('Units', UNIT_SYSTEMS).default('metric'),
  clock: clockBody.default({ mode: 'real' }),
  ...ABOUT_PLACE,
});

export const setupBody = z.object({
  garden: gardenBody,
  /** Its first bed; null where pots or trees come first. */
  bed: bedBody.nullish(),
  /** What the last week was like. */
  week: oneOf('Last week', WEEKS).optional(),
});

/** As much of it as there is to draw: a garden with its first bed. */
export const sketchBody = setupBody.extend({ bed: bedBody });

/** Days of the week, Sunday 0. */
export const weekdays = (what: string) =>
  z
    .array(z.number().int().min(0).max(6))
    .min(1, { error: `${what} must be at least one day of the week; got none` })
    .max(7, { error: ({ input }) => `${what} must be at most seven; got ${(input as unknown[]).length}` });

/** Days on which nobody is there, both of them away. */
export const awayDays = z
  .object({ from: entryDate('Away from'), until: entryDate('Away until') })
  .refine(({ from, until }) => from <= until, {
    error: ({ input }) => {
      const { from, until } = input as { from: string; until: string };
      return `Away until must not be before ${from}; got ${until}`;
    },
    path: ['until'],
  });

/** A stretch of hours, minutes after midnight; from after until goes over midnight. */
const span = (what: string) =>
  z
    .object({ from: limitedWhole('clockMinute'), until: limitedWhole('clockMinute') })
    .refine(({ from, until }) => from !== until, {
      error: `${what} must end at another time than they begin`,
    });
const spans = (what: string) =>
  z
    .array(span(what))
    .min(1, { error: `${what} must be at least one stretch; got none` })
    .max(4, {
      error: ({ input }) =>
        `${what} must be at most four stretches a day; got ${(input as unknown[]).length}`,
    });

/** Limits of the garden as they are set; what is left out is no limit. */
export const gardenLimits = z.object({
  minutesPerDay: limited('capMinutes').nullish(),
  litresPerDay: limited('capLitres').nullish(),
  /** Days of the week on which it may be watered, Sunday 0. */
  weekdays: weekdays('Open days').nullish(),
  litresPerWeek: limited('weekLitres').nullish(),
  /** Hours in which it may be watered, minutes after midnight; from after until goes over midnight. */
  hours: spans('Open hours').nullish(),
  restricts: oneOf('Rules hold for', ['everything', 'sprays']).nullish(),
  lines: limitedWhole('atOnce').nullish(),
  windHoldMs: limited('windHoldMs').nullish(),
  /** Where a person opens the tap: turns a day beyond the first at each place, turns at one bed, and the longest run; left out, the usual ones. */
  turnsPerDay: limitedWhole('turnsPerDay').nullish(),
  passes: limitedWhole('passes').nullish(),
  longestMinutes: limited('longestMinutes').nullish(),
  /** The gardener's own round days, Sunday 0; left out, Kibble proposes them. */
  roundDays: weekdays('Round days').nullish(),
  /** Days on which nobody is there: only what is on a timer is watered. */
  away: z.array(awayDays).max(6).nullish(),
  /** Hours in which people water, and timers what drips and what sprays; left out, the usual ones. */
  people: spans('Hours for people').nullish(),
  timers: z.object({ drips: span('Hours for timers'), sprays: span('Hours for timers') }).nullish(),
});
export type GardenLimits = z.infer<typeof gardenLimits>;

export const gardenPatch = z.object({
  version,
  limits: gardenLimits.optional(),
  name: name('Name of the garden').optional(),
  units: oneOf('Units', UNIT_SYSTEMS).optional(),
  clock: clockBody.optional(),
  latitudeDeg: limited('latitudeDeg').optional(),
  longitudeDeg: limited('longitudeDeg').nullish(),
  elevationM: limited('elevationM').optional(),
  timeZone: timeZone.optional(),
  ...ABOUT_PLACE,
  /** How early hoses and lines are drained. */
  drains: oneOf('When lines are drained', DRAIN_CHOICES).optional(),
});

export type BedBody = z.infer<typeof bedBody>;
/** A bed as it may be sent: what has a default may be left out. */
export type BedDraftBody = z.input<typeof bedBody>;
export type GardenBody = z.infer<typeof gardenBody>;
export type SketchBody = z.infer<typeof sketchBody>;
export type GardenPatch = z.infer<typeof gardenPatch>;
export type ClockBody = z.infer<typeof clockBody>;

/** A bed as it is changed: of which state, and since when it has been so; today when left out. */
export const bedChange = bedBody
  .omit({ kind: true, lately: true })
  .extend({ version, since: entryDate('Since when').optional() });

// Views tell what stands on record. They are wider than the rules of entering: a row that could not be entered
// today is shown all the same, and locks nobody out.
type Stored<T, K extends keyof T> = NonNullable<T[K]>;
/** A plant of the catalogue, or one of the gardener's own made like it. */
const cropEntry = shaped<CropEntry>({
  id: isText,
  name: isText,
  group: isText,
  cycle: isText,
  heightM: isNumber,
  roots: (roots) => holds(roots, { minM: isNumber, maxM: isNumber }),
});

const storedAs = <T>() => z.custom<T>((value) => typeof value === 'string');

export const planting = z.object({
  id: z.number(),
  version: z.number(),
  cropId: z.string(),
  cropName: z.string(),
  plantedOn: day,
  endedOn: day.nullable(),
  method: storedAs<Stored<PlantingBody, 'method'>>().optional(),
  share: z.number(),
  school: storedAs<Stored<PlantingBody, 'school'>>().nullable(),
  /** The day its school was last chosen by hand. */
  schoolSince: day.nullable(),
  /** Stages the gardener saw begin. */
  seen: z.array(z.object({ stage: z.enum(STAGE_NAMES), on: day })),
  /** The plant's own numbers when it is not of the catalogue. */
  custom: cropEntry.optional(),
});
/** What a thing about a bed has been since a day. */
export const settingView = z.object({
  id: z.number(),
  from: day,
  setting: z.custom<Setting>((v) => typeof v === 'object' && v !== null && 'kind' in v),
});
export type SettingView = z.infer<typeof settingView>;
export const bedView = z.object({
  id: z.number(),
  kind: z.string(),
  gardenId: z.number(),
  version: z.number(),
  name: z.string(),
  areaM2: z.number(),
  textureClass: storedAs<BedBody['textureClass']>(),
  subsoilClass: storedAs<Stored<BedBody, 'subsoilClass'>>().nullable(),
  form: storedAs<BedBody['form']>(),
  underCover: z.boolean(),
  mulchMaterial: storedAs<Stored<BedBody, 'mulchMaterial'>>().nullable(),
  mulchMm: z.number().nullable(),
  startWetness: storedAs<BedBody['startWetness']>(),
  wetnessOn: day.nullable(),
  place: z.string().nullable(),
  goal: storedAs<BedBody['goal']>(),
  rank: storedAs<Stored<BedBody, 'rank'>>().nullable(),
  shadeCloth: z.boolean(),
  lengthM: z.number().nullable(),
  widthM: z.number().nullable(),
  notes: z.string(),
  delivery: z.object({
    method: storedAs<BedBody['delivery']['method']>(),
    litresPerMinute: z.number(),
    measured: z.boolean(),
    timer: z.boolean().optional(),
    fillLitres: z.number().optional(),
  }),
  startOn: day,
  /** What stands on it today: of several, the one that takes most room. */
  planting: planting.nullable(),
  /** Everything planted on it, in the order of planting. */
  plantings: z.array(planting),
  mulchLaidOn: day.nullable(),
  archived: z.boolean(),
  /** The ground it lies on, which other beds may share, and the tap it draws from. */
  groundId: z.number(),
  tapId: z.number().nullable(),
  /** What of it changes, each from its day; of each kind the first holds also before. */
  settings: z.array(settingView),
  /** Everything found out about its ground and water, those of shared ground and of its tap among them, newest first. */
  findings: z.array(findingView),
});
export const tapView = z.object({
  id: z.number(),
  version: z.number(),
  gardenId: z.number(),
  name: z.string(),
  nozzle: z.string(),
  source: storedAs<SourceKindId>(),
  litresPerDay: z.number().nullable(),
  together: z.boolean(),
  station: z.number().nullable(),
  fromTapId: z.number().nullable(),
  archived: z.boolean(),
  findings: z.array(findingView),
});
/** A garden by its name. */
export const gardenName = z.object({
  id: z.number(),
  name: z.string(),
  /** It was put away: kept, and not planned. */
  away: z.boolean(),
});
/** Whether a practice garden can be opened from here, and, in one, where one's own garden is. */
export const practiceView = z.object({ can: z.boolean(), home: z.string().nullable() });
export const practiceOpened = z.object({ url: z.string() });
export type PracticeView = z.infer<typeof practiceView>;
/** Whether a garden is put away. */
export const gardenAway = z.object({ away: z.boolean() });
export const gardenView = z.object({
  id: z.number(),
  version: z.number(),
  name: z.string(),
  latitudeDeg: z.number(),
  elevationM: z.number(),
  longitudeDeg: z.number().nullable(),
  timeZone: z.string(),
  town: z.string().nullable(),
  summers: z.enum(SUMMERS).nullable().catch(null),
  air: z.enum(AIRS).nullable().catch(null),
  /** The usual year there; null where the garden's place is not known well enough. */
  climate: climateView.nullable(),
  units: z.enum(UNIT_SYSTEMS),
  clockMode: z.enum(['real', 'practice']),
  today: day,
  isDemo: z.boolean(),
  away: z.boolean(),
  drains: z.enum(DRAIN_CHOICES).catch('usual'),
  hasStation: z.boolean(),
  limits: z.custom<GardenLimits>((value) => typeof value === 'object' && value !== null),
  /** Rows that cannot be read any more: set aside, with what they were, so that nothing else is lost. */
  setAside: z.array(z.object({ what: z.string(), id: z.number(), why: z.string() })),
  beds: z.array(bedView),
  taps: z.array(tapView),
  ownCrops: z.array(cropEntry),
});

/** Settings to be taken back. */
export const settingsBody = z.object({
  ids: z
    .array(z.number().int().min(1))
    .min(1, { error: 'Entries to take back must be at least one; got none' })
    .max(50),
});
/** The day from which a bed has been something, put right. */
export const settingMove = z.object({ on: entryDate('Since when') });
/** Beds to be made like one that is there. */
export const copiesBody = z.object({
  count: limitedWhole('copies'),
});
/** Beds that one act is about. */
export const bedsBody = z.object({
  ids: z
    .array(z.number().int().min(1))
    .min(1, { error: 'Beds must be at least one; got none' })
    .max(500, { error: 'Beds must be 500 or fewer at once' }),
  /** Taps that go with them. */
  taps: z.array(z.number().int().min(1)).max(500).default([]),
  /** They are brought back. */
  restore: z.boolean().default(false),
});
/** A plant of the gardener's own, like one of the catalogue. */
export const ownCropBody = z.object({
  name: name('Name of the plant'),
  likeId: z.string().refine((id) => cropIds.has(id), {
    error: ({ input }) => `The plant it is like must be one of the catalogue’s; got ${givenText(input)}`,
  }),
  kcbMid: limited('kcbMid').optional(),
  rootDepthM: limited('rootDepthM').optional(),
  heightM: limited('cropHeightM').optional(),
});
export type OwnCropBody = z.infer<typeof ownCropBody>;
export type PlantingBody = z.infer<typeof plantingBody>;
export type PlantingChange = z.input<typeof plantingChange>;
export type PlantingDraft = z.input<typeof plantingBody>;
export type PlantingView = z.infer<typeof planting>;
/** A tap with what is screwed on it: another nozzle is another flow, and another entry. */
export const tapBody = z.object({
  name: name('Name of the tap'),
  nozzle: z
    .string()
    .trim()
    .max(80, { error: ({ input }) => `Nozzle must be 80 letters or fewer; got ${String(input).length}` })
    .default(''),
  /** Where its water comes from. */
  source: oneOf('Source', Object.keys(SOURCE_KINDS) as [SourceKindId, ...SourceKindId[]]).default('mains'),
  /** The most that gives in a day, where it is a well. */
  litresPerDay: limited('sourceLitres').nullish(),
  /** It is a zone: one valve brings water to all of its beds at once; left out, it stays what it was. */
  together: z.boolean().optional(),
  /** Its station on a timer, and the tap that feeds it, whose flow and source it shares. */
  station: limited('station').nullish(),
  fromTapId: z.number().int().nullish(),
  version,
});
/** A tap as it is changed: since when another nozzle is on it, today when left out; or the same one is only called otherwise. */
export const tapChange = tapBody.extend({
  since: entryDate('On it since').optional(),
  sameNozzle: z.boolean().default(false),
});
/** Where a bed's ground and water come from; what is left out stays. Another tap holds from a day on, today when left out. */
export const bedLinks = z.object({
  since: entryDate('Since when').optional(),
  groundOf: z.number().int().nullable().optional(),
  tapId: z.number().int().nullable().optional(),
  version,
});
export type TapBody = z.infer<typeof tapBody>;
export type TapChange = z.infer<typeof tapChange>;
export type TapDraft = z.input<typeof tapChange>;
export type TapView = z.infer<typeof tapView>;
export type BedLinks = z.infer<typeof bedLinks>;
export type BedView = z.infer<typeof bedView>;
export type GardenName = z.infer<typeof gardenName>;
export type GardenView = z.infer<typeof gardenView>;
