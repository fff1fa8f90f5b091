import {
  forecastDay,
  parseRawJson,
  RawJsonError,
  stationDays,
  stationForecast,
  type StationDay,
} from '@kibble/contract';
import { addDays, daysBetween, type ForecastDay } from '@kibble/core';
import type { z } from 'zod';

/** Longest a station may take to answer, ms. */
export const STATION_PATIENCE_MS = 4000;
/** Most it may send. */
const MOST_BYTES = 1_000_000;
/** Days asked for at once. */
const DAYS_AT_ONCE = 700;

/** A station's fault in words a gardener understands. */
export class StationTrouble extends Error {}

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
async function ask(url: string, patienceMs: number): Promise<unknown> {
  let text: string;
  try {
    const answer = await fetch(url, {
      redirect: 'error',
      signal: AbortSignal.timeout(patienceMs),
      headers: { Accept: 'application/json' },
    });
    if (!answer.ok) throw new StationTrouble(`it answers “${answer.status}”`);
    text = await textOf(answer);
  } catch (error) {
    if (error instanceof StationTrouble) throw error;
    const late = (error as { name?: string }).name === 'TimeoutError';
    throw new StationTrouble(
      late ? `it does not answer within ${patienceMs / 1000} seconds` : 'it cannot be reached',
    );
  }
  try {
    return parseRawJson(text);
  } catch (error) {
    if (!(error instanceof RawJsonError)) throw error;
    throw new StationTrouble(
      error.reason === 'not JSON' ? 'what it sends is not JSON' : `of what it sends, ${error.message}`,
    );
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

/** What a station forecasts from a day on. @throws StationTrouble with what is wrong with it */
export async function askForecast(
  url: string,
  today: string,
  patienceMs = STATION_PATIENCE_MS,
): Promise<ForecastDay[]> {
  const { days } = read(stationForecast, await ask(`${url}/forecast?today=${today}`, patienceMs));
  return days.map((day) => forecastDay.parse(day));
}

/** A station's past days, some at a time. @throws StationTrouble with what is wrong with it */
export async function* pastDays(
  url: string,
  from: string,
  to: string,
  patienceMs = STATION_PATIENCE_MS,
): AsyncGenerator<StationDay[]> {
  for (let start = from; start <= to; start = addDays(start, DAYS_AT_ONCE)) {
    const end = daysBetween(start, to) >= DAYS_AT_ONCE ? addDays(start, DAYS_AT_ONCE - 1) : to;
    const { days } = read(stationDays, await ask(`${url}/days?from=${start}&to=${end}`, patienceMs));
    yield days.filter(({ date }) => date >= start && date <= end);
  }
}
