import type { PlantingView } from '@kibble/contract';
import { CATALOGUE, type CropEntry } from '@kibble/core';

/** The plant of a planting, of the catalogue or the gardener's own; null where it is in no list any more. */
export const cropOfPlanting = (planting: PlantingView): CropEntry | null =>
  planting.custom ?? CATALOGUE.find((crop) => crop.id === planting.cropId) ?? null;
