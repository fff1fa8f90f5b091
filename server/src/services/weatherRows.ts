import type { WeatherDay } from '@kibble/core';
import { ImportRow, WeatherDayRow } from '../db/models.ts';

/** Days written at once: as much text as is handed over in a moment. */
const BATCH = 2000;

/** The figures of a day that are columns of their own. */
const FIGURES = ['tMinC', 'tMaxC', 'rainMm', 'windMs', 'rhMinPct', 'rhMaxPct', 'solarMJ'] as const;
const WRITE = `INSERT INTO weather_days (gardenId, importId, source, date, ${FIGURES.join(', ')})
SELECT $gardenId, $importId, $source, json_extract(value, '$.date'), ${FIGURES.map((f) => `json_extract(value, '$.${f}')`).join(', ')}
FROM json_each($days) WHERE true
ON CONFLICT (gardenId, date, importId) DO UPDATE SET ${FIGURES.map((f) => `${f} = excluded.${f}`).join(', ')}`;

/**
 * Writes days that are JSON text, a list of them: SQLite takes the text apart beside the thread that answers. A day that stands
 * already from the same import, or from the station (import 0), is replaced.
 */
export async function storeDaysText(gardenId: number, importId: number, days: string): Promise<void> {
  await WeatherDayRow.sequelize?.query(WRITE, {
    bind: { gardenId, importId, source: importId === 0 ? 'station' : 'import', days },
  });
}

/** Writes days, as `storeDaysText`. */
export async function storeDays(
  gardenId: number,
  importId: number,
  days: readonly WeatherDay[],
): Promise<void> {
  for (let i = 0; i < days.length; i += BATCH)
    await storeDaysText(gardenId, importId, JSON.stringify(days.slice(i, i + BATCH)));
}

/** Takes days in as one act, which can be taken back as one. @param days as JSON text, some at a time, and how many are in by then */
export async function storeImport(
  { gardenId, fileName, count }: { gardenId: number; fileName: string; count: number },
  days: AsyncIterable<{ text: string; upTo: number }>,
  at: Date,
  onStored: (upTo: number) => void = () => undefined,
): Promise<ImportRow> {
  const row = await ImportRow.create({ gardenId, fileName, at, days: count });
  for await (const { text, upTo } of days) {
    await storeDaysText(gardenId, row.id, text);
    onStored(upTo);
  }
  return row;
}
