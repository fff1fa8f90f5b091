import { OutOfRange } from '../../units/guard.ts';
import type { CropEntry } from '../types.ts';
import { lessCommonVegetables } from './lessCommonVegetables.ts';
import { herbs } from './herbs.ts';
import { softFruit } from './softFruit.ts';
import { fruitTrees } from './fruitTrees.ts';
import { ornamentalTrees } from './ornamentalTrees.ts';
import { shrubs } from './shrubs.ts';
import { perennials } from './perennials.ts';
import { turf } from './turf.ts';
import { houseplants } from './houseplants.ts';
import { succulents } from './succulents.ts';
import { commonVegetables } from './commonVegetables.ts';

/** Every plant the catalogue knows. */
export const CATALOGUE: readonly CropEntry[] = [
  ...commonVegetables,
  ...lessCommonVegetables,
  ...herbs,
  ...softFruit,
  ...fruitTrees,
  ...ornamentalTrees,
  ...shrubs,
  ...perennials,
  ...turf,
  ...houseplants,
  ...succulents,
];

const byId = new Map(CATALOGUE.map((crop) => [crop.id, crop]));

/** The catalogue's plant of that id. Throws `RangeError` when there is none. */
export function cropById(id: string): CropEntry {
  const crop = byId.get(id);
  if (!crop) throw new OutOfRange('cropId', 'be a plant of the catalogue', id);
  return crop;
}
