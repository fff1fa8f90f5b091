import { bedBody, isShared, potBody, treeBody, type StationDay } from '@kibble/contract';
import {
  addDays,
  BALANCE_DAYS,
  followSeason,
  METHOD_FACTS,
  treeAsDeclared,
  usualWay,
  vesselKind,
  wateredAsDue,
  weatherSeries,
  type DatedPotEntry,
  type Finding,
  planBed,
} from '@kibble/core';
import { beds, bookFrom, bookName, ph, pots, taps, threePoplars } from '@kibble/demo';
import type { Sequelize } from 'sequelize';
import { Bed, EntryRow, ForecastRow, Garden, ImportRow, Planting, Tap } from './db/models.ts';
import { writerOf } from './db/writer.ts';
import { append, appendAll, ofBeds, type NewEntry } from './record/log.ts';
import { todayOf, type WallClock } from './services/clock.ts';
import { createBed } from './services/beds.ts';
import { createGarden, gardenToView } from './services/gardens.ts';
import { firstSettings } from './services/settings.ts';
import { addPot } from './services/pots.ts';
import { vesselOf } from './services/vesselOf.ts';
import { askForecast, pastDays } from './services/askStation.ts';
import { earliestStart } from './services/earliestStart.ts';
import { DAYS_BEFORE, saveStationAnswer } from './services/station.ts';
import { gardenWeather, siteOf } from './services/weather.ts';
import { storeDays } from './services/weatherRows.ts';

/** The station beside the demo answers from this very process, which has a lot to do at a first start, ms. */
const SEED_PATIENCE_MS = 300_000;

/** What the demo's station measured before the first morning, and forecasts for it. */
async function stationsPast(stationUrl: string, today: string) {
  const first = addDays(today, -BALANCE_DAYS - DAYS_BEFORE);
  const collected = async (from: string, to: string): Promise<StationDay[]> => {
    const days: StationDay[] = [];
    for await (const some of pastDays(stationUrl, from, to, SEED_PATIENCE_MS)) days.push(...some);
    return days;
  };
  return {
    past: await collected(first, addDays(today, -1)),
    /** The years before the station's first day, as the grower kept them in a book and brought them in as a file. */
    book: await collected(bookFrom, addDays(first, -1)),
    forecast: await askForecast(stationUrl, today, SEED_PATIENCE_MS),
  };
}

/** Puts the demo garden into an empty database; an existing one only learns where its station is now. */
export async function seedDemo(sequelize: Sequelize, stationUrl: string, wall: WallClock): Promise<void> {
  const write = writerOf(sequelize);
  const known = await Garden.findOne({ where: { isDemo: true } });
  if (known) {
    await write(async () => {
      await ForecastRow.update({ url: stationUrl }, { where: { gardenId: known.id } });
      await known.update({ stationUrl });
    }, 'where the demo’s station is');
    return;
  }
  const today =
    threePoplars.clock.mode === 'practice' ? threePoplars.clock.date : wall.now().toISOString().slice(0, 10);
  const { past, book, forecast } = await stationsPast(stationUrl, today);
  // All of it or nothing: a first start that is cut short begins anew.
  await write(async () => {
    const garden = await createGarden(threePoplars, { stationUrl, isDemo: true });
    await saveStationAnswer(garden, { url: stationUrl, today, past, forecast, trouble: null }, wall.now());
    for (const {
      followedUntil: _,
      tap: _tap,
      groundOf: _ground,
      findings: _findings,
      tree,
      ...body
    } of beds) {
      const bed = await createBed(garden.id, bedBody.parse(body), todayOf(garden, wall), wall.now());
      if (tree) await seedTree(bed, tree, todayOf(garden, wall), wall);
    }
    await seedFindings(garden.id, wall);
    await waterAsPlanned(garden, wall);
    await seedPots(garden, wall);
    const row = await ImportRow.create({
      gardenId: garden.id,
      fileName: bookName,
      at: wall.now(),
      days: book.length,
    });
    await storeDays(garden.id, row.id, book);
  }, 'the demo’s first garden');
}

/** What is known of a tree of the demo, from its first day on. */
async function seedTree(
  bed: Bed,
  tree: NonNullable<(typeof beds)[number]['tree']>,
  today: string,
  wall: WallClock,
): Promise<void> {
  const value = treeAsDeclared(treeBody.parse(tree), bed.startOn, today);
  await firstSettings(bed, [{ kind: 'tree', value }], bed.startOn, wall.now());
}

