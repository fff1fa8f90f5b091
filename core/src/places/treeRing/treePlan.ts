import { item } from '../../units/at.ts';
import { reachingShareOf, efficiencyOf, type Delivery } from '../../delivery/runPlan.ts';
import { cropOf } from '../../plants/plantOnDay.ts';
import type { PlantingInput } from '../../plants/types.ts';
import { LAYER_MM, soilProfile, type GroundInput } from '../../soil/soilProfile.ts';
import { RING_FORTNIGHT_MM, RING_MONTH_MM } from '../../plants/ringDoses.ts';
import { at } from '../../units/at.ts';
import type { IsoDate } from '../../units/dates.ts';
import { layoutMinutes, type Laid } from './layouts.ts';
import { isTouchy, phaseDates, phaseOn, ringFor, rootReachM, longestGap, type TreePhase } from './phases.ts';
import { isDrySummer } from './treeDemand.ts';
import { guideLitres, setSoakL, soakSizes, type SoakSize } from './soakSize.ts';
import { openShare, treeGround } from './treeGround.ts';
import { bandM2, dryZoneM, trunkRadiusM, type Ring, type TreeFacts } from './treeFacts.ts';

/** Ground is watered again when about half of what it holds is gone. Judgement, for the dose told where nothing is asked. */
const HALF_DRY = 0.5;

/** Water that wets a soil to a depth, mm, when a share of what it holds for plants is gone. Source: what its layers hold, by Saxton & Rawls. */
export function depthDose(ground: GroundInput, depthMm: number, dryShare = HALF_DRY): number {
  const { fieldCapacityMm, wiltingPointMm, layers } = soilProfile(ground);
  let dose = 0;
  for (let i = 0; i < layers && i * LAYER_MM < depthMm; i += 1) {
    const part = Math.min(1, depthMm / LAYER_MM - i);
    dose += part * dryShare * (at(fieldCapacityMm, i) - at(wiltingPointMm, i));
  }
  return dose;
}

/** Mulch: thick outside, thin within, none against the trunk, m and mm. Common practice (100–150 mm, 25 mm in a basin). */
export const THICK_MM = 100;
export const THIN_MM = 25;
const BARE_M = 0.1;

/** Thick mulch between two distances from the trunk of one plant, L. Source: area × depth. */
export const thickMulchL = (tree: TreeFacts, fromM: number, toM: number): number =>
  bandM2(tree, fromM, Math.max(fromM, toM)) * THICK_MM;

/** Everything a tree's page and its tag tell, of one plant where it says so. */
export interface TreePlan {
  phase: TreePhase;
  handsOver: { phase: TreePhase; from: IsoDate }[];
  touchy: boolean;
  /** At home where summers are dry: its base is kept so. */
  drySummer: boolean;
  gapDays: number;
  /** Where it ought to be watered by now, and whether that is so far out that the lines want moving. */
  wanted: Ring;
  moveOut: boolean;
  dryM: number;
  rootsM: number;
  /** Ground of the ring and what of it gets wet, m², all plants together; shares of the ring and of the roots' ground. */
  ringM2: number;
  wetM2: number;
  openShare: number;
  rootsShare: number;
  /** A soak: depth where it falls, litres in all, a plant's part, minutes of the tap in all and at each spot, and how often it is moved. */
  depthMm: number;
  litres: number;
  litresEach: number;
  minutes: number;
  eachMinutes: number;
  moves: number;
  laid: Laid;
  /** What runs at once over the whole place, L/min. */
  flowLPerMin: number;
  /** A soak as people measure it, of one plant, and what guides give a young one. */
  sizes: SoakSize[];
  guide: { leastL: number; mostL: number } | null;
  /** What the two rules of thumb for scarce water come to on this ring, and their depths. */
  fortnightL: number;
  fortnightMm: number;
  monthL: number;
  monthMm: number;
  /** Mulch for one plant, L: the thick ring and the thin one within it, and where they meet, m. */
  mulch: { thickL: number; thinL: number; bareM: number; meetM: number; outerM: number };
}

