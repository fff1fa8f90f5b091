import { at } from '../../units/at.ts';
import { addDays, type IsoDate } from '../../units/dates.ts';
import { positive, within } from '../../units/guard.ts';
import { remembered } from '../../units/remembered.ts';
import { plantOnDay, type PlantOnDay } from '../../plants/plantOnDay.ts';
import type { PlantingInput } from '../../plants/types.ts';
import { LAYER_MM, soilProfile, type GroundInput, type SoilProfile } from '../../soil/soilProfile.ts';
import type { Goal } from '../../plants/goals.ts';
import { heightTerm } from './evaporation.ts';
import { isSheet, mulchEvaporationFactor, mulchShedShare, type Mulch } from './mulch.ts';
import { FORM_FACTS, groundOfForm, type BedForm } from './surface.ts';

/** A bed as the engine takes it. */
export interface BedInput {
  areaM2: number;
  ground: GroundInput;
  plantings: PlantingInput[];
  mulch?: Mulch;
  form?: BedForm;
  /** Share of the surface that waterings wet, 0.05–1; default 1 (overhead). */
  wettedFraction?: number;
  place?: PlaceFactors;
  /** What it is grown for; default a steady crop. */
  goal?: Goal;
}

/** What a bed's place does to the garden's weather; 1 or absent changes nothing. */
export interface PlaceFactors {
  /** Times reference demand: shade and shelter below 1, wind and a south wall above. 0.2–1.6. */
  demandFactor?: number;
  /** Under glass or plastic: no rain reaches it. */
  underCover?: boolean;
}

/** The bed and its plants laid out as numbers per layer and per day: what the daily step reads. */
export interface BedModel {
  bed: BedInput;
  profile: SoilProfile;
  firstDate: IsoDate;
  dayCount: number;
  /** 1 when waterings wet the whole bed, 2 when they wet a part (wetted ground first, then the rest). */
  columns: number;
  columnShare: Float64Array;
  wettedFraction: number;
  evaporationFactor: number;
  demandFactor: number;
  underCover: boolean;
  /** Share of the rain that what covers the bed sheds. */
  shedShare: number;
  /** Water that may stand on it before any runs off, mm; Infinity where none can leave (a basin). */
  standsMm: number;
  /** All the water it takes in within a day, mm. */
  dayIntakeMm: number;
  rootResponse: boolean;
  /** Per day: basal coefficient, canopy cover, height term, depth roots could have, depletion share. */
  kcb: Float64Array;
  canopyCover: Float64Array;
  heightTerm: Float64Array;
  potentialRootMm: Float64Array;
  p: Float64Array;
}

/** Depth that counts as the root zone of a bed with nothing planted, mm. Judgement: a seed bed's. */
export const BARE_ROOT_ZONE_MM = 150;

/** Soil, plants and cover of one bed over `dayCount` days from `firstDate`. */
export function bedModel(
  bed: BedInput,
  firstDate: IsoDate,
  dayCount: number,
  options: { rootResponse?: boolean; plants?: PlantDays } = {},
): BedModel {
  positive('areaM2', bed.areaM2, 1_000_000, 'm²');
  const wetted = within('wettedFraction', bed.wettedFraction ?? 1, 0.05, 1);
  const form = bed.form ?? 'flat';
  const { standsMm, demandFactor } = FORM_FACTS[form];
  const profile = soilProfile(
    groundOfForm(bed.ground, form),
    bed.mulch !== undefined && !isSheet(bed.mulch.material),
  );
  const columns = wetted < 1 ? 2 : 1;
  const plants = options.plants ?? plantDays(bed.plantings, firstDate, dayCount);
  const model: BedModel = {
    bed,
    profile,
    firstDate,
    dayCount,
    columns,
    columnShare: Float64Array.from(columns === 2 ? [wetted, 1 - wetted] : [1]),
    wettedFraction: wetted,
    evaporationFactor: mulchEvaporationFactor(bed.mulch),
    demandFactor: demandFactor * within('place.demandFactor', bed.place?.demandFactor ?? 1, 0.2, 1.6),
    underCover: bed.place?.underCover ?? false,
    shedShare: mulchShedShare(bed.mulch),
    standsMm,
    dayIntakeMm: 24 * profile.infiltrationMmPerHour,
    rootResponse: options.rootResponse ?? true,
    kcb: plants.kcb,
    canopyCover: plants.canopyCover,
    heightTerm: plants.heightTerm,
    potentialRootMm: new Float64Array(dayCount),
    p: new Float64Array(dayCount),
  };
  const deepest = profile.layers * LAYER_MM;
  for (let d = 0; d < dayCount; d += 1) {
    model.potentialRootMm[d] = Math.min(deepest, at(plants.rootDepthMm, d));
    model.p[d] = at(plants.p, d);
  }
  return model;
}

/** A bed's plants, one number a day: they run on whatever else changes about the bed. */
export interface PlantDays {
  kcb: Float64Array;
  canopyCover: Float64Array;
  heightTerm: Float64Array;
  rootDepthMm: Float64Array;
  p: Float64Array;
}

/** Many beds bear the same. */
const known = remembered<string, PlantDays>(250);

export const plantDays = (plantings: PlantingInput[], firstDate: IsoDate, dayCount: number): PlantDays =>
  known(JSON.stringify([plantings, firstDate, dayCount]), () => dayByDay(plantings, firstDate, dayCount));

function dayByDay(plantings: PlantingInput[], firstDate: IsoDate, dayCount: number): PlantDays {
  const series = (): Float64Array => new Float64Array(dayCount);
  const days = {
    kcb: series(),
    canopyCover: series(),
    heightTerm: series(),
    rootDepthMm: series(),
    p: series(),
  };
  for (let d = 0; d < dayCount; d += 1) {
    const mix = plantsOnDay(plantings, addDays(firstDate, d));
    days.kcb[d] = mix.kcb;
    days.canopyCover[d] = mix.canopyCover;
    days.heightTerm[d] = heightTerm(mix.heightM);
    days.rootDepthMm[d] = mix.rootDepthMm;
    days.p[d] = mix.p;
  }
  return days;
}

/** All plantings of a bed on a day as one cover: areas weigh what they use, the tenderest sets p, the deepest the roots. */
function plantsOnDay(
  plantings: PlantingInput[],
  date: IsoDate,
): Pick<PlantOnDay, 'kcb' | 'canopyCover' | 'heightM' | 'rootDepthMm' | 'p'> {
  const mix = { kcb: 0, canopyCover: 0, heightM: 0, rootDepthMm: BARE_ROOT_ZONE_MM, p: 0.5 };
  const standing = plantings.flatMap((planting) => {
    const plant = plantOnDay(planting, date);
    return plant ? [{ plant, share: within('share', planting.share ?? 1, 0, 1) }] : [];
  });
  // What has ended draws nothing; its ground is looked at as it was until something else grows there.
  const living = standing.filter(({ plant }) => !plant.over);
  let first = true;
  for (const { plant, share } of living.length > 0 ? living : standing) {
    mix.kcb += share * plant.kcb;
    mix.canopyCover = Math.min(0.99, mix.canopyCover + share * plant.canopyCover);
    mix.heightM = Math.max(mix.heightM, plant.heightM);
    mix.rootDepthMm = first ? plant.rootDepthMm : Math.max(mix.rootDepthMm, plant.rootDepthMm);
    mix.p = first ? plant.p : Math.min(mix.p, plant.p);
    first = false;
  }
  return mix;
}