/** The taps of the demo and what was tested before its first morning. */
async function seedFindings(gardenId: number, wall: WallClock): Promise<void> {
  const fact = (of: { bed?: Bed; tapId?: number; method?: string }, on: string, input: Finding) =>
    append({
      gardenId,
      subject: of.bed
        ? isShared(input.kind)
          ? { kind: 'ground', id: of.bed.groundId }
          : { kind: 'bed', id: of.bed.id }
        : { kind: 'tap', id: of.tapId ?? 0 },
      bedId: of.bed && isShared(input.kind) ? of.bed.id : null,
      body: input,
      on,
      at: wall.now(),
      method: of.method ?? null,
    });
  const tapIds: number[] = [];
  for (const { name, nozzle, findings } of taps) {
    const tap = await Tap.create({ gardenId, name, nozzle });
    tapIds.push(tap.id);
    for (const { on, input } of findings) await fact({ tapId: tap.id }, on, input);
  }
  const rows = await Bed.findAll({ where: { gardenId } });
  for (const bed of beds) {
    const row = rows.find((r) => r.name === bed.name);
    if (!row) continue;
    const shares = rows.find((r) => r.name === bed.groundOf);
    if (shares) await row.update({ groundId: shares.groundId });
    const tap = bed.tap === undefined ? null : (tapIds[bed.tap] ?? null);
    await EntryRow.destroy({ where: { ...ofBeds(row.id), kind: 'tap' } });
    await firstSettings(row, [{ kind: 'tap', value: tap }], row.startOn, wall.now());
    for (const { cropId, plantedOn, share } of bed.also ?? [])
      await Planting.create({ bedId: row.id, cropId, plantedOn, share, endedOn: null, method: null });
    for (const { on, input } of bed.findings ?? [])
      await fact({ bed: row, method: bed.delivery.method }, on, input);
  }
}

/** Fills the demo's past with what a gardener who followed the plan would have done. */
async function waterAsPlanned(garden: Garden, wall: WallClock): Promise<void> {
  const today = todayOf(garden, wall);
  const weather = await gardenWeather(garden, today, await earliestStart(garden, today), 1);
  const view = await gardenToView(garden, wall);
  for (const bed of view.beds) {
    const until = beds.find((b) => b.name === bed.name)?.followedUntil ?? addDays(today, -1);
    const waterings = followSeason({
      site: siteOf(garden),
      bed: planBed(bed, [], { today, latitudeDeg: garden.latitudeDeg }),
      weather,
      to: until,
    });
    await appendAll(
      waterings.map(({ date, run }) => ({
        gardenId: garden.id,
        subject: { kind: 'bed', id: bed.id },
        body: {
          kind: 'watering',
          // What is carried is counted in litres, what is opened in minutes.
          ...(METHOD_FACTS[bed.delivery.method].fillLitres === undefined
            ? { minutes: run.minutes }
            : { litres: run.litres }),
          asPlanned: true,
        },
        on: date,
        at: wall.now(),
      })),
    );
  }
}

/** The pots and trays of the demo, watered as they were due up to an evening. */
async function seedPots(garden: Garden, wall: WallClock): Promise<void> {
  const today = todayOf(garden, wall);
  const from = pots.map(({ startOn }) => startOn).sort()[0] ?? today;
  const weather = await gardenWeather(garden, today, from, 1);
  const { latitudeDeg } = garden;
  const site = siteOf(garden);
  const span = { weather: { from, series: weatherSeries(weather, site), latitudeDeg }, sourced: weather };
  const rows: NewEntry[] = [];
  const write = (potId: number, { date, hour, entry }: DatedPotEntry): void => {
    rows.push({
      gardenId: garden.id,
      subject: { kind: 'pot', id: potId },
      body: entry,
      on: date,
      hour,
      at: wall.now(),
    });
  };
  for (const { startOn, followedUntil, entries = [], ...draft } of pots) {
    const body = potBody.parse(draft);
    const pot = await addPot(garden, body, wall, { startOn });
    const { seedlings } = vesselKind(body.kind);
    const vessel = vesselOf(
      body.kind,
      body.facts,
      body.plantings.map(({ cropId, plantedOn }) => ({ cropId, plantedOn, latitudeDeg })),
    );
    const entered = entries.map(({ on, hour, entry }): DatedPotEntry => ({ date: on, hour, entry }));
    const way = usualWay(vessel, seedlings).way;
    const followed = { id: pot.id, seedlings, vessel, startOn, startFullness: 1, way, entries: entered };
    for (const one of [...wateredAsDue(followed, span, followedUntil), ...entered]) write(pot.id, one);
  }
  for (const { on, of, ph: value } of ph)
    rows.push({
      gardenId: garden.id,
      subject: { kind: 'garden', id: garden.id },
      body: { kind: 'ph', ph: value, of },
      on,
      hour: 9,
      at: wall.now(),
    });
  await appendAll(rows);
}
