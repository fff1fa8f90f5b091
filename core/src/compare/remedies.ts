import { canHaveTimer } from '../delivery/handsOn.ts';
import { wettedFractionOf } from '../delivery/runPlan.ts';
import type { PlanBed } from '../follow/types.ts';
import { cropById } from '../plants/catalogue/index.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import type { CropEntry } from '../plants/types.ts';
import { hasBody } from '../plants/wetLeaves.ts';
import { placeFactors } from '../weather/placeFactors.ts';
import type { Working } from '../working/types.ts';
import { rungOn, setsFrom, type Alone } from './ladder.ts';

/** What may help a place that loses more than its goal allows. */
export const REMEDIES = [
  'straw',
  'shade cloth',
  'straw and shade cloth',
  'compost',
  'wet the whole bed',
  'a timer',
  'another round a week',
  'another crop',
] as const;
export type RemedyId = (typeof REMEDIES)[number];

export interface Remedy {
  remedy: RemedyId;
  /** Growth lost with it, share of what is wanted over the plan. */
  lostShare: number;
  /** The working of that. */
  because: Working | null;
  /** The crop meant, for another crop. */
  cropId?: string;
}

/** Mulch as it is laid, mm, and what a barrow-load of compost on the bed brings to its organic matter, points. Judgements. */
const STRAW_MM = 75;
const COMPOST_PCT = 2;
const USUAL_ORGANIC_PCT = 2.5;
/** Deep-rooted, and at home in the same season. Judgement. */
const DEEP_CROP = 'courgette';
/** Less than this saved is not worth a word, share. Judgement. */
const WORTH_A_WORD = 0.005;

/** Shade cloth is hung over what is no taller, m. Judgement. */
const SHADED_M = 2;

type Change = (bed: PlanBed) => PlanBed | null;

/** What stands there, as far as covers go. */
const cropsOf = ({ bed }: PlanBed): CropEntry[] => bed.plantings.map((planting) => cropOf(planting));
/** Nobody strews straw on grass or round cacti. Common practice. */
const withStraw: Change = (bed) =>
  bed.bed.mulch || cropsOf(bed).some((crop) => crop.group === 'turf' || hasBody(crop))
    ? null
    : { ...bed, bed: { ...bed.bed, mulch: { material: 'straw', depthMm: STRAW_MM } } };
const withShade: Change = (bed) => {
  const { place } = bed.bed;
  const bearsNone = cropsOf(bed).some(
    (crop) => crop.group === 'turf' || hasBody(crop) || crop.heightM > SHADED_M,
  );
  if (place?.underCover || bearsNone) return null;
  const demandFactor = (place?.demandFactor ?? 1) * placeFactors({ cover: 'shade cloth' }).demandFactor;
  return { ...bed, bed: { ...bed.bed, place: { ...place, demandFactor: Math.max(0.2, demandFactor) } } };
};

const CHANGES: Readonly<Partial<Record<RemedyId, Change>>> = {
  straw: withStraw,
  'shade cloth': withShade,
  'straw and shade cloth': (bed) => {
    const covered = withStraw(bed);
    return covered && withShade(covered);
  },
  compost: (bed) => {
    const [top, ...below] = bed.bed.ground.horizons;
    if (!top) return null;
    const organicMatterPct = Math.min(100, (top.organicMatterPct ?? USUAL_ORGANIC_PCT) + COMPOST_PCT);
    return {
      ...bed,
      bed: { ...bed.bed, ground: { ...bed.bed.ground, horizons: [{ ...top, organicMatterPct }, ...below] } },
    };
  },
  'wet the whole bed': (bed) =>
    wettedFractionOf(bed.delivery) > 0.85
      ? null
      : { ...bed, delivery: { ...bed.delivery, wettedFraction: 1 } },
  'a timer': (bed) =>
    canHaveTimer(bed.delivery.method) && !bed.delivery.timer
      ? { ...bed, delivery: { ...bed.delivery, timer: true } }
      : null,
  'another crop': (bed) => {
    const [planting] = bed.bed.plantings;
    const crop = planting && cropOf(planting);
    if (!crop || crop.cycle !== 'annual' || crop.roots.minM >= cropById(DEEP_CROP).roots.minM) return null;
    const plantings = [{ ...planting, cropId: DEEP_CROP, custom: undefined }];
    return { ...bed, bed: { ...bed.bed, plantings } };
  },
};

/**
 * What would help a place, each with the growth that it would then lose, most help first. Compost takes a season to be there:
 * it is followed as if it had been.
 * @param of the place alone; `perWeek` how often a week it is asked now
 * @returns what saves half a point and more
 * Source: the engine's own balance under each change; what the changes are is common practice, their size a judgement.
 */
export function remedies(of: Alone, perWeek: number): Remedy[] {
  const sets = setsFrom(of);
  const at = Math.max(
    0,
    sets.findLastIndex((set) => set.length <= perWeek),
  );
  const days = sets[at] ?? [];
  const now = rungOn(of, days).lostShare;
  const found: Remedy[] = REMEDIES.flatMap((remedy): Remedy[] => {
    if (remedy === 'another round a week') {
      const denser = sets[at + 1];
      if (!denser) return [];
      const { lostShare, because } = rungOn(of, denser);
      return [{ remedy, lostShare, because }];
    }
    const bed = CHANGES[remedy]?.(of.bed);
    if (!bed) return [];
    const { lostShare, because } = rungOn({ ...of, bed }, days);
    return [{ remedy, lostShare, because, ...(remedy === 'another crop' ? { cropId: DEEP_CROP } : {}) }];
  });
  return found
    .filter(({ lostShare }) => now - lostShare >= WORTH_A_WORD)
    .sort((a, b) => a.lostShare - b.lostShare);
}
