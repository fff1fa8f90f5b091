import type { CoreView } from '@kibble/contract';
import { soilProfile, type BedOutlook, type CropEntry, type PlanBed } from '@kibble/core';

/** What a core is drawn from besides the outlook: its ground, its cover and what stands there at which height. */
interface Drawn {
  ground: PlanBed['bed']['ground'];
  mulchMm: number | null | undefined;
  crop: CropEntry | null;
  heightM: number | null;
  lastFrontMm: number | null;
}

/** A place cut open as it stands this morning. */
export function coreView(
  outlook: BedOutlook,
  { ground, mulchMm, crop, heightM, lastFrontMm }: Drawn,
): CoreView {
  return {
    layersMm: outlook.layersMm,
    fieldCapacityMm: outlook.fieldCapacityMm,
    wiltingPointMm: outlook.wiltingPointMm,
    saturationMm: outlook.saturationMm,
    textures: soilProfile(ground).textureOfLayer,
    rootDepthMm: outlook.rootDepthMm,
    depletionMm: outlook.depletionMm,
    readilyMm: outlook.readilyMm,
    totalMm: outlook.totalMm,
    mulchMm: mulchMm ?? 0,
    lastFrontMm,
    cropId: crop?.id ?? null,
    group: crop?.group ?? null,
    growth: heightM !== null && crop ? heightM / crop.heightM : 0,
  };
}
