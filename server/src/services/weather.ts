import { forecastDay, stationDays, stationForecast, type WeatherView } from '@kibble/contract';
import {
  addDays,
  completeWeather,
  daysBetween,
  referenceEt,
  type ForecastDay,
  type Site,
  type SourcedDay,
  type WeatherDay,
} from '@kibble/core';
import type { Transaction } from 'sequelize';
import type { Logger } from 'pino';
import { Bed, EventRow, WeatherDayRow, type Garden } from '../db/models.ts';

export const siteOf = (garden: Garden): Site => ({
  latitudeDeg: garden.latitudeDeg,
  elevationM: garden.elevationM,
});

const STATION_PATIENCE_MS = 4000;

/** What a station last forecast, by garden and day; a restart asks again. */
const forecasts = new Map<string, ForecastDay[]>();

async function ask(url: string): Promise<unknown> {
  const answer = await fetch(url, { signal: AbortSignal.timeout(STATION_PATIENCE_MS) });
  if (!answer.ok) throw new Error(`the station answered ${answer.status}`);
  return answer.json();
}

const row = (gardenId: number, source: string, day: WeatherDay) => ({
  gardenId,
  source,
  date: day.date,
  tMinC: day.tMinC,
  tMaxC: day.tMaxC,
  rainMm: day.rainMm,
  windMs: day.windMs ?? null,
  rhMinPct: day.rhMinPct ?? null,
  rhMaxPct: day.rhMaxPct ?? null,
  solarMJ: day.solarMJ ?? null,
});

/** Writes days; a day that stands already from the same source is replaced. */
export async function storeDays(
  gardenId: number,
  source: 'import' | 'station',
  days: readonly WeatherDay[],
  transaction?: Transaction,
): Promise<void> {
  await WeatherDayRow.bulkCreate(
    days.map((day) => row(gardenId, source, day)),
    {
      transaction,
      updateOnDuplicate: ['tMinC', 'tMaxC', 'rainMm', 'windMs', 'rhMinPct', 'rhMaxPct', 'solarMJ'],
      conflictAttributes: ['gardenId', 'source', 'date'],
    } as Parameters<typeof WeatherDayRow.bulkCreate>[1],
  );
}

/** Brings the station's past days up to yesterday and its forecast up to today. A silent station leaves what is known. */
async function refreshFromStation(
  garden: Garden,
  today: string,
  earliest: string,
  log: Logger,
): Promise<ForecastDay[]> {
  if (!garden.stationUrl) return [];
  const key = `${garden.id} ${today}`;
  const known = forecasts.get(key);
  if (known) return known;
  try {
    const last = (await WeatherDayRow.max('date', { where: { gardenId: garden.id, source: 'station' } })) as
      string | null;
    const yesterday = addDays(today, -1);
    const from = last && last >= earliest ? addDays(last, 1) : earliest;
    if (from <= yesterday) {
      for (let start = from; start <= yesterday; start = addDays(start, 700)) {
        const end = daysBetween(start, yesterday) > 699 ? addDays(start, 699) : yesterday;
        const { days } = stationDays.parse(await ask(`${garden.stationUrl}/days?from=${start}&to=${end}`));
        await storeDays(garden.id, 'station', days);
      }
    }
    const { days } = stationForecast.parse(await ask(`${garden.stationUrl}/forecast?today=${today}`));
    const forecast = days.map((day) => forecastDay.parse(day));
    forecasts.set(key, forecast);
    return forecast;
  } catch (error) {
    log.warn({ err: error, garden: garden.id }, 'the weather station did not answer');
    return [];
  }
}

const known = (value: number | null): number | undefined => value ?? undefined;

/** The record: imports before station, the gauge's rain before both. */
async function recordOf(garden: Garden, from: string, to: string): Promise<WeatherDay[]> {
  const rows = await WeatherDayRow.findAll({ where: { gardenId: garden.id }, raw: true });
  const gauges = await EventRow.findAll({
    where: { gardenId: garden.id, kind: 'rain', removedAt: null },
    order: ['id'],
    raw: true,
  });
  const gauge = new Map(gauges.map((event) => [event.date, event.rainMm ?? 0]));
  const days = new Map<string, WeatherDay>();
  for (const source of ['station', 'import']) {
    for (const r of rows) {
      if (r.source !== source || r.date < from || r.date > to) continue;
      days.set(r.date, {
        date: r.date,
        tMinC: r.tMinC,
        tMaxC: r.tMaxC,
        rainMm: gauge.get(r.date) ?? r.rainMm,
        windMs: known(r.windMs),
        rhMinPct: known(r.rhMinPct),
        rhMaxPct: known(r.rhMaxPct),
        solarMJ: known(r.solarMJ),
      });
    }
  }
  return [...days.values()].sort((a, b) => (a.date < b.date ? -1 : 1));
}

