import type { OwnCropBody } from '@kibble/contract';
import type { CropEntry } from '@kibble/core';
import { OwnCrop, type Garden } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import { ownCropEntry } from './bedView.ts';

export async function addOwnCrop(garden: Garden, { likeId, ...words }: OwnCropBody): Promise<string> {
  const row = await OwnCrop.create({ gardenId: garden.id, likeId, words: JSON.stringify(words) });
  return refusing(() => ownCropEntry(row)).id;
}

const findOwn = (gardenId: number, cropId: string): Promise<OwnCrop | null> =>
  OwnCrop.findOne({ where: { id: Number(cropId.slice(4)), gardenId } });
const isOwn = (cropId: string): boolean => cropId.startsWith('own-');

/** A plant of the garden's own with its numbers; undefined for one of the catalogue. */
export async function ownCropOf(gardenId: number, cropId: string): Promise<CropEntry | undefined> {
  const own = isOwn(cropId) ? await findOwn(gardenId, cropId) : null;
  return own ? ownCropEntry(own) : undefined;
}

/** A plant of the garden's own must be there. */
export async function checkCrop(gardenId: number, cropId: string, field: string): Promise<void> {
  if (!isOwn(cropId)) return;
  const own = await findOwn(gardenId, cropId);
  if (!own) throw new Refusal('invalid', `Crop must be one of this garden's plants; got "${cropId}"`, field);
}
