import type { BedPageView, BedView, ChartDay, UnplannedBedView } from '@kibble/contract';
import {
  addDays,
  balanceTotals,
  completeWeather,
  cropCautions,
  METHOD_FACTS,
  growthLost,
  OPEN_DAYS,
  LATELY_DAYS,
  ownLineOf,
  rootDoubt,
  standingOn,
  schoolOf,
  stageStrip,
  stageUse,
  storeRunsOut,
  undivided,
  wateredOften,
  type DailyRecord,
  type PlantingInput,
  type StageStep,
  cropOfBed,
  plantingsOf,
} from '@kibble/core';
import { HORIZON_DAYS, type Context } from '../context.ts';
import { sharpenBed } from './sharpen.ts';
import { headOf } from './stops.ts';
import type { Places } from '../places.ts';
import { wholePast } from '../wholePast.ts';

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
const stripsOf = (bed: BedView, context: Context): BedPageView['strips'] =>
  plantingsOf(bed, context.site.latitudeDeg).flatMap((planting, i) => {
    const { today } = context;
    const view = bed.plantings[i];
    if (!view || (planting.endedOn !== undefined && planting.endedOn <= today)) return [];
    const steps = stageStrip(planting, today);
    return [{ plantingId: view.id, cropName: view.cropName, steps, useMm: useOf(planting, steps, context) }];
  });

/** What a planting drinks a day in each of its stages: as it was, and as is usual for the season. */
function useOf(
  planting: PlantingInput,
  steps: readonly StageStep[],
  { site, today, weather }: Context,
): (number | null)[] {
  const [first, last] = [steps[0]?.from, steps.at(-1)?.from];
  if (!first || !last) return [];
  const record = weather.filter(({ source }) => source === 'record');
  const days = completeWeather({
    record,
    forecast: [],
    site,
    from: first,
    to: addDays(last, OPEN_DAYS),
    today,
  });
  return stageUse(planting, steps, days, site);
}

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

/** One bed's page: its core, its balance behind and ahead, and what happened on it; null when it is not on the plan. */
export function bedPageOf(
  context: Context,
  { places, unplanned }: Places,
  bedId: number,
): BedPageView | UnplannedBedView | null {
  const place = places.find((p) => p.bed.id === bedId);
  const events = context.events.filter((event) => event.bedId === bedId).reverse();
  if (!place) {
    const fault = unplanned.find((u) => u.bedId === bedId);
    const bed = context.beds.find((b) => b.id === bedId);
    return fault && bed ? { unplanned: fault, bed, events } : null;
  }
  const { bed, outlook } = place;
  const planned = context.planBeds.find(({ id }) => id === bedId);
  const past = planned ? wholePast(planned, outlook, context) : outlook.past;
  const crop = cropOfBed(bed);
  const planting = standingOn(plantingsOf(bed, context.site.latitudeDeg), context.today);
  const sources = new Map(context.weather.map((day) => [day.date, day.source]));
  return {
    ...headOf(bed, outlook, context),
    date: context.today,
    days: [
      ...past.map((day) => chartDay(day, false, sources.get(day.date) ?? 'record')),
      ...outlook.ahead.map((day, i) => chartDay(day, true, outlook.aheadSources[i] ?? 'forecast')),
    ],
    strips: stripsOf(bed, context),
    cautions: crop ? cropCautions(crop, { fromAbove: METHOD_FACTS[bed.delivery.method].overhead }) : [],
    tasks: place.tasks,
    lastYear: lastYearOf(past),
    window: outlook.window,
    // A succulent lives on what its body stores: dry ground is no want.
    runsOut:
      planned && place.outlook.readilyMm > 0 && !schoolOf(planned.school ?? 'as seldom as it can').staysDry
        ? storeRunsOut(planned, context.weather, context)
        : null,
    // A timer may drip a little every day.
    often: planned?.delivery.timer
      ? null
      : wateredOften(
          context.plan.waterings.filter((watering) => watering.bedId === bedId),
          HORIZON_DAYS,
        ),
    // A timer divides it without anybody's time.
    undivided: planned?.delivery.timer
      ? null
      : undivided(context.plan.waterings.filter((watering) => watering.bedId === bedId)),
    ownLine: planting ? ownLineOf(past, planting, outlook.wilts) : null,
    roots: rootDoubt(outlook.roots),
    sharpen: sharpenBed(bed, context),
    loss: {
      share: outlook.lostShare,
      ifShallow: outlook.lostIfShallow,
      allowedShare: outlook.allowedShare,
      lately: growthLost(past.slice(-LATELY_DAYS), plantingsOf(bed, context.site.latitudeDeg)),
    },
    bed,
    stop: place.stop,
    leave: place.leave,
    next: outlook.next
      ? {
          date: outlook.next.date,
          litres: outlook.next.run.litres,
          minutes: outlook.next.run.minutes,
          localMm: outlook.next.run.localMm,
        }
      : null,
    events,
    season: balanceTotals(past),
  };
}
