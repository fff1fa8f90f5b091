import { limited } from './limited.ts';
import { z } from './zod.ts';

/** Figures that somebody knows of a month of the usual year; what is left out is as the stations around say. */
const knownMonth = z.object({
  highC: limited('usualHighC').optional(),
  lowC: limited('usualLowC').optional(),
  rainMm: limited('usualRainMm').optional(),
});
export const knownClimate = z.object({ coldest: knownMonth.optional(), warmest: knownMonth.optional() });

/** Where a climate is asked for. */
export const climateAsk = z.object({
  latitudeDeg: limited('latitudeDeg'),
  longitudeDeg: limited('longitudeDeg'),
  elevationM: limited('elevationM').optional(),
});

const usualMonth = z.object({
  /** 1 to 12. */
  month: z.number(),
  highC: z.number(),
  lowC: z.number(),
  rainMm: z.number(),
  wetDays: z.number(),
});
/** The usual year of a place, by its coldest and its warmest month. */
export const climateView = z.object({
  coldest: usualMonth,
  warmest: usualMonth,
  /** The height that was taken: the place's own, or that of the stations around. */
  elevationM: z.number(),
  /** How far the figures may be off, four times in five. */
  doubt: z.object({ tempC: z.number(), rainShare: z.number() }),
  /** Whether the gardener put figures right. */
  corrected: z.boolean(),
});
export type ClimateView = z.infer<typeof climateView>;
export type ClimateAsk = z.infer<typeof climateAsk>;
