import { gapLimit } from './gapClock.ts';
import type { TextureClass } from '../../soil/textureClass.ts';
import { addDays, daysBetween, type IsoDate } from '../../units/dates.ts';
import type { CropEntry } from '../../plants/types.ts';
import { dryZoneM, type CameAs, type Ring, type TreeFacts } from './treeFacts.ts';
import { isDrySummer } from './treeDemand.ts';
import { youngRhythm } from './youngRhythm.ts';
import { ringAt } from './treeRing.ts';

export const TREE_PHASES = ['first weeks', 'first year', 'rooting out', 'established'] as const;
export type TreePhase = (typeof TREE_PHASES)[number];

/** Days of the first weeks, by what the roots came in: bare ones have lost their fine roots and their hold of the soil. Common practice; the figures are judgements. */
const FIRST_WEEKS: Readonly<Record<CameAs, number>> = {
  'bare-root': 56,
  balled: 42,
  potted: 28,
  'not known': 42,
};
const YEAR = 365;
/** One year is critical; about a year for each 2.5 cm of trunk establishes it. Source: University of Minnesota Extension, and common practice, from memory. */
const TRUNK_A_YEAR_M = 0.025;
/** Nothing planted in a garden takes longer, years. Judgement. */
const LONGEST_YEARS = 8;
/** A ball is dug, and a pot is chosen, about so many times as wide as the trunk. Source: ANSI Z60.1 (about 12 to 1), from memory. */
const BALL_TO_TRUNK = 12;
/** A trunk that is told may have been measured when it had grown: it counts up to so many times what its ball or pot says. Judgement. */
const GROWN_TRUNK = 1.5;

/** The trunk of a plant with bare roots, m. Common practice. */
const WHIP_M = 0.02;
/** Thickness of the trunk when it was planted, m: as told, or by the pot or ball that it came in. */
export function trunkAtPlantingM(tree: Came & Pick<TreeFacts, 'trunkM'>): number {
  const byBall = tree.cameAs === 'bare-root' ? WHIP_M : (2 * ballRadiusM(tree)) / BALL_TO_TRUNK;
  const isKnown = tree.potL !== undefined || tree.ballM !== undefined;
  if (tree.trunkM === undefined) return byBall;
  return isKnown ? Math.min(tree.trunkM, GROWN_TRUNK * byBall) : tree.trunkM;
}
/** Days until it is established, a year at least. */
const establishedAfter = (tree: Rooted): number =>
  Math.round(YEAR * Math.min(LONGEST_YEARS, Math.max(1, trunkAtPlantingM(tree) / TRUNK_A_YEAR_M)));

/** What is done in each phase: longest gap, days as the clock counts them; how much of the ball may dry, share; depth wetted, mm. */
export interface PhaseFacts {
  /** How often, as people say it. */
  often: string;
  gapDays: number;
  ballBand: number;
  depthMm: number;
}
/** Common practice turned into figures by judgement. */
export const PHASE_FACTS: Readonly<Record<TreePhase, PhaseFacts>> = {
  'first weeks': {
    often: 'daily or every other day for two weeks, then every two to three days',
    gapDays: 7,
    ballBand: 0.35,
    depthMm: 300,
  },
  'first year': {
    often: 'every two to three days up to three months, then weekly',
    gapDays: 10,
    ballBand: 0.5,
    depthMm: 300,
  },
  'rooting out': {
    often: 'weekly to every ten days',
    gapDays: 10,
    ballBand: 0.65,
    depthMm: 350,
  },
  established: {
    often: 'every 7 to 21 days in growth',
    gapDays: 21,
    ballBand: 1,
    depthMm: 400,
  },
};
/** Bare roots are kept very wet at first. */
const BARE_BAND = 0.25;
/** Kinds that bear little drying: their gap is shorter in every phase. Judgement; that some bear neither drying nor wetness is common practice. */
const TOUCHY_P = 0.4;
const TOUCHY_SHARE = 2 / 3;
/** Bushes and roses come back from the base where a dry spell took their tops. */
const comesBack = (crop: CropEntry): boolean => crop.group === 'soft fruit' || crop.id.endsWith('rose');
export const isTouchy = (crop: CropEntry): boolean => crop.p.value <= TOUCHY_P && !comesBack(crop);

