import { at } from '../../units/at.ts';
import { daysBetween, type IsoDate } from '../../units/dates.ts';
import { atLeast, OutOfRange, within } from '../../units/guard.ts';
import type { Site, WeatherDay } from '../../weather/types.ts';
import { weatherSeries } from '../../weather/weatherSeries.ts';
import { startVessel, stepVessel, type VesselAct, type VesselState } from './stepVessel.ts';
import { vesselModel, type VesselInput, type VesselModel } from './vesselModel.ts';

/** Water given to a pot on a day, mL, at an hour (default the morning), poured on or stood in. */
export interface VesselGiving {
  date: IsoDate;
  millilitres: number;
  hour?: number;
  how?: 'above' | 'below';
}

/** A day of a pot, mL. Used: drunk and dried. Held: what it can still give in the evening. */
export interface VesselDay {
  date: IsoDate;
  usedMl: number;
  wantedMl: number;
  drunkMl: number;
  drainedMl: number;
  givenMl: number;
  rainMl: number;
  heldMl: number;
  /** Hour from which it wanted more than it got; null when it never did. */
  shortFrom: number | null;
}

export interface VesselResult {
  days: VesselDay[];
  /** What came and went, mL; the error is rounding alone. */
  closing: {
    givenMl: number;
    rainMl: number;
    usedMl: number;
    drainedMl: number;
    storeStartMl: number;
    storeEndMl: number;
    errorMl: number;
  };
  model: VesselModel;
  finalState: VesselState;
}

const ML = 1000;
/** All the water in and under a pot that moves. */
export const storedL = ({ availableL, saucerL, reservoirL }: VesselState): number =>
  availableL + saucerL + reservoirL;

export const vesselDay = (date: IsoDate, state: VesselState): VesselDay => ({
  date,
  usedMl: ML * (state.drunkL + state.driedL),
  wantedMl: ML * state.wantedL,
  drunkMl: ML * state.drunkL,
  drainedMl: ML * state.drainedL,
  givenMl: ML * state.givenL,
  rainMl: ML * state.rainL,
  heldMl: ML * state.availableL,
  shortFrom: state.shortFrom,
});

/**
 * Runs a pot through its weather, hour by hour where it may run short.
 * @param vessel litres or measures, mix, material, what stands under and over it, plants, where it stands
 * @param weather consecutive days, oldest first
 * @param givings mL within those days
 * @param options site, and the share of its available water on the first morning, 0–1, default 1
 * @returns each day in mL, and the balance: given + rain = used + drained + change in store, to a thousandth of a gram
 * @throws RangeError naming the field, the value and what is allowed
 * Source: see `stepVessel`.
 */
export function simulateVessel(
  vessel: VesselInput,
  weather: readonly WeatherDay[],
  givings: readonly VesselGiving[],
  options: { site: Site; startFullness?: number },
): VesselResult {
  atLeast('weather', weather, 1);
  const startOn = (weather[0] as WeatherDay).date;
  const dayCount = weather.length;
  const fullness = within('startFullness', options.startFullness ?? 1, 0, 1);
  const series = weatherSeries(weather, options.site);
  const model = vesselModel(vessel, {
    startOn,
    dayCount,
    latitudeDeg: options.site.latitudeDeg,
    warmth: series.potWarmth,
  });
  const pours: VesselAct[][] = weather.map(() => []);
  for (const { date, millilitres, hour, how } of givings) {
    within('millilitres', millilitres, 0, 1e6, 'mL');
    const on = pours[daysBetween(startOn, date)];
    if (!on) throw new OutOfRange('givings.date', `lie within the weather, from ${startOn}`, date);
    on.push({ hour: within('hour', hour ?? 0, 0, 24), litres: millilitres / ML, how });
  }
  const state = startVessel(model, fullness);
  const storeStartMl = ML * storedL(state);
  const closing = { givenMl: 0, rainMl: 0, usedMl: 0, drainedMl: 0, storeStartMl, storeEndMl: 0, errorMl: 0 };
  const days = weather.map(({ date }, d) => {
    const of = (pours[d] ?? []).sort((a, b) => a.hour - b.hour);
    stepVessel(model, state, d, at(series.et0, d), at(series.rain, d), of);
    const day = vesselDay(date, state);
    closing.givenMl += day.givenMl;
    closing.rainMl += day.rainMl;
    closing.usedMl += day.usedMl;
    closing.drainedMl += day.drainedMl;
    return day;
  });
  closing.storeEndMl = ML * storedL(state);
  closing.errorMl =
    closing.givenMl +
    closing.rainMl -
    closing.usedMl -
    closing.drainedMl -
    (closing.storeEndMl - storeStartMl);
  return { days, closing, model, finalState: state };
}
