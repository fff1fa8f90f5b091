import type { CropEntry } from '../types.ts';
import { vegetables } from './vegetables.ts';

/** Every plant the catalogue knows. */
export const CATALOGUE: readonly CropEntry[] = [...vegetables];

const byId = new Map(CATALOGUE.map((crop) => [crop.id, crop]));

/** The catalogue's plant of that id. Throws `RangeError` when there is none. */
export function cropById(id: string): CropEntry {
  const crop = byId.get(id);
  if (!crop) throw new RangeError(`cropId must be a plant of the catalogue; got ${String(id)}`);
  return crop;
}
