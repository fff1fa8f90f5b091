import type { BedPageView, BedView, ChartDay } from '@kibble/contract';
import { balanceTotals, cropCautions, stageStrip, type BedOutlook, type DailyRecord } from '@kibble/core';
import type { Logger } from 'pino';
import type { Bed, Garden } from '../db/models.ts';
import type { WallClock } from './clock.ts';
import { contextOf, type Context } from './context.ts';
import { cropOfBed, plantingsOf } from './planBeds.ts';
import { sharpenBed } from './sharpen.ts';
import { headOf, leaveOf, stopOf } from './stops.ts';
import { tasksOf } from './tasks.ts';

function chartDay(day: DailyRecord, ahead: boolean, source: ChartDay['source']): ChartDay {
  return {
    date: day.date,
    et0Mm: day.et0Mm,
    rainMm: day.rainMm,
    irrigationMm: day.irrigationMm,
    evaporationMm: day.evaporationMm,
    transpirationMm: day.transpirationMm,
    runoffMm: day.runoffMm,
    lostBelowRootsMm: day.lostBelowRootsMm,
    depletionMm: day.depletionMm,
    readilyMm: day.readilyAvailableMm,
    totalMm: day.totalAvailableMm,
    rootDepthMm: day.rootDepthMm,
    stressCoefficient: day.stressCoefficient,
    wetFrontMm: day.wetFrontMm,
    ahead,
    source,
  };
}

/** The calendar of every planting that stands or is to come. */
const stripsOf = (bed: BedView, { today, garden }: Context): BedPageView['strips'] =>
  plantingsOf(bed, garden.latitudeDeg).flatMap((planting, i) => {
    const view = bed.plantings[i];
    if (!view || (planting.endedOn !== undefined && planting.endedOn <= today)) return [];
    return [{ plantingId: view.id, cropName: view.cropName, steps: stageStrip(planting, today) }];
  });

/** Days compared with the same days a year before. */
const COMPARED_DAYS = 30;

function lastYearOf(past: readonly DailyRecord[]): BedPageView['lastYear'] {
  if (past.length < 365 + COMPARED_DAYS) return null;
  return {
    days: COMPARED_DAYS,
    now: balanceTotals(past.slice(-COMPARED_DAYS)),
    then: balanceTotals(past.slice(-365 - COMPARED_DAYS, -365)),
  };
}

/** A bed's outlook with all of its past: a large garden's plan carries only the last weeks. */
async function wholePast(
  garden: Garden,
  bed: Bed,
  outlook: BedOutlook,
  { pastIsWhole }: Context,
  wall: WallClock,
  log: Logger,
): Promise<BedOutlook> {
  if (pastIsWhole) return outlook;
  const alone = await contextOf(garden, wall, log, { bedId: bed.id, members: 0 });
  return alone.plan.beds[0] ?? outlook;
}

/** One bed's page: its core, its balance behind and ahead, and what happened on it. */
export async function bedPageOf(
  garden: Garden,
  bedRow: Bed,
  wall: WallClock,
  log: Logger,
): Promise<BedPageView | null> {
  const context = await contextOf(garden, wall, log);
  const { plan, today } = context;
  const bed = context.beds.find((b) => b.id === bedRow.id);
  const outlook = plan.beds.find((b) => b.bedId === bedRow.id);
  if (!bed || !outlook) return null;
  const { past } = await wholePast(garden, bedRow, outlook, context, wall, log);
  const watering = plan.waterings.find((w) => w.bedId === bed.id && w.date === today);
  const crop = cropOfBed(bed);
  const sources = new Map(context.weather.map((day) => [day.date, day.source]));
  return {
    ...headOf(bed, outlook, context),
    garden: context.garden,
    days: [
      ...past.map((day) => chartDay(day, false, sources.get(day.date) ?? 'record')),
      ...outlook.ahead.map((day, i) => chartDay(day, true, outlook.aheadSources[i] ?? 'forecast')),
    ],
    strips: stripsOf(bed, context),
    cautions: crop ? cropCautions(crop) : [],
    tasks: tasksOf(bed, outlook, context),
    lastYear: lastYearOf(past),
    window: outlook.window,
    sharpen: sharpenBed(bed, context),
    bed,
    stop: watering ? stopOf(bed, outlook, watering, context) : null,
    leave: watering ? null : leaveOf(bed, outlook, context),
    next: outlook.next
      ? {
          date: outlook.next.date,
          litres: outlook.next.run.litres,
          minutes: outlook.next.run.minutes,
          localMm: outlook.next.run.localMm,
        }
      : null,
    events: context.events.filter((event) => event.bedId === bed.id).reverse(),
    season: balanceTotals(past),
  };
}