type Rooted = Came & Pick<TreeFacts, 'trunkM'>;
export function phaseOn(tree: Rooted, plantedOn: IsoDate, on: IsoDate): TreePhase {
  const age = daysBetween(plantedOn, on);
  if (age < FIRST_WEEKS[tree.cameAs]) return 'first weeks';
  if (age < YEAR) return 'first year';
  return age < establishedAfter(tree) ? 'rooting out' : 'established';
}

/** A trunk is kept dry from this age on, years, once it is established: until then its water may lie at the ball it came in. Judgement. */
const DRY_TRUNK_YEARS = 3;
/** Whether water at its trunk is refused. */
export const trunkStaysDry = (tree: Rooted, plantedOn: IsoDate, on: IsoDate): boolean =>
  phaseOn(tree, plantedOn, on) === 'established' && daysBetween(plantedOn, on) >= DRY_TRUNK_YEARS * YEAR;

/** Since when each phase holds, the dates on which one hands over to the next. */
export const phaseDates = (tree: Rooted, plantedOn: IsoDate): { phase: TreePhase; from: IsoDate }[] => [
  { phase: 'first weeks', from: plantedOn },
  { phase: 'first year', from: addDays(plantedOn, FIRST_WEEKS[tree.cameAs]) },
  ...(establishedAfter(tree) > YEAR
    ? [{ phase: 'rooting out' as const, from: addDays(plantedOn, YEAR) }]
    : []),
  { phase: 'established', from: addDays(plantedOn, establishedAfter(tree)) },
];

/** Kinds of dry summers stand the longest gap that practice names, days, on any soil. Judgement. */
const DRY_SUMMER_GAP_DAYS = 28;
/** Longest gap a plant is to stand, days: by its phase, and by its school and soil once it is established. */
export const longestGap = (
  crop: CropEntry,
  { gap, ...tree }: TreeFacts,
  soil: TextureClass,
  { plantedOn, on }: { plantedOn: IsoDate; on: IsoDate },
): number => {
  const phase = phaseOn(tree, plantedOn, on);
  if (livesOnBall(tree, phase)) return youngRhythm(plantedOn, on).mostDays;
  if (phase === 'established' && isDrySummer(crop)) return Math.max(DRY_SUMMER_GAP_DAYS, gapLimit(soil, gap));
  const days = phase === 'established' ? gapLimit(soil, gap) : PHASE_FACTS[phase].gapDays;
  return Math.round(days * (isTouchy(crop) ? TOUCHY_SHARE : 1));
};

/** Whether its roots are still in the ball they came in. A hedge is planted too close for its balls to be counted. */
export const livesOnBall = ({ sort }: Pick<TreeFacts, 'sort'>, phase: TreePhase): boolean =>
  sort !== 'hedge' && (phase === 'first weeks' || phase === 'first year');

/** How much of what its ball holds may go, share. */
export const ballBandOf = ({ cameAs }: Pick<TreeFacts, 'cameAs'>, phase: TreePhase): number =>
  phase === 'first weeks' && cameAs === 'bare-root' ? BARE_BAND : PHASE_FACTS[phase].ballBand;

type Came = Pick<TreeFacts, 'potL' | 'ballM' | 'cameAs' | 'sort'>;
/** Radius of what its roots came in, m: of a pot as wide as it is high, of bare roots the hole they were spread in. Geometry and judgement. */
export function ballRadiusM({ potL, ballM, cameAs, sort }: Came): number {
  if (ballM !== undefined) return ballM / 2;
  if (potL !== undefined) return Math.cbrt(potL / 1000 / Math.PI);
  if (cameAs === 'bare-root') return sort === 'tree' ? 0.25 : 0.18;
  return sort === 'tree' ? 0.2 : 0.15;
}
/** The ball's depth, m: a pot's own height, never under 150 mm. */
export const ballDepthM = (tree: Came): number =>
  Math.max(
    0.15,
    tree.potL !== undefined ? Math.cbrt(tree.potL / 1000 / Math.PI) : Math.min(0.35, 1.2 * ballRadiusM(tree)),
  );

/** Roots go so far in a year at first, m. From memory of the arboricultural literature (Watson 1985: about 45 cm in temperate soils); shrubs are judged to go half. */
const ROOTS_A_YEAR_M = { tree: 0.45, shrub: 0.25, hedge: 0.25 } as const;
/** Established roots reach two to four times as far as the branches (common practice; Gilman 1988 found about three, from memory); counted on at somewhat more than the near end, a judgement. */
const ROOT_REACH = 2.5;

