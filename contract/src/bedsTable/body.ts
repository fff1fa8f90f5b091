import { METHODS, TEXTURE_CLASSES } from '@kibble/core';
import { latelyBody, START_WETNESS } from '../garden.ts';
import { entryDate, oneOf } from '../parts.ts';
import { z } from '../zod.ts';
import { BED_FIELDS } from './columns.ts';
import { MOST_BED_COLUMNS, MOST_BED_ROWS } from './rows.ts';

const cell = z.string().max(2100, {
  error: ({ input }) => `A cell must be 2100 letters or fewer; got ${String(input).length}`,
});
const cells = z.array(cell).max(MOST_BED_COLUMNS, {
  error: ({ input }) => `Columns must be ${MOST_BED_COLUMNS} or fewer; got ${(input as unknown[]).length}`,
});

/** A table of beds as it was typed or pasted, with what the gardener answered of it. */
export const bedsTableBody = z.object({
  headings: cells,
  rows: z.array(cells).max(MOST_BED_ROWS, {
    error: ({ input }) =>
      `Rows must be ${MOST_BED_ROWS} or fewer at once; got ${(input as unknown[]).length}`,
  }),
  /** What a column is, by its place in the row. */
  fields: z.record(z.string().max(3), z.enum([...BED_FIELDS, 'not used'])).default({}),
  /** The unit of a column, and how its days are written, by what the column is. */
  units: z.record(z.string().max(20), z.string().max(20)).default({}),
  /** What a bed is where its row does not say. */
  usual: z.object({
    textureClass: oneOf('Soil', TEXTURE_CLASSES),
    method: oneOf('Watered by', METHODS),
    plantedOn: entryDate('Planting date'),
    startWetness: oneOf('The ground now', START_WETNESS).default('not known'),
    lately: latelyBody.nullish(),
  }),
  /** The gardener has seen the rows that cannot be read and wants the rest. */
  leaveFaulty: z.boolean().default(false),
});
export type BedsTableBody = z.input<typeof bedsTableBody>;

export const bedsTableAnswer = z.object({
  ids: z.array(z.number()),
  /** Taps that were added for them. */
  taps: z.array(z.number()),
  leftOut: z.number(),
});
