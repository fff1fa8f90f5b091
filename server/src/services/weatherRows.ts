import type { WeatherDay } from '@kibble/core';
import { WeatherDayRow } from '../db/models.ts';

/** Rows written at once: more would pass the most values that SQLite takes in one line. */
const BATCH = 1000;

/** Writes days; a day that stands already from the same import, or from the station (import 0), is replaced. */
export async function storeDays(
  gardenId: number,
  importId: number,
  days: readonly WeatherDay[],
): Promise<void> {
  for (let i = 0; i < days.length; i += BATCH)
    await WeatherDayRow.bulkCreate(
      days.slice(i, i + BATCH).map((day) => ({
        gardenId,
        source: importId === 0 ? 'station' : 'import',
        importId,
        date: day.date,
        tMinC: day.tMinC,
        tMaxC: day.tMaxC,
        rainMm: day.rainMm,
        windMs: day.windMs ?? null,
        rhMinPct: day.rhMinPct ?? null,
        rhMaxPct: day.rhMaxPct ?? null,
        solarMJ: day.solarMJ ?? null,
      })),
      {
        updateOnDuplicate: ['tMinC', 'tMaxC', 'rainMm', 'windMs', 'rhMinPct', 'rhMaxPct', 'solarMJ'],
        conflictAttributes: ['gardenId', 'date', 'importId'],
      } as Parameters<typeof WeatherDayRow.bulkCreate>[1],
    );
}
