import { isIsoDate } from '@kibble/core';
import { z } from './zod.ts';
import { LIMITS, withinLimit, type LimitedField } from './limits.ts';

const figure = (field: LimitedField): z.ZodNumber =>
  z.number().refine((value) => withinLimit(field, value), {
    error: ({ input }) =>
      `${LIMITS[field].label.toLowerCase()} cannot be ${String(input)} ${LIMITS[field].unit}`,
  });

/** So much rain does not fall in such cold: the station counts wrongly. Judgement. */
const COLD_C = -10;
const MUCH_RAIN_MM = 30;

const stationDayFields = z.object({
  date: z.string().refine(isIsoDate, { error: 'date must be a day written YYYY-MM-DD' }),
  tMinC: figure('tMinC'),
  tMaxC: figure('tMaxC'),
  rhMinPct: figure('rhMinPct').optional(),
  rhMaxPct: figure('rhMaxPct').optional(),
  windMs: figure('windMs').optional(),
  solarMJ: figure('solarMJ').optional(),
  rainMm: figure('rainMm'),
});
type Fields = z.infer<typeof stationDayFields>;

/** What cannot be of one day, or nothing. */
function impossible({ tMinC, tMaxC, rhMinPct, rhMaxPct, rainMm }: Fields): string | null {
  if (tMinC > tMaxC) return `lowest temperature ${tMinC} °C is above the highest, ${tMaxC} °C`;
  if (rhMinPct !== undefined && rhMaxPct !== undefined && rhMinPct > rhMaxPct)
    return `lowest humidity ${rhMinPct} % is above the highest, ${rhMaxPct} %`;
  if (tMaxC < COLD_C && rainMm > MUCH_RAIN_MM) return `${rainMm} mm of rain at ${tMaxC} °C`;
  return null;
}
const sane = <S extends z.ZodType<Fields>>(schema: S): S =>
  schema.superRefine((day, ctx) => {
    const words = impossible(day);
    if (words) ctx.addIssue({ code: 'custom', message: `${day.date}: ${words}` });
  });

/**
 * What a weather station answers: measured days, and a forecast with a chance for its rain. Temperatures in °C, rain in mm, wind
 * in m/s at 2 m, humidity in %, sun in MJ/m²; only date, temperatures and rain must be there.
 */
export const stationDay = sane(stationDayFields);
export const forecastDay = sane(stationDayFields.extend({ rainChance: z.number().min(0).max(1) }));
export const stationDays = z.object({ days: z.array(stationDay) });
export const stationForecast = z.object({ days: z.array(forecastDay) });
export type StationDay = z.infer<typeof stationDay>;
export type StationForecastDay = z.infer<typeof forecastDay>;
