import {
  BED_FORMS,
  CATALOGUE,
  isIsoDate,
  METHODS,
  MULCH_MATERIALS,
  START_METHODS,
  TEXTURE_CLASSES,
} from '@kibble/core';
import { z } from 'zod';
import { limited } from './limits.ts';

export const UNIT_SYSTEMS = ['metric', 'us'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

export const isoDate = z.string().refine(isIsoDate, {
  error: (issue) => `Date must be a calendar day written YYYY-MM-DD; got ${JSON.stringify(issue.input)}`,
});

const name = (label: string): z.ZodString =>
  z
    .string({ error: `${label} must be given in words` })
    .trim()
    .min(1, { error: `${label} must not be empty` })
    .max(80, { error: `${label} must be 80 letters or fewer` });

const oneOf = <const T extends readonly [string, ...string[]]>(label: string, values: T) =>
  z.enum(values, {
    error: (issue) => `${label} must be one of ${values.join(', ')}; got ${JSON.stringify(issue.input)}`,
  });

const cropIds = new Set(CATALOGUE.map((crop) => crop.id));
const cropId = z.string().refine((id) => cropIds.has(id), {
  error: (issue) => `Crop must be one of the catalogue's plants; got ${JSON.stringify(issue.input)}`,
});

/** How the ground's wetness was on the first day of a bed's balance. */
export const START_WETNESS = ['soaked', 'moist', 'dry'] as const;

export const deliveryBody = z.object({
  method: oneOf('Method', METHODS),
  litresPerMinute: limited('litresPerMinute'),
  /** Whether the flow was measured or is a guess. */
  measured: z.boolean().default(false),
});

export const plantingBody = z.object({
  cropId,
  plantedOn: isoDate,
  method: oneOf('Start', START_METHODS).optional(),
});

export const bedBody = z.object({
  name: name('Name of the bed'),
  areaM2: limited('areaM2'),
  textureClass: oneOf('Soil', TEXTURE_CLASSES),
  subsoilClass: oneOf('Subsoil', TEXTURE_CLASSES).nullish(),
  form: oneOf('Form', BED_FORMS).default('flat'),
  underCover: z.boolean().default(false),
  mulchMaterial: oneOf('Mulch', MULCH_MATERIALS).nullish(),
  mulchMm: limited('mulchMm').nullish(),
  startWetness: oneOf('Wetness at the start', START_WETNESS).default('soaked'),
  planting: plantingBody,
  delivery: deliveryBody,
});

export const clockBody = z.discriminatedUnion('mode', [
  z.object({ mode: z.literal('real') }),
  z.object({ mode: z.literal('practice'), date: isoDate }),
]);

export const stepBody = z.object({ days: limited('days').int() });

export const gardenBody = z.object({
  name: name('Name of the garden'),
  latitudeDeg: limited('latitudeDeg'),
  elevationM: limited('elevationM').default(0),
  timeZone: z
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
        error: (issue) =>
          `Time zone must be one this computer knows, such as Europe/Paris; got ${JSON.stringify(issue.input)}`,
      },
    ),
  units: oneOf('Units', UNIT_SYSTEMS).default('metric'),
  clock: clockBody.default({ mode: 'real' }),
});

export const setupBody = z.object({ garden: gardenBody, bed: bedBody });

export const gardenPatch = z.object({
  name: name('Name of the garden').optional(),
  units: oneOf('Units', UNIT_SYSTEMS).optional(),
  clock: clockBody.optional(),
});

export type BedBody = z.infer<typeof bedBody>;
export type GardenBody = z.infer<typeof gardenBody>;
export type SetupBody = z.infer<typeof setupBody>;
export type GardenPatch = z.infer<typeof gardenPatch>;
export type ClockBody = z.infer<typeof clockBody>;

export const planting = plantingBody.extend({
  id: z.number(),
  cropName: z.string(),
  endedOn: isoDate.nullable(),
});
export const bedView = bedBody.omit({ planting: true }).extend({
  id: z.number(),
  gardenId: z.number(),
  startOn: isoDate,
  planting: planting.nullable(),
  archived: z.boolean(),
});
export const gardenView = z.object({
  id: z.number(),
  name: z.string(),
  latitudeDeg: z.number(),
  elevationM: z.number(),
  timeZone: z.string(),
  units: z.enum(UNIT_SYSTEMS),
  clockMode: z.enum(['real', 'practice']),
  today: isoDate,
  isDemo: z.boolean(),
  hasStation: z.boolean(),
  beds: z.array(bedView),
});
export type BedView = z.infer<typeof bedView>;
export type GardenView = z.infer<typeof gardenView>;
