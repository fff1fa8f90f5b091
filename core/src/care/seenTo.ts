import { addDays, type IsoDate } from '../units/dates.ts';
import type { AlertCode, WeatherAlert } from '../weather/alerts.ts';
import type { AlertAct } from './alertActs.ts';

/** Which weather an alert is of. */
export interface AlertState {
  code: AlertCode;
  from: IsoDate;
  until: IsoDate;
  /** How bad it is, by `badness`. */
  badness: number;
}

/** An act that somebody ticked, and the alert as it was then. */
export interface Tick extends AlertState {
  act: AlertAct;
}

/** An alert by what a tick of it remembers. Source: none needed, a choice of fields. */
export const stateOf = (alert: WeatherAlert): AlertState => ({
  code: alert.code,
  from: alert.from,
  until: alert.until,
  badness: badness(alert),
});

/** A forecast moves by as much and is the same weather still, days. Judgement. */
const ASTRAY_DAYS = 2;

/** By how much an alert must be worse than the one that was seen to, to be asked about again. Judgement. */
const WORSE_BY: Readonly<Record<AlertCode, number>> = {
  'heat wave': 3,
  'hot dry wind': 3,
  'drying wind': 3,
  'dry spell': 14,
  'soaking rain': 20,
  'hard frost': 3,
  'ground about to freeze': 3,
};

/** How bad an alert is in its own unit, more being worse: °C, °C below zero, m/s, mm or days. Source: its own figure. */
export function badness(alert: WeatherAlert): number {
  switch (alert.code) {
    case 'heat wave':
    case 'hot dry wind':
      return alert.highestC;
    case 'drying wind':
      return alert.windMs;
    case 'dry spell':
      return alert.days;
    case 'soaking rain':
      return alert.rainMm;
    case 'hard frost':
      return -alert.lowestC;
    case 'ground about to freeze':
      return -alert.meanC;
  }
}

/** Whether an act of an alert has been seen to: ticked for the same weather, and that has not grown much worse. Source: judgements, as named above. */
export const isSeenTo = (ticks: readonly Tick[], alert: AlertState, act: AlertAct): boolean =>
  ticks.some(
    (tick) =>
      tick.code === alert.code &&
      tick.act === act &&
      alert.from <= addDays(tick.until, ASTRAY_DAYS) &&
      alert.until >= addDays(tick.from, -ASTRAY_DAYS) &&
      alert.badness < tick.badness + WORSE_BY[alert.code],
  );
