import { knownClimate, type ClimateView } from '@kibble/contract';
import {
  climateAt,
  correctedClimate,
  extremeMonths,
  OutOfRange,
  type ClimateOfPlace,
  type KnownClimate,
  type Site,
} from '@kibble/core';
import type { Garden } from '../db/models.ts';

/** What of a garden its climate is read off by. */
export interface ClimateSource {
  latitudeDeg: number;
  longitudeDeg?: number | null;
  elevationM?: number;
  coastKm?: number | null;
  climateKnown?: KnownClimate | null;
}

/** Climates that were read off lately. A few gardens at most are in use at a time. */
const known = new Map<string, ClimateOfPlace>();
const MOST_KNOWN = 50;

/**
 * The usual year of a garden as somebody is entering it; null where only its latitude is known. What they know of it counts
 * before what the stations around say.
 * @throws RangeError where that cannot be
 */
export function climateEntered(place: ClimateSource): ClimateOfPlace | null {
  const { latitudeDeg, longitudeDeg, elevationM, coastKm, climateKnown } = place;
  if (longitudeDeg === null || longitudeDeg === undefined) return null;
  const key = JSON.stringify([latitudeDeg, longitudeDeg, elevationM, coastKm, climateKnown]);
  const found = known.get(key);
  if (found) return found;
  const plain = climateAt({ latitudeDeg, longitudeDeg, elevationM, coastKm: coastKm ?? undefined });
  const climate = climateKnown ? correctedClimate(plain, climateKnown) : plain;
  const [oldest] = known.keys();
  if (known.size >= MOST_KNOWN && oldest !== undefined) known.delete(oldest);
  known.set(key, climate);
  return climate;
}

/** The usual year of a garden; what is known of it and cannot be, as after a move to another climate, is left out. */
export function climateOf(place: ClimateSource): ClimateOfPlace | null {
  try {
    return climateEntered(place);
  } catch (error) {
    if (error instanceof OutOfRange && place.climateKnown) return climateOf({ ...place, climateKnown: null });
    throw error;
  }
}

/** What the gardener knows of the usual year; what cannot be read any more is not known. */
export function climateKnownOf({ climateKnown }: Pick<Garden, 'climateKnown'>): KnownClimate | null {
  if (!climateKnown) return null;
  try {
    return knownClimate.safeParse(JSON.parse(climateKnown)).data ?? null;
  } catch {
    return null;
  }
}

/** How high a garden lies: as somebody says, else as the stations around, else by the sea. m. */
export const heightOf = (place: ClimateSource): number =>
  place.elevationM ?? Math.round(climateOf(place)?.elevationM ?? 0);

/** Where a garden lies, as the core takes it. */
export function siteAt(
  place: ClimateSource & { elevationM: number; summers?: Site['summers'] | null; air?: Site['air'] | null },
): Site {
  return {
    latitudeDeg: place.latitudeDeg,
    elevationM: place.elevationM,
    climate: climateOf(place) ?? undefined,
    summers: place.summers ?? undefined,
    air: place.air ?? undefined,
  };
}

/** A climate as it is shown. */
export function climateToView(climate: ClimateOfPlace, corrected: boolean): ClimateView {
  const { coldest, warmest } = extremeMonths(climate);
  const shown = (m: number): ClimateView['coldest'] => ({
    month: m + 1,
    ...(climate.months[m] ?? { highC: 0, lowC: 0, rainMm: 0, wetDays: 0 }),
  });
  return {
    coldest: shown(coldest),
    warmest: shown(warmest),
    elevationM: climate.elevationM,
    doubt: { tempC: climate.doubt.tempC, rainShare: climate.doubt.rainShare },
    corrected,
  };
}
