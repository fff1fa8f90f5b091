import type { RoundView } from '@kibble/contract';
import { createContext, useContext } from 'react';

export const RoundContext = createContext<RoundView | null>(null);

/** The garden and its round of today, for the rooms inside the shell. */
export function useGardenRound(): RoundView {
  const round = useContext(RoundContext);
  if (!round) throw new Error('A room stands outside its garden.');
  return round;
}

/** Plants of the gardener's own; none outside a garden (the setup). */
export const useGardenCrops = (): RoundView['garden']['ownCrops'] =>
  useContext(RoundContext)?.garden.ownCrops ?? [];