/** Lines are moved once they lie so much nearer to the trunk than they should, share of the way. Judgement. */
const WORTH_MOVING = 0.15;

/**
 * A tree's plan on a day: its ring, its soak by its layout, its mulch, and what comes next.
 * @param localMm what its balance asks for where it falls, mm; left out, a soak of half dry ground to its depth
 * @throws RangeError on a tree or layout that cannot be
 * Source: as the parts it is made of.
 */
export function treePlan(
  tree: TreeFacts,
  planting: PlantingInput,
  today: IsoDate,
  ground: GroundInput,
  delivery: Delivery,
  localMm?: number,
): TreePlan {
  const { plantedOn } = planting;
  const crop = cropOf(planting);
  const phase = phaseOn(tree, plantedOn, today);
  const made = treeGround(tree, { plantedOn, on: today, crop }, ground, delivery);
  const wetM2 = made.areaM2 * made.wettedFraction;
  const efficiency = efficiencyOf(made.delivery);
  const ringOfOneM2 = made.ringM2 / tree.count;
  const setEach = setSoakL(tree, ringOfOneM2, made.delivery);
  const set = setEach === undefined ? undefined : setEach * tree.count;
  const groundMm = localMm !== undefined && set === undefined ? localMm : depthDose(ground, tree.depthMm);
  const depthMm = set === undefined ? groundMm : (set * efficiency) / wetM2;
  const litres = set ?? (depthMm * wetM2) / efficiency;
  const litresEach = litres / tree.count;
  // Buckets and fills are as many as the litres want.
  const { laid } = treeGround({ ...tree, litresEach }, { plantedOn, on: today, crop }, ground, delivery);
  const { minutes, eachMinutes, moves } = layoutMinutes(laid, litresEach);
  const oneByOne =
    laid.by === 'bubbler stops' || laid.by === 'trickle' || laid.by === 'basin' || laid.by === 'soaker ring';
  const wanted = ringFor(tree, plantedOn, today);
  const lag = wanted.outerM - tree.ring.outerM;
  const meetM = Math.max(dryZoneM(tree), tree.ring.innerM, 0.2);
  const outerM = Math.max(tree.mulchedM ?? tree.ring.outerM, meetM);
  const bareM = Math.min(meetM, trunkRadiusM(tree) + BARE_M);
  return {
    phase,
    handsOver: phaseDates(tree, plantedOn),
    touchy: isTouchy(crop),
    drySummer: isDrySummer(crop),
    gapDays: longestGap(crop, tree, item(ground.horizons, 0).textureClass, { plantedOn, on: today }),
    wanted,
    moveOut: lag > WORTH_MOVING * wanted.outerM,
    dryM: phase === 'established' ? dryZoneM(tree) : 0,
    rootsM: Math.max(rootReachM(tree, plantedOn, today), tree.ring.outerM),
    ringM2: made.ringM2,
    wetM2,
    openShare: openShare(tree),
    rootsShare: made.wettedFraction,
    depthMm,
    litres,
    litresEach,
    minutes: oneByOne ? minutes * tree.count : minutes,
    eachMinutes,
    moves: moves * (oneByOne ? tree.count : 1),
    laid,
    flowLPerMin: made.delivery.litresPerMinute,
    sizes: soakSizes(tree, {
      groundL: (groundMm * wetM2) / efficiency / tree.count,
      ringM2: ringOfOneM2,
      delivery: made.delivery,
    }),
    guide: guideLitres(tree, phase),
    fortnightL: (RING_FORTNIGHT_MM * made.ringM2) / reachingShareOf(made.delivery),
    fortnightMm: RING_FORTNIGHT_MM,
    monthMm: RING_MONTH_MM,
    monthL: (RING_MONTH_MM * made.ringM2) / reachingShareOf(made.delivery),
    mulch: {
      thickL: thickMulchL(tree, meetM, outerM),
      thinL: bandM2(tree, bareM, meetM) * THIN_MM,
      bareM,
      meetM,
      outerM,
    },
  };
}
