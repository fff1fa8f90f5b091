import { fillLitresOf, METHOD_FACTS } from '@kibble/core';
import { useGarden } from '../state/gardenRound.ts';

const USUAL = METHOD_FACTS['watering can'].fillLitres ?? 0;

/** What a can holds here, L: as it was told of a bed that is watered by can, else the usual. */
export function useCan(): number {
  const { beds } = useGarden();
  const told = beds.find(({ archived, delivery }) => !archived && delivery.method === 'watering can');
  return (told && fillLitresOf(told.delivery)) ?? USUAL;
}
