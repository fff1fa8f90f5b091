import type { GardenView, RoundView } from '@kibble/contract';
import { formatISO } from 'date-fns';
import { createContext, useContext } from 'react';

export const GardenContext = createContext<GardenView | null>(null);
export const RoundContext = createContext<RoundView | null>(null);

/** The garden, for every room inside the shell. */
export function useGarden(): GardenView {
  const garden = useContext(GardenContext);
  if (!garden) throw new Error('A room stands outside its garden.');
  return garden;
}

/** The garden's round of today, for the rooms that show it. */
export function useGardenRound(): RoundView {
  const round = useContext(RoundContext);
  if (!round) throw new Error('A room that needs the round stands without one.');
  return round;
}

/** What the weather asks for; nothing where the round could not be worked out. */
export const useAlerts = (): RoundView['alerts'] => useContext(RoundContext)?.alerts ?? [];

/** The garden's day; the device's outside a garden (the setup). */
export const useToday = (): string =>
  useContext(GardenContext)?.today ?? formatISO(new Date(), { representation: 'date' });

/** Plants of the gardener's own; none outside a garden (the setup). */
export const useGardenCrops = (): GardenView['ownCrops'] => useContext(GardenContext)?.ownCrops ?? [];
