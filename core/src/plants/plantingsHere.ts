import { withFrostKills, type Night } from './frostKill.ts';
import type { PlantingInput } from './types.ts';

/** Plantings as they live at a place: its latitude for their winter, and its frosts. What they say themselves wins. */
export const plantingsHere = (
  plantings: readonly PlantingInput[],
  here: { latitudeDeg: number; frosts: readonly Night[]; underCover: boolean | undefined },
): PlantingInput[] =>
  withFrostKills(plantings, here.frosts, here.underCover ?? false).map((planting) => ({
    latitudeDeg: here.latitudeDeg,
    ...planting,
  }));
