import type { BedView, FindingView, PlantingView } from '@kibble/contract';
import { CATALOGUE, cropById, ownCrop, type CropEntry, type OwnCropWords } from '@kibble/core';
import type { Bed, Delivery, OwnCrop, Planting } from '../db/models.ts';
import type { SetAside } from './findingView.ts';

/** A plant of the gardener's own as the catalogue would have it. */
export const ownCropEntry = (row: OwnCrop): CropEntry =>
  ownCrop(`own-${row.id}`, cropById(row.likeId), JSON.parse(row.words) as OwnCropWords);

/** The garden's own plants; one that cannot be read is set aside. */
export function ownCropEntries(rows: readonly OwnCrop[], setAside: SetAside[]): CropEntry[] {
  return rows.flatMap((row) => {
    try {
      return [ownCropEntry(row)];
    } catch (error) {
      setAside.push({
        what: 'a plant of your own',
        id: row.id,
        why: error instanceof Error ? error.message : 'its text is not understood',
      });
      return [];
    }
  });
}

/** A plant's name; one that is in no list any more keeps the word it was stored under. */
function cropName(cropId: string, custom: CropEntry | undefined): string {
  return custom?.name ?? CATALOGUE.find((crop) => crop.id === cropId)?.name ?? `unknown plant “${cropId}”`;
}

/** What stands on a bed on a day: of several the one with most room, of none the one that was there last. */
export function currentPlanting<P extends { plantedOn: string; endedOn: string | null; share: number }>(
  plantings: readonly P[],
  today: string,
): P | undefined {
  const standing = plantings.filter((p) => p.plantedOn <= today && (p.endedOn === null || p.endedOn > today));
  const widest = standing.reduce<P | undefined>(
    (best, p) => (best && best.share >= p.share ? best : p),
    undefined,
  );
  return widest ?? plantings.at(-1);
}

export function bedToView(of: {
  bed: Bed;
  /** The bed whose ground it shares, or itself. */
  ground: Bed;
  plantings: Planting[];
  delivery: Delivery | undefined;
  findings: FindingView[];
  ownCrops: readonly CropEntry[];
  today: string;
}): BedView {
  const { bed, ground, delivery, findings, today } = of;
  const plantings = of.plantings.map((p): PlantingView => {
    const custom = of.ownCrops.find((c) => c.id === p.cropId);
    return {
      id: p.id,
      cropId: p.cropId,
      version: p.version,
      cropName: cropName(p.cropId, custom),
      custom,
      plantedOn: p.plantedOn,
      endedOn: p.endedOn,
      method: (p.method ?? undefined) as PlantingView['method'],
      share: p.share,
      school: (p.school ?? null) as PlantingView['school'],
      schoolSince: p.schoolSince ?? null,
      seen: findings.flatMap(({ on, input }) =>
        input.kind === 'stage' && input.plantingId === p.id ? [{ stage: input.stage, on }] : [],
      ),
    };
  });
  return {
    id: bed.id,
    version: bed.version,
    gardenId: bed.gardenId,
    name: bed.name,
    areaM2: bed.areaM2,
    textureClass: ground.textureClass as BedView['textureClass'],
    subsoilClass: ground.subsoilClass as BedView['subsoilClass'],
    form: bed.form as BedView['form'],
    underCover: bed.underCover,
    mulchMaterial: bed.mulchMaterial as BedView['mulchMaterial'],
    mulchMm: bed.mulchMm,
    mulchLaidOn: bed.mulchLaidOn ?? null,
    startOn: bed.startOn,
    startWetness: bed.startWetness as BedView['startWetness'],
    place: bed.place ?? null,
    goal: bed.goal as BedView['goal'],
    rank: (bed.rank ?? null) as BedView['rank'],
    shadeCloth: bed.shadeCloth,
    lengthM: bed.lengthM ?? null,
    widthM: bed.widthM ?? null,
    notes: bed.notes,
    archived: Boolean(bed.archivedAt),
    groundOf: bed.groundOf ?? null,
    tapId: bed.tapId ?? null,
    findings,
    planting: currentPlanting(plantings, today) ?? null,
    plantings,
    delivery: {
      method: (delivery?.method ?? 'watering can') as BedView['delivery']['method'],
      litresPerMinute: delivery?.litresPerMinute ?? 1,
      measured: delivery?.measured ?? false,
    },
  };
}