/** An unbroken series for the garden, from `from` to the end of the horizon, seen from today. */
export async function gardenWeather(
  garden: Garden,
  today: string,
  from: string,
  horizonDays: number,
  log: Logger,
): Promise<SourcedDay[]> {
  const forecast = await refreshFromStation(garden, today, addDays(from, -30), log);
  const record = await recordOf(garden, '0001-01-01', addDays(today, -1));
  const days = completeWeather({
    record,
    forecast: forecast.filter((day) => day.date >= today),
    site: siteOf(garden),
    from,
    to: addDays(today, horizonDays - 1),
    today,
  });
  // A gauge speaks also for days nothing else measured, and for rain that fell this morning.
  const gauges = await EventRow.findAll({
    where: { gardenId: garden.id, kind: 'rain', removedAt: null },
    order: ['id'],
    raw: true,
  });
  const gauge = new Map(gauges.map((event) => [event.date, event.rainMm ?? 0]));
  return days.map((day) => {
    const rainMm = gauge.get(day.date);
    return rainMm === undefined || day.date > today
      ? day
      : { ...day, rainMm, rainChance: rainMm > 0 ? 1 : 0 };
  });
}

/** First day a garden's balance needs: its earliest bed's, or a month back when it has none. */
export async function earliestStart(garden: Garden, today: string): Promise<string> {
  const first = (await Bed.min('startOn', { where: { gardenId: garden.id, archivedAt: null } })) as
    string | null;
  const fallback = addDays(today, -30);
  const earliest = addDays(today, -BALANCE_DAYS);
  return first && first < fallback ? (first < earliest ? earliest : first) : fallback;
}

/** Days of balance that are kept going: beyond a year and a month the first day's wetness no longer matters. Judgement. */
export const BALANCE_DAYS = 400;

/** The weather room: the last days of the record with their gauge readings, and how much there is. */
export async function weatherPage(garden: Garden, today: string): Promise<WeatherView> {
  const all = await recordOf(garden, '0001-01-01', addDays(today, -1));
  const gauges = await EventRow.findAll({
    where: { gardenId: garden.id, kind: 'rain', removedAt: null },
    order: ['id'],
    raw: true,
  });
  const gauge = new Map(gauges.map((event) => [event.date, event]));
  const sources = new Map(
    (await WeatherDayRow.findAll({ where: { gardenId: garden.id }, raw: true })).map((r) => [
      `${r.date}${r.source}`,
      true,
    ]),
  );
  const site = siteOf(garden);
  const recent = all.slice(-60);
  return {
    days: recent.reverse().map((day) => ({
      date: day.date,
      tMinC: day.tMinC,
      tMaxC: day.tMaxC,
      rainMm: day.rainMm,
      windMs: day.windMs ?? null,
      source: sources.has(`${day.date}import`) ? 'import' : 'station',
      gaugeMm: gauge.get(day.date)?.rainMm ?? null,
      gaugeEventId: gauge.get(day.date)?.id ?? null,
      et0Mm: referenceEt(day, site).mm,
    })),
    from: all[0]?.date ?? null,
    to: all.at(-1)?.date ?? null,
    count: all.length,
    longestDryRun: longestDryRun(all.filter((day) => day.date > addDays(today, -365))),
  };
}

/** Longest run of days without rain worth the name (under 1 mm) in the past year. */
function longestDryRun(days: readonly WeatherDay[]): { days: number; from: string } | null {
  let best: { days: number; from: string } | null = null;
  let from: string | null = null;
  let length = 0;
  for (const day of days) {
    if (day.rainMm < 1) {
      from ??= day.date;
      length += 1;
      if (!best || length > best.days) best = { days: length, from };
    } else {
      from = null;
      length = 0;
    }
  }
  return best;
}

/** Forgets forecasts, so that the next look asks the station again. */
export const forgetForecasts = (): void => forecasts.clear();
