import type { StationDay } from '@kibble/contract';
import { addDays, type ForecastDay } from '@kibble/core';
import type { Logger } from 'pino';
import { ForecastRow, WeatherDayRow, type Garden } from '../db/models.ts';
import { askForecast, pastDays, STATION_PATIENCE_MS, StationTrouble } from './askStation.ts';
import { earliestStart } from './earliestStart.ts';
import { storeDays } from './weatherRows.ts';

/** A station is asked for more days than a balance needs: the first of them have others before them. */
export const DAYS_BEFORE = 30;
/** One that did not answer is asked again after so long, and one that did what it forecasts now, ms. */
const SILENT_MS = 60_000;
const ASKED_AGAIN_MS = 3_600_000;
/** The demo's station answers from the same process, which may be busy: it is given all the time it takes, ms. */
const DEMO_PATIENCE_MS = 120_000;

/** What a station said when it was last asked, not yet saved. */
export interface StationAnswer {
  url: string;
  today: string;
  past: StationDay[];
  /** Null where it gave none; what it forecast before stands then. */
  forecast: ForecastDay[] | null;
  /** What was wrong with its answer. */
  trouble: string | null;
}

/**
 * Asks a garden's station for its days up to yesterday and what it forecasts. Nothing is saved, and no lock may be held
 * while it is asked: a station may take its time.
 * @param today as the garden has it, or will have it once its clock has moved; `url` of a station it does not have yet
 */
export async function askGardenStation(
  garden: Garden,
  today: string,
  log: Logger,
  url: string | null = garden.stationUrl,
): Promise<StationAnswer | null> {
  if (url === null) return null;
  const patienceMs = garden.isDemo ? DEMO_PATIENCE_MS : STATION_PATIENCE_MS;
  const past: StationDay[] = [];
  try {
    const earliest = addDays(await earliestStart(garden, today), -DAYS_BEFORE);
    const last = await WeatherDayRow.max<string | null, WeatherDayRow>('date', {
      where: { gardenId: garden.id, source: 'station' },
    });
    const from = last && last >= earliest ? addDays(last, 1) : earliest;
    for await (const days of pastDays(url, from, addDays(today, -1), patienceMs)) past.push(...days);
    return { url, today, past, forecast: await askForecast(url, today, patienceMs), trouble: null };
  } catch (error) {
    if (!(error instanceof StationTrouble)) throw error;
    log.warn({ garden: garden.id, trouble: error.message }, 'the weather station is of no use');
    return { url, today, past, forecast: null, trouble: error.message };
  }
}

/** Saves what a station said, and tells whether that is anything new. Part of a write. */
export async function saveStationAnswer(
  garden: Garden,
  said: StationAnswer | null,
  at: Date,
): Promise<boolean> {
  // Its address may have been changed while it was asked.
  if (!said || garden.stationUrl !== said.url) return false;
  await storeDays(garden.id, 0, said.past);
  const before = await ForecastRow.findByPk(garden.id, { raw: true });
  const same = before?.url === said.url ? before : null;
  // What it forecast last stands until it has answered again.
  const [today, days] =
    said.forecast === null
      ? [same?.today ?? said.today, same?.days ?? '[]']
      : [said.today, JSON.stringify(said.forecast)];
  const { url, trouble } = said;
  await ForecastRow.upsert({ gardenId: garden.id, url, today, askedAt: at, days, trouble });
  return said.past.length > 0 || same?.days !== days || same.today !== today || same.trouble !== trouble;
}

/** What is known of a garden's station: what it last forecast, and what went wrong when it was last asked. */
export async function stationOnRecord(
  garden: Garden,
): Promise<{ days: ForecastDay[]; trouble: string | null }> {
  const row = await ForecastRow.findByPk(garden.id, { raw: true });
  if (!row || row.url !== garden.stationUrl) return { days: [], trouble: null };
  return { days: JSON.parse(row.days) as ForecastDay[], trouble: row.trouble };
}

/** Whether a garden's station is to be asked: it has not spoken for this day, or not for a while. */
export async function isStationDue(garden: Garden, today: string, now: Date): Promise<boolean> {
  if (garden.stationUrl === null) return false;
  const row = await ForecastRow.findByPk(garden.id, { raw: true });
  if (!row || row.url !== garden.stationUrl) return true;
  const since = now.getTime() - new Date(row.askedAt).getTime();
  if (row.trouble !== null) return since >= SILENT_MS || since < 0;
  if (row.today !== today) return true;
  return garden.clockMode === 'real' && (since >= ASKED_AGAIN_MS || since < 0);
}
