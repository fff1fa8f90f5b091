import {
  addDays,
  completeWeather,
  growthLost,
  plantingsOf,
  type ForecastDay,
  type PlannedWatering,
  type WeatherDay,
} from '@kibble/core';
import type { EventView } from '@kibble/contract';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { contextOf, HORIZON_DAYS, type Context } from '../src/planner/context.ts';
import type { Facts } from '../src/planner/facts.ts';

/** For tests and figures: a garden lived day by day by somebody who does what the round says, under a forecast that errs. */

/** Days that a forecast reaches ahead. */
const FORECAST_DAYS = 10;

/**
 * What a forecast says of days to come, as wrong as real ones are: highs off by 1.2 °C on the next day and by 3 °C after a week
 * (standard deviation), the errors of neighbouring days alike; of ten wet days nine are foreseen for tomorrow and six for in a week's
 * time; false alarms on one dry day in fourteen, and in five. From memory of published verifications; the demo's own station errs less.
 */
export function erringForecast(
  truthOn: (date: string) => WeatherDay,
  today: string,
  seed: number,
): ForecastDay[] {
  const dice = xoroshiro128plus(seed * 7919 + Math.round(Date.parse(today) / 86_400_000) * 104_729);
  const roll = (): number => uniformFloat64(dice);
  // The sum of twelve dice is as good as normal.
  const normal = (): number => Array.from({ length: 12 }, roll).reduce((a, b) => a + b, 0) - 6;
  let drift = normal();
  return Array.from({ length: FORECAST_DAYS }, (_, lead): ForecastDay => {
    const truth = truthOn(addDays(today, lead));
    drift = 0.8 * drift + 0.6 * normal();
    const error = drift * (lead === 0 ? 0.6 : 0.9 + 0.3 * lead);
    const vague = Math.min(1, lead / 7);
    const isWet = truth.rainMm >= 1;
    const isSaid = isWet ? roll() < 0.9 - 0.3 * vague : roll() < 0.07 + 0.13 * vague;
    const rainMm = isWet ? truth.rainMm * (1 + 1.2 * (roll() - 0.5) * (0.3 + vague)) : 1 + 9 * roll();
    return {
      ...truth,
      tMaxC: truth.tMaxC + error,
      tMinC: Math.min(truth.tMinC + 0.7 * error, truth.tMaxC + error - 1),
      rainMm: isSaid ? rainMm : 0,
      rainChance: isSaid ? 0.9 - 0.4 * vague : 0.05 + 0.15 * vague,
    };
  });
}

export interface LivedDay {
  date: string;
  /** Days of the week on which the garden is walked, as the plan had them that morning. */
  weekdays: number[];
  /** Extra days of single beds. */
  between: string;
  /** What was asked for that morning, and done. */
  done: PlannedWatering[];
  /** When each bed was said to be watered next, the evening after. */
  promised: Map<number, string>;
}
export interface Lived {
  days: LivedDay[];
  /** Growth lost over the fortnight, by area, 0–1. */
  lostShare: number;
  last: Context;
}

/** Lives a garden from the day of its facts on. @param truthOn the weather as it turns out */
export function live(
  start: Facts,
  truthOn: (date: string) => WeatherDay,
  { days, seed, members }: { days: number; seed: number; members?: number },
): Lived {
  const record = start.weather.filter(({ date, source }) => date < start.today && source === 'record');
  const from = start.weather[0]?.date ?? start.today;
  const factsOf = (today: string, events: EventView[], proposal: Facts['proposal']): Facts => {
    const since: WeatherDay[] = [];
    for (let date = start.today; date < today; date = addDays(date, 1)) since.push(truthOn(date));
    const weather = completeWeather({
      record: [...record, ...since],
      forecast: erringForecast(truthOn, today, seed),
      site: start.site,
      from,
      to: addDays(today, HORIZON_DAYS - 1),
      today,
    });
    return { ...start, today, garden: { ...start.garden, today }, weather, events, proposal };
  };
  const lived: LivedDay[] = [];
  let { events, proposal } = start;
  for (let i = 0; i < days; i += 1) {
    const date = addDays(start.today, i);
    const morning = contextOf(factsOf(date, events, proposal), { members });
    const done = morning.plan.waterings.filter((watering) => watering.date === date);
    events = [
      ...events,
      ...done.map((watering, n) => wateringOf(watering, start.garden.id, 1e6 + 100 * i + n)),
    ];
    const { rounds } = morning.plan;
    const evening = contextOf(factsOf(date, events, rounds.proposal), { members });
    proposal = evening.plan.rounds.proposal;
    lived.push({
      date,
      weekdays: [...rounds.weekdays].sort((a, b) => a - b),
      between: JSON.stringify(rounds.between),
      done,
      promised: new Map(
        evening.plan.beds.flatMap(({ bedId, next }) => (next ? [[bedId, next.date] as const] : [])),
      ),
    });
  }
  const last = contextOf(factsOf(addDays(start.today, days), events, proposal), { members });
  return { days: lived, lostShare: lostOver(last, days), last };
}

function lostOver({ plan, beds, today, site }: Context, days: number): number {
  let area = 0;
  let lost = 0;
  for (const bed of beds) {
    const past = plan.beds.find(({ bedId }) => bedId === bed.id)?.past ?? [];
    const lately = past.filter(({ date }) => date >= addDays(today, -days));
    area += bed.areaM2;
    lost += bed.areaM2 * growthLost(lately, plantingsOf(bed, site.latitudeDeg));
  }
  return lost / area;
}

const wateringOf = ({ bedId, date, run }: PlannedWatering, gardenId: number, id: number): EventView => ({
  id,
  gardenId,
  bedId,
  kind: 'watering',
  date,
  at: `${date}T06:00:00.000Z`,
  litres: run.litres,
  minutes: run.minutes,
  netMm: run.arrivesMm,
  told: 'litres',
  rainMm: null,
  reason: 'as planned',
  note: null,
  by: null,
  clockWasAhead: false,
});
