import { bodyFromStore, type WeatherView } from '@kibble/contract';
import {
  addDays,
  completeWeather,
  drainDate,
  forecastEnsemble,
  latestClimatology,
  referenceEt,
  weatherFan,
  yearsCompared,
  type EntryBody,
  type ForecastDay,
  type ManualForecast,
  type Site,
  type SourcedDay,
  type WeatherDay,
} from '@kibble/core';
import { Op } from 'sequelize';
import { EntryRow, ImportRow, WeatherDayRow, type Garden } from '../db/models.ts';
import { climateKnownOf, siteAt } from './climate.ts';
import { stationOnRecord } from './station.ts';

export const siteOf = (garden: Garden): Site =>
  siteAt({ ...garden.get({ plain: true }), climateKnown: climateKnownOf(garden) });

/** How much of a span of days is on record by now. */
export async function knownDays(gardenId: number, from: string, to: string): Promise<number> {
  const standing = await ImportRow.findAll({ where: { gardenId, removedAt: null }, raw: true });
  return WeatherDayRow.count({
    where: {
      gardenId,
      importId: [0, ...standing.map(({ id }) => id)],
      date: { [Op.between]: [from, to] },
    },
    distinct: true,
    col: 'date',
  });
}

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

interface Gauged {
  id: number;
  rainMm: number;
}
/** The gauge's readings by day. */
async function gaugesOf(garden: Garden, from: string, to: string): Promise<Map<string, Gauged>> {
  return new Map(
    (await weatherEntries(garden.id, 'rain', from, to)).flatMap(({ id, on, body }) =>
      body?.kind === 'rain' ? [[on, { id, rainMm: body.rainMm }] as const] : [],
    ),
  );
}

/** What was entered of days' weather and stands, in the order in which it was. */
async function weatherEntries(
  gardenId: number,
  kind: 'rain' | 'manual forecast',
  from: string,
  to: string,
): Promise<{ id: number; on: string; body: EntryBody | null }[]> {
  const rows = await EntryRow.findAll({
    where: { gardenId, sort: 'weather', kind, removedAt: null, on: { [Op.between]: [from, to] } },
    order: ['id'],
    raw: true,
  });
  return rows.map((row) => ({
    id: row.id,
    on: row.on,
    body: bodyFromStore(row.kind, row.version, row.body),
  }));
}

/** How likely rain is that a file has for a day ahead, and any where it has none. Judgement. */
const FILED_CHANCE = { wet: 0.8, dry: 0.1 };

/** Days ahead that files brought, the latest of several. */
async function filedAhead(garden: Garden, from: string, to: string): Promise<ForecastDay[]> {
  const days = await recordOf(garden, from, to);
  return days.map((day) => ({ ...day, rainChance: day.rainMm > 0 ? FILED_CHANCE.wet : FILED_CHANCE.dry }));
}

/** What somebody said of days, by date: the latest word on each. What cannot be read any more was not said. */
export async function manualForecasts(
  gardenId: number,
  from: string,
  to: string,
): Promise<Map<string, ManualForecast>> {
  const said = new Map<string, ManualForecast>();
  for (const { on, body } of await weatherEntries(gardenId, 'manual forecast', from, to)) {
    if (body?.kind !== 'manual forecast') continue;
    if (body.forecast === null) said.delete(on);
    else said.set(on, body.forecast);
  }
  return said;
}

/** What was measured, forecast and said of a garden's weather, before it is put together. */
interface Heard {
  record: WeatherDay[];
  forecast: ForecastDay[];
  said: Map<string, ManualForecast>;
  gauge: Map<string, Gauged>;
}

async function heardOf(
  garden: Garden,
  { today, from, oldest, to }: { today: string; from: string; oldest: string; to: string },
  forecast: readonly ForecastDay[],
): Promise<Heard> {
  const [record, filed, said, gauge] = await Promise.all([
    recordOf(garden, from < oldest ? from : oldest, addDays(today, -1)),
    filedAhead(garden, today, to),
    manualForecasts(garden.id, from, to),
    gaugesOf(garden, from, today),
  ]);
  // A file somebody brought comes before what the station says by itself.
  return { record, forecast: [...forecast.filter((day) => day.date >= today), ...filed], said, gauge };
}

