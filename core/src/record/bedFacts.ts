import type { BedInput } from '../places/ground/bedModel.ts';
import { cropById } from '../plants/catalogue/index.ts';
import type { CropEntry, PlantingInput } from '../plants/types.ts';
import { isByFills } from '../delivery/handsOn.ts';
import { defaultSchool, type SchoolId } from '../schools/schools.ts';
import type { BedOnRecord } from './place.ts';

/** What grows on a bed, each with its share of it, 0–1. Source: none needed, a matter of record. */
export const plantingsOf = (bed: BedOnRecord, latitudeDeg: number): PlantingInput[] =>
  bed.plantings.map((planting) => ({
    cropId: planting.cropId,
    custom: planting.custom,
    plantedOn: planting.plantedOn,
    endedOn: planting.endedOn ?? undefined,
    method: planting.method,
    share: planting.share,
    seen: planting.seen,
    upOn: bed.findings.find(({ input }) => input.kind === 'up' && input.plantingId === planting.id)?.on,
    ownLine: ownLineOf(bed, planting.id),
    latitudeDeg,
  }));

/** How far a planting may dry down, as the gardener settled it last. */
function ownLineOf({ findings }: BedOnRecord, plantingId: number): PlantingInput['ownLine'] {
  const settled = findings.find(({ input }) => input.kind === 'own line' && input.plantingId === plantingId);
  const share = settled?.input.kind === 'own line' ? settled.input.share : null;
  return settled && share !== null ? { share, on: settled.on } : undefined;
}

/** The plant that stands on a bed, of the catalogue or the gardener's own. */
export const cropOfBed = (bed: BedOnRecord): CropEntry | null =>
  bed.planting ? (bed.planting.custom ?? cropById(bed.planting.cropId)) : null;

/** The mulch on a bed today, mm deep; none where none lies. Source: none needed, a matter of record. */
export const mulchOf = (bed: BedOnRecord): BedInput['mulch'] =>
  bed.mulchMaterial && bed.mulchMm ? { material: bed.mulchMaterial, depthMm: bed.mulchMm } : undefined;

/** The school that decides on a bed: the gardener's choice, or the usual one for what stands there. */
export function schoolChosen(bed: BedOnRecord): {
  id: SchoolId;
  own: boolean;
  usual: ReturnType<typeof defaultSchool> | null;
} {
  const crop = cropOfBed(bed);
  if (!crop) return { id: 'as seldom as it can', own: false, usual: null };
  const usual = defaultSchool(crop, isByFills(bed.delivery.method));
  const own = bed.planting?.school ?? null;
  return { id: own ?? usual.id, own: own !== null, usual };
}
