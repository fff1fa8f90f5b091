import type { OwnCropBody } from '@kibble/contract';
import { OwnCrop, type Garden } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import { ownCropEntry } from './bedView.ts';

export async function addOwnCrop(garden: Garden, { likeId, ...words }: OwnCropBody): Promise<string> {
  const row = await OwnCrop.create({ gardenId: garden.id, likeId, words: JSON.stringify(words) });
  return refusing(() => ownCropEntry(row)).id;
}

/** A plant of the garden's own must be there. */
export async function checkCrop(gardenId: number, cropId: string, field: string): Promise<void> {
  if (!cropId.startsWith('own-')) return;
  const own = await OwnCrop.findOne({ where: { id: Number(cropId.slice(4)), gardenId } });
  if (!own) throw new Refusal('invalid', `Crop must be one of this garden's plants; got "${cropId}"`, field);
}