/** The series that what was heard comes to; without what was said by hand where that is not to count. */
function seriesOf(
  { record, forecast, said, gauge }: Heard,
  { site, from, to, today }: { site: Site; from: string; to: string; today: string },
  byHand = true,
): SourcedDay[] {
  const days = completeWeather({
    record,
    forecast,
    said: byHand ? said : undefined,
    site,
    from,
    to,
    today,
  });
  // A gauge speaks also for days nothing else measured, and for rain that fell this morning.
  return days.map((day) => {
    const rainMm = gauge.get(day.date)?.rainMm ?? undefined;
    return rainMm === undefined ? day : { ...day, rainMm, rainChance: rainMm > 0 ? 1 : 0 };
  });
}

/**
 * An unbroken series for the garden, from `from` to the end of the horizon, seen from today. Everything in it is on
 * record: what its station says is brought by a job.
 * @param options whether past years are looked at, for what made-up days are like
 */
export async function gardenWeather(
  garden: Garden,
  today: string,
  from: string,
  horizonDays: number,
  { pastYears = true }: { pastYears?: boolean } = {},
): Promise<SourcedDay[]> {
  const { days } = await stationOnRecord(garden);
  // Whether a bed can be planned does not hang on what past years were like.
  const oldest = pastYears ? addDays(today, -READ_DAYS) : from;
  const span = { site: siteOf(garden), from, to: addDays(today, horizonDays - 1), today };
  return seriesOf(await heardOf(garden, { ...span, oldest }, days), span);
}

const RECENT_DAYS = 60;
/** Days of the record that are drawn one by one. */
const SHOWN_DAYS = 731;
/** Ways the days ahead may turn out that the fan is drawn from; the same ones at each look. */
const FAN_MEMBERS = 200;
const FAN_SEED = 5;
/** A risk of bursting under this is not spoken of. Judgement. */
const LEAST_RISK = 0.02;

const unsaidOf = ({ tMinC, tMaxC, rainMm, rainChance, source }: SourcedDay) => ({
  tMinC,
  tMaxC,
  rainMm,
  rainChance,
  source,
});

/** The weather room: the last days of the record with their gauge readings, how much there is, and the files it came from. */
export async function weatherPage(garden: Garden, today: string, horizonDays: number): Promise<WeatherView> {
  const { days: forecast, trouble } = await stationOnRecord(garden);
  const yesterday = addDays(today, -1);
  const site = siteOf(garden);
  const span = { site, from: today, to: addDays(today, horizonDays - 1), today };
  const heard = await heardOf(garden, { ...span, oldest: addDays(yesterday, -READ_DAYS) }, forecast);
  const { record, said } = heard;
  const ahead = seriesOf(heard, span);
  const unsaid = seriesOf(heard, span, false);
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
  // A record that ended long ago is told by its last days.
  const told =
    to !== null && record.length === 0 ? await recordOf(garden, addDays(to, -SHOWN_DAYS), to) : record;
  const recent = told.slice(-RECENT_DAYS).reverse();
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
  const seen = told.map((day) => ({
    date: day.date,
    rainMm: day.rainMm,
    et0Mm: referenceEt(day, site).mm,
  }));
  const ensemble = forecastEnsemble({
    days: ahead,
    site,
    members: FAN_MEMBERS,
    seed: FAN_SEED,
    climatology: latestClimatology(record),
    yesterday: record.at(-1)?.date === yesterday ? record.at(-1) : undefined,
  });
  const drain = drainDate(
    ahead.map(({ date }) => date),
    ensemble.tMin,
    garden.drains ?? 'usual',
  );
  return {
    ahead: ahead.map((day, i) => ({
      date: day.date,
      tMinC: day.tMinC,
      tMaxC: day.tMaxC,
      rainMm: day.rainMm,
      rainChance: day.rainChance,
      windMs: day.windMs ?? null,
      et0Mm: referenceEt(day, site).mm,
      source: day.source,
      said: said.get(day.date) ?? null,
      unsaid: unsaidOf(unsaid[i] ?? day),
    })),
    past: seen.slice(-SHOWN_DAYS),
    years: yearsCompared(seen, today, garden.latitudeDeg),
    fan: weatherFan(ahead, ensemble),
    drain: drain.night || drain.burstUndrained >= LEAST_RISK ? drain : null,
    station: garden.stationUrl === null ? null : { url: garden.stationUrl, trouble },
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
    imports: files.map(({ id, fileName, at, days, removedAt }) => ({
      id,
      fileName,
      at: at.toISOString(),
      days,
      removed: Boolean(removedAt),
    })),
  };
}
