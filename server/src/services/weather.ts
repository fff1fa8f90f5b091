import { forecastDay, stationDays, stationForecast, type WeatherView } from '@kibble/contract';
import {
  addDays,
  BALANCE_DAYS,
  completeWeather,
  daysBetween,
  referenceEt,
  type ForecastDay,
  type Site,
  type SourcedDay,
  type WeatherDay,
} from '@kibble/core';
import { Op } from 'sequelize';
import type { Logger } from 'pino';
import { Bed, EventRow, ImportRow, WeatherDayRow, type Garden } from '../db/models.ts';
import { writerOf } from '../db/writer.ts';

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

/** Takes a file's days in as one act, which can be taken back as one. */
export async function storeImport(
  gardenId: number,
  fileName: string,
  days: readonly WeatherDay[],
  at: Date,
): Promise<ImportRow> {
  const row = await ImportRow.create({ gardenId, fileName, at, days: days.length });
  await storeDays(gardenId, row.id, days);
  return row;
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
    const last = await WeatherDayRow.max<string | null, WeatherDayRow>('date', {
      where: { gardenId: garden.id, source: 'station' },
    });
    const yesterday = addDays(today, -1);
    const from = last && last >= earliest ? addDays(last, 1) : earliest;
    if (from <= yesterday) {
      for (let start = from; start <= yesterday; start = addDays(start, 700)) {
        const end = daysBetween(start, yesterday) > 699 ? addDays(start, 699) : yesterday;
        const { days } = stationDays.parse(await ask(`${garden.stationUrl}/days?from=${start}&to=${end}`));
        await writerOf(garden.sequelize)(() => storeDays(garden.id, 0, days));
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

/** Whether a garden's station has not said what it forecasts for today. */
export const stationIsSilent = (garden: Garden, today: string): boolean =>
  garden.stationUrl !== null && !forecasts.has(`${garden.id} ${today}`);

const known = (value: number | null): number | undefined => value ?? undefined;

/** Years of record that the balance and the seasons past the forecast are read from; older ones stay on file. Judgement. */
const READ_DAYS = 6 * 366;

/** Days on record from `from` to `to`: later imports before earlier ones, any before the station, the gauge's rain before all. */
async function recordOf(garden: Garden, from: string, to: string): Promise<WeatherDay[]> {
  const standing = await ImportRow.findAll({ where: { gardenId: garden.id, removedAt: null }, raw: true });
  const rows = await WeatherDayRow.findAll({
    where: {
      gardenId: garden.id,
      importId: [0, ...standing.map(({ id }) => id)],
      date: { [Op.between]: [from, to] },
    },
    order: ['date', 'importId'],
    raw: true,
  });
  const gauge = await gaugesOf(garden, from, to);
  const days = new Map<string, WeatherDay>();
  for (const r of rows)
    days.set(r.date, {
      date: r.date,
      tMinC: r.tMinC,
      tMaxC: r.tMaxC,
      rainMm: gauge.get(r.date)?.rainMm ?? r.rainMm,
      windMs: known(r.windMs),
      rhMinPct: known(r.rhMinPct),
      rhMaxPct: known(r.rhMaxPct),
      solarMJ: known(r.solarMJ),
    });
  return [...days.values()];
}

/** The gauge's readings by day. */
async function gaugesOf(garden: Garden, from: string, to: string): Promise<Map<string, EventRow>> {
  const events = await EventRow.findAll({
    where: { gardenId: garden.id, kind: 'rain', removedAt: null, date: { [Op.between]: [from, to] } },
    order: ['id'],
    raw: true,
  });
  return new Map(events.map((event) => [event.date, event]));
}

/**
 * An unbroken series for the garden, from `from` to the end of the horizon, seen from today.
 * @param asking whether the station may be asked; otherwise what it last said is taken
 */
export async function gardenWeather(
  garden: Garden,
  today: string,
  from: string,
  horizonDays: number,
  log: Logger,
  asking = true,
): Promise<SourcedDay[]> {
  const forecast = asking
    ? await refreshFromStation(garden, today, addDays(from, -30), log)
    : (forecasts.get(`${garden.id} ${today}`) ?? []);
  // Whether a bed can be planned does not hang on what past years were like.
  const oldest = asking ? addDays(today, -READ_DAYS) : from;
  const record = await recordOf(garden, from < oldest ? from : oldest, addDays(today, -1));
  const days = completeWeather({
    record,
    forecast: forecast.filter((day) => day.date >= today),
    site: siteOf(garden),
    from,
    to: addDays(today, horizonDays - 1),
    today,
  });
  // A gauge speaks also for days nothing else measured, and for rain that fell this morning.
  const gauge = await gaugesOf(garden, from, today);
  return days.map((day) => {
    const rainMm = gauge.get(day.date)?.rainMm ?? undefined;
    return rainMm === undefined ? day : { ...day, rainMm, rainChance: rainMm > 0 ? 1 : 0 };
  });
}

/** First day a garden's balance needs: its earliest bed's, or a month back when it has none. */
export async function earliestStart(garden: Garden, today: string): Promise<string> {
  const first = await Bed.min<string | null, Bed>('startOn', {
    where: { gardenId: garden.id, archivedAt: null },
  });
  const fallback = addDays(today, -30);
  const earliest = addDays(today, -BALANCE_DAYS);
  return first && first < fallback ? (first < earliest ? earliest : first) : fallback;
}

const RECENT_DAYS = 60;

/** The weather room: the last days of the record with their gauge readings, how much there is, and the files it came from. */
export async function weatherPage(garden: Garden, today: string): Promise<WeatherView> {
  const yesterday = addDays(today, -1);
  const files = await ImportRow.findAll({ where: { gardenId: garden.id }, order: [['id', 'DESC']] });
  const standing = files.filter(({ removedAt }) => !removedAt).map(({ id }) => id);
  const where = {
    gardenId: garden.id,
    importId: [0, ...standing],
    date: { [Op.lte]: yesterday },
  };
  const from = await WeatherDayRow.min<string | null, WeatherDayRow>('date', { where });
  const to = await WeatherDayRow.max<string | null, WeatherDayRow>('date', { where });
  const count = await WeatherDayRow.count({ where, distinct: true, col: 'date' });
  const year = to ? await recordOf(garden, addDays(to, -364), to) : [];
  const recent = year.slice(-RECENT_DAYS).reverse();
  const oldest = recent.at(-1)?.date ?? today;
  const gauge = await gaugesOf(garden, oldest, today);
  const imported = new Set(
    (
      await WeatherDayRow.findAll({
        where: { gardenId: garden.id, importId: standing, date: { [Op.between]: [oldest, today] } },
        raw: true,
      })
    ).map(({ date }) => date),
  );
  const site = siteOf(garden);
  return {
    days: recent.map((day) => ({
      date: day.date,
      tMinC: day.tMinC,
      tMaxC: day.tMaxC,
      rainMm: day.rainMm,
      windMs: day.windMs ?? null,
      source: imported.has(day.date) ? 'import' : 'station',
      gaugeMm: gauge.get(day.date)?.rainMm ?? null,
      gaugeEventId: gauge.get(day.date)?.id ?? null,
      et0Mm: referenceEt(day, site).mm,
    })),
    from,
    to,
    count,
    longestDryRun: longestDryRun(year),
    imports: files.map(({ id, fileName, at, days, removedAt }) => ({
      id,
      fileName,
      at: at.toISOString(),
      days,
      removed: Boolean(removedAt),
    })),
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
