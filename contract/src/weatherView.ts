import type { DrainDate, FanDay, YearsCompared } from '@kibble/core';
import { z } from './zod.ts';
import { aheadDay, stationView } from './ownWeather.ts';
import { day } from './parts.ts';

export const weatherView = z.object({
  days: z.array(
    z.object({
      date: z.string(),
      tMinC: z.number(),
      tMaxC: z.number(),
      rainMm: z.number(),
      windMs: z.number().nullable(),
      source: z.string(),
      gaugeMm: z.number().nullable(),
      gaugeEventId: z.number().nullable(),
      et0Mm: z.number(),
    }),
  ),
  from: z.string().nullable(),
  to: z.string().nullable(),
  count: z.number(),
  /** The days on record of two years up to yesterday: rain, and what sun and wind took, mm. */
  past: z.array(z.object({ date: day, rainMm: z.number(), et0Mm: z.number() })),
  /** Today and the days ahead, as the plan has them. */
  ahead: z.array(aheadDay),
  /** The same days as the ways the weather may go have them. */
  fan: z.array(z.custom<FanDay>((v) => typeof v === 'object' && v !== null && 'lackMm' in v)),
  /** This season among those on record. */
  years: z.custom<YearsCompared>((v) => typeof v === 'object' && v !== null && 'now' in v).nullable(),
  /** When to drain hoses and lines; null where no frost hard enough is in sight. */
  drain: z.custom<DrainDate>((v) => typeof v === 'object' && v !== null && 'burstUndrained' in v).nullable(),
  station: stationView.nullable(),
  /** Files taken in, newest first; each can be taken back as a whole. */
  imports: z.array(
    z.object({
      id: z.number(),
      fileName: z.string(),
      at: z.string(),
      days: z.number(),
      removed: z.boolean(),
    }),
  ),
});
export type WeatherView = z.infer<typeof weatherView>;
