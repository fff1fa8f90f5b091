import type { BedDraftBody, BedView } from '@kibble/contract';

/** A bed as it would be sent back unchanged. */
export function bedBodyOf(bed: BedView): BedDraftBody {
  const { planting } = bed;
  return {
    name: bed.name,
    areaM2: bed.areaM2,
    textureClass: bed.textureClass,
    subsoilClass: bed.subsoilClass,
    form: bed.form,
    underCover: bed.underCover,
    mulchMaterial: bed.mulchMaterial,
    mulchMm: bed.mulchMm,
    startWetness: bed.startWetness,
    wetnessOn: bed.wetnessOn,
    place: bed.place,
    goal: bed.goal,
    rank: bed.rank,
    shadeCloth: bed.shadeCloth,
    lengthM: bed.lengthM,
    widthM: bed.widthM,
    notes: bed.notes,
    planting: planting && {
      cropId: planting.cropId,
      plantedOn: planting.plantedOn,
      method: planting.method,
      share: planting.share,
      endedOn: planting.endedOn,
    },
    delivery: bed.delivery,
  };
}
