import { forecastDay, stationDays, stationForecast, type StationDay } from '@kibble/contract';
import { addDays, daysBetween, type ForecastDay } from '@kibble/core';
import type { Logger } from 'pino';
import { z } from 'zod';
import { WeatherDayRow, type Garden } from '../db/models.ts';
import { writerOf } from '../db/writer.ts';
import { storeDays } from './weatherRows.ts';

/** Longest a station may take to answer, and most it may send. */
const PATIENCE_MS = 4000;
const MOST_BYTES = 1_000_000;
/** Days asked for at once. */
const DAYS_AT_ONCE = 700;

/** A station's fault in words a gardener understands. */
export class StationTrouble extends Error {}

/** What each garden's station last forecast, and for which address and day; a restart asks again. */
const forecasts = new Map<number, { url: string; today: string; days: ForecastDay[] }>();
/** What went wrong when it was last asked. */
const troubles = new Map<number, string>();

async function textOf(answer: Response): Promise<string> {
  const parts: Uint8Array[] = [];
  let bytes = 0;
  for await (const part of answer.body ?? []) {
    bytes += (part as Uint8Array).length;
    if (bytes > MOST_BYTES) throw new StationTrouble('it sends more than a million letters');
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}

/** One answer of a station: asked of the address that was typed and of no other, with a time and a size that it must keep to. */
async function ask(url: string): Promise<unknown> {
  let text: string;
  try {
    const answer = await fetch(url, {
      redirect: 'error',
      signal: AbortSignal.timeout(PATIENCE_MS),
      headers: { Accept: 'application/json' },
    });
    if (!answer.ok) throw new StationTrouble(`it answers “${answer.status}”`);
    text = await textOf(answer);
  } catch (error) {
    if (error instanceof StationTrouble) throw error;
    const late = (error as { name?: string }).name === 'TimeoutError';
    throw new StationTrouble(
      late ? `it does not answer within ${PATIENCE_MS / 1000} seconds` : 'it cannot be reached',
    );
  }
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new StationTrouble('what it sends is not JSON');
  }
}

/** Reads an answer whole: one day that cannot be is reason to take none of it. */
function read<T>(schema: z.ZodType<T>, answer: unknown): T {
  const { data, error } = schema.safeParse(answer);
  if (error) {
    const [issue] = error.issues;
    const where = issue?.path.join('.');
    throw new StationTrouble(
      `it sends something else than Kibble’s days: ${[where, issue?.message].filter(Boolean).join(': ')}`,
    );
  }
  return data;
}

async function askForecast(url: string, today: string): Promise<ForecastDay[]> {
  const { days } = read(stationForecast, await ask(`${url}/forecast?today=${today}`));
  return days.map((day) => forecastDay.parse(day));
}

/** Brings the station's past days up to yesterday. */
async function takeDays(garden: Garden, url: string, today: string, earliest: string): Promise<void> {
  const last = await WeatherDayRow.max<string | null, WeatherDayRow>('date', {
    where: { gardenId: garden.id, source: 'station' },
  });
  const yesterday = addDays(today, -1);
  const from = last && last >= earliest ? addDays(last, 1) : earliest;
  for await (const days of pastDays(url, from, yesterday))
    await writerOf(garden.sequelize)(() => storeDays(garden.id, 0, days));
}

/** A station's past days, some at a time. */
export async function* pastDays(url: string, from: string, to: string): AsyncGenerator<StationDay[]> {
  for (let start = from; start <= to; start = addDays(start, DAYS_AT_ONCE)) {
    const end = daysBetween(start, to) >= DAYS_AT_ONCE ? addDays(start, DAYS_AT_ONCE - 1) : to;
    const { days } = read(stationDays, await ask(`${url}/days?from=${start}&to=${end}`));
    yield days.filter(({ date }) => date >= start && date <= end);
  }
}

/** Brings the station's past days up to yesterday and its forecast up to today. A silent station leaves what is known. */
export async function refreshFromStation(
  garden: Garden,
  today: string,
  earliest: string,
  log: Logger,
): Promise<ForecastDay[]> {
  const url = garden.stationUrl;
  if (!url) return [];
  const known = forecasts.get(garden.id);
  if (known?.url === url && known.today === today) return known.days;
  try {
    await takeDays(garden, url, today, earliest);
    const days = await askForecast(url, today);
    forecasts.set(garden.id, { url, today, days });
    troubles.delete(garden.id);
    return days;
  } catch (error) {
    if (!(error instanceof StationTrouble)) throw error;
    troubles.set(garden.id, error.message);
    log.warn({ garden: garden.id, trouble: error.message }, 'the weather station is of no use');
    return known?.url === url ? known.days : [];
  }
}

/** What its station last forecast. */
export const lastForecast = ({ id, stationUrl }: Garden): ForecastDay[] => {
  const known = forecasts.get(id);
  return known?.url === stationUrl ? known.days : [];
};

/** Whether a garden's station has not said what it forecasts for today. */
export const stationIsSilent = (garden: Garden, today: string): boolean => {
  const known = forecasts.get(garden.id);
  return garden.stationUrl !== null && !(known?.url === garden.stationUrl && known.today === today);
};

/** What went wrong when a garden's station was last asked. */
export const troubleOf = (gardenId: number): string | null => troubles.get(gardenId) ?? null;

/** Asks an address that was just typed for what it forecasts. @throws StationTrouble with what is wrong with it */
export async function tryStation(url: string, today: string): Promise<void> {
  await askForecast(url, today);
}

/** Forgets what stations said, so that the next look asks again: all of them, or one garden's. */
export function forgetForecasts(gardenId?: number): void {
  if (gardenId === undefined) {
    forecasts.clear();
    troubles.clear();
    return;
  }
  const known = forecasts.get(gardenId);
  // What it forecast last stands until it has answered again.
  if (known) forecasts.set(gardenId, { ...known, today: '' });
}
