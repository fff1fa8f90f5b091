import { BED_FORMS, MULCH_MATERIALS, TEXTURE_CLASSES } from '@kibble/core';
import { deliveryBody, placeName, plantingBody } from './garden.ts';
import { limited } from './limited.ts';
import { entryDate, oneOf } from './parts.ts';
import { z } from './zod.ts';

const id = z.number().int().min(1);
const bedIds = z
  .array(id)
  .min(1, { error: 'Beds must be at least one; got none' })
  .max(500, { error: 'Beds must be 500 or fewer at once' });

/** One thing that is changed on many beds at once. */
export const bedsChange = z.discriminatedUnion('what', [
  z.object({ what: z.literal('soil'), textureClass: oneOf('Soil', TEXTURE_CLASSES) }),
  z.object({ what: z.literal('place'), place: placeName }),
  z.object({ what: z.literal('tap'), tapId: id.nullable() }),
  z.object({ what: z.literal('form'), form: oneOf('Shape of the bed', BED_FORMS) }),
  z.object({
    what: z.literal('mulch'),
    mulch: z.object({ material: oneOf('Mulch', MULCH_MATERIALS), depthMm: limited('mulchMm') }).nullable(),
  }),
  z.object({ what: z.literal('method'), delivery: deliveryBody }),
  /** What is planted; what stands there on that day is cleared where it leaves no room. */
  z.object({
    what: z.literal('crop'),
    plantings: z
      .array(plantingBody)
      .min(1, { error: 'Plantings must be at least one; got none' })
      .max(20, { error: 'Plantings must be 20 or fewer at once' }),
    clear: z.boolean().default(true),
  }),
]);
export type BedsChange = z.input<typeof bedsChange>;

export const bedsChangeBody = z.object({
  ids: bedIds,
  change: bedsChange,
  /** Since when it has been so; today when left out. */
  since: entryDate('Since when').optional(),
});

/** What undoes a change of many beds: the entries it made, and what stood there before. */
export const bedsChanged = z.object({
  ids: bedIds,
  entries: z.array(id).max(500).default([]),
  grounds: z
    .array(z.object({ bedId: id, groundId: id, textureClass: oneOf('Soil', TEXTURE_CLASSES) }))
    .max(500)
    .default([]),
  places: z
    .array(z.object({ bedId: id, place: placeName }))
    .max(500)
    .default([]),
  /** Days on which the balances of beds began. */
  begun: z
    .array(z.object({ bedId: id, startOn: entryDate('First day') }))
    .max(500)
    .default([]),
  planted: z.array(id).max(10_000).default([]),
  cleared: z
    .array(z.object({ id, endedOn: entryDate('Day it is cleared').nullable() }))
    .max(10_000)
    .default([]),
});
export type BedsChanged = z.infer<typeof bedsChanged>;
