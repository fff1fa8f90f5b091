import type { SketchBody, SetupSketch } from '@kibble/contract';
import {
  addDays,
  balanceStart,
  completeWeather,
  explainReferenceEt,
  cropById,
  plantOnDay,
  planGarden,
  referenceEt,
  WEEK_DAYS,
  type PlanBed,
  type ManualForecast,
  type SourcedDay,
  type Week,
} from '@kibble/core';
import { firstDayOf } from '../services/beds.ts';
import { bedInputOf, wetnessByLately } from '../services/lately.ts';
import { heightOf, siteAt } from '../services/climate.ts';
import { HORIZON_DAYS } from './context.ts';
import { coreView } from './views/core.ts';

const DAYS_OF_A_WEEK = 7;

/** What the last week was like, as something said of each of its days. */
export function daysOfWeek(week: Week, today: string): { date: string; said: ManualForecast }[] {
  const said = WEEK_DAYS[week];
  return said
    ? Array.from({ length: DAYS_OF_A_WEEK }, (_, d) => ({ date: addDays(today, d - DAYS_OF_A_WEEK), said }))
    : [];
}

function bedOf(body: SketchBody, today: string): PlanBed {
  const { bed, garden } = body;
  return {
    id: 1,
    bed: bedInputOf(bed, garden.latitudeDeg),
    delivery: bed.delivery,
    irrigations: [],
    ...balanceStart(firstDayOf(bed, today), bed.startWetness, today, bed.wetnessOn),
  };
}

/** A garden of one bed as it would be planned today, from what its maker has answered so far. Nothing is written down. */
export function sketchOf(asked: SketchBody, today: string, coastKm: number | null): SetupSketch {
  const { garden, week } = asked;
  const site = siteAt({ ...garden, coastKm, elevationM: heightOf({ ...garden, coastKm }) });
  const body = { ...asked, bed: wetnessByLately(asked.bed, site, today) };
  const bed = bedOf(body, today);
  const weather = completeWeather({
    record: [],
    forecast: [],
    said: new Map(daysOfWeek(week ?? 'as usual', today).map(({ date, said }) => [date, said])),
    site,
    from: bed.startOn,
    to: addDays(today, HORIZON_DAYS - 1),
    today,
  });
  const { beds, unplanned } = planGarden(
    { site, beds: [bed] },
    weather,
    {},
    { today, members: 0, pastDays: 0 },
  );
  const [outlook] = beds;
  if (!outlook) throw new RangeError(unplanned[0]?.message ?? 'the bed cannot be planned');
  const [planting] = bed.bed.plantings;
  const now = weather.find(({ date }) => date === today) as SourcedDay;
  return {
    core: coreView(outlook, {
      ground: bed.bed.ground,
      mulchMm: body.bed.mulchMm,
      crop: body.bed.planting ? cropById(body.bed.planting.cropId) : null,
      heightM: (planting && plantOnDay(planting, today)?.heightM) ?? null,
      lastFrontMm: null,
    }),
    et0Mm: referenceEt(now, site).mm,
    because: {
      use: explainReferenceEt(now, site),
      reach: outlook.spare,
      gone: outlook.gone,
      next: outlook.next?.because ?? null,
    },
    next: outlook.next && {
      date: outlook.next.date,
      minutes: outlook.next.run.minutes,
      litres: outlook.next.run.litres,
    },
  };
}
