import { z } from 'zod';

/** What a weather station answers: measured days, and a forecast with a chance for its rain. */
export const stationDay = z.object({
  date: z.string(),
  tMinC: z.number(),
  tMaxC: z.number(),
  rhMinPct: z.number(),
  rhMaxPct: z.number(),
  windMs: z.number(),
  solarMJ: z.number(),
  rainMm: z.number(),
});
export const forecastDay = stationDay.extend({ rainChance: z.number().min(0).max(1) });
export const stationDays = z.object({ days: z.array(stationDay) });
export const stationForecast = z.object({ days: z.array(forecastDay) });
export type StationDay = z.infer<typeof stationDay>;
export type StationForecastDay = z.infer<typeof forecastDay>;