/** How far from the trunk roots are counted on, m: from the ball outward year by year, then by the branches, up to a wall. */
export function rootReachM(tree: TreeFacts, plantedOn: IsoDate, on: IsoDate): number {
  const years = Math.max(0, daysBetween(plantedOn, on) / YEAR);
  const grown = ballRadiusM(tree) * 1.3 + years * ROOTS_A_YEAR_M[tree.sort];
  return Math.min(grown, Math.max(ROOT_REACH * (tree.canopyM / 2), ballRadiusM(tree) * 1.5));
}

/**
 * Where a tree ought to be watered on a day: the root ball in its first year, then from it to the branch edge, then a ring.
 * Source: common practice; that a wall or path ends it is plain.
 */
export function ringFor(tree: TreeFacts, plantedOn: IsoDate, on: IsoDate): Ring {
  const { innerM, outerM } = ringOf(tree, plantedOn, on);
  // Nobody lays a ring to the millimetre; and none comes nearer to the trunk for it.
  return {
    innerM: Math.max(0, Math.ceil(innerM * 20 - 1e-9) / 20),
    outerM: Math.ceil(outerM * 20 - 1e-9) / 20,
  };
}

function ringOf(tree: TreeFacts, plantedOn: IsoDate, on: IsoDate): Ring {
  const ball = ballRadiusM(tree);
  const edge = tree.canopyM / 2;
  const phase = phaseOn(tree, plantedOn, on);
  if (phase === 'first weeks' || phase === 'first year') return { innerM: 0, outerM: ball * 1.5 };
  if (phase === 'rooting out')
    return {
      innerM: Math.min(ball, edge * 0.5),
      outerM: Math.max(ball * 1.8, Math.min(edge * 1.15, rootReachM(tree, plantedOn, on))),
    };
  if (tree.sort !== 'tree') return { innerM: dryZoneM(tree), outerM: Math.max(edge, ball * 1.8) };
  const { innerM, outerM } = ringAt(edge, tree.reach);
  return { innerM: Math.max(innerM, dryZoneM(tree)), outerM };
}

/** Depth to be wetted by size, mm: 250 for small shrubs to 450 for big trees. Common practice: 250 mm, sampled at 300–450, roots mostly at 150–600. */
export function usualDepthMm(
  tree: Pick<TreeFacts, 'sort' | 'canopyM' | 'lengthM'>,
  phase: TreePhase,
): number {
  if (phase !== 'established') return PHASE_FACTS[phase].depthMm;
  if (tree.sort !== 'tree') return tree.canopyM < 1 ? 250 : 300;
  return tree.canopyM < 3 ? 350 : tree.canopyM < 6 ? 400 : 450;
}

/** A crown's spread in another year, m: it widens with the years to what it is, and more slowly after. Judgement. */
const SPREAD_A_YEAR_M = { tree: 0.3, shrub: 0.1, hedge: 0 } as const;
const WIDEST = { tree: 14, shrub: 2.5, hedge: 3 } as const;
export function canopyInYear(tree: TreeFacts, plantedOn: IsoDate, now: IsoDate, on: IsoDate): number {
  const age = Math.max(1, daysBetween(plantedOn, now) / YEAR);
  const then = Math.max(0, daysBetween(plantedOn, on) / YEAR);
  const start = Math.min(tree.canopyM, 2.5 * ballRadiusM(tree));
  if (then <= age) return start + (tree.canopyM - start) * Math.sqrt(then / age);
  const widest = Math.max(WIDEST[tree.sort], tree.canopyM);
  return tree.canopyM + Math.min(widest - tree.canopyM, SPREAD_A_YEAR_M[tree.sort] * (then - age));
}

/** The ring in other years: where it was, is and will be. */
export function ringThroughYears(
  tree: TreeFacts,
  plantedOn: IsoDate,
  now: IsoDate,
  years: readonly number[],
): { year: number; phase: TreePhase; canopyM: number; ring: Ring }[] {
  return years.map((year) => {
    const day = `${year}-07-15`;
    const on = day < plantedOn ? plantedOn : day;
    const canopyM = canopyInYear(tree, plantedOn, now, on);
    const then = { ...tree, canopyM };
    return { year, phase: phaseOn(tree, plantedOn, on), canopyM, ring: ringFor(then, plantedOn, on) };
  });
}
