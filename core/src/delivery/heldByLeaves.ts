import { METHOD_FACTS, type Method } from './methods.ts';
import type { RunPlan } from './runPlan.ts';

/** Water that a layer of leaves holds back, mm for each m² of leaf over a m² of ground. Source: Dickinson 1984, as land models use it (from memory). */
const MM_PER_LEAF_AREA = 0.2;
/** How fast light fades in a canopy, by which leaves are told from the ground they cover. Source: Monsi and Saeki 1953, usual value 0.5 (from memory). */
const EXTINCTION = 0.5;
/** The densest canopies of a garden, m² of leaf over a m² of ground. Judgement. */
const MOST_LEAF_AREA = 6;
/** Ground so far covered is in the rain shadow of its leaves, share. Judgement. */
const DENSE_COVER = 0.75;

/** Leaf area over the ground, m²/m², of a canopy that covers a share of it, 0–1. */
const leafArea = (canopyCover: number): number =>
  Math.min(MOST_LEAF_AREA, Math.log(1 / Math.max(1e-6, 1 - canopyCover)) / EXTINCTION);

/**
 * What leaves hold back of a watering, mm over the bed: it dries from them and never reaches the ground. 0 for what does not
 * fall on leaves.
 * @param canopyCover share of the ground that the leaves cover, 0–1
 * Source: storage by leaf area; both constants are named in this file.
 */
export const heldByLeaves = (method: Method, canopyCover: number): number =>
  METHOD_FACTS[method].overhead ? MM_PER_LEAF_AREA * leafArea(canopyCover) : 0;

/** What of a run stays on the leaves, litres through the tap. @param run as `runPlan` makes it. Source: arithmetic, the leaves' share of the depth. */
export const onLeavesL = ({
  litres,
  leavesMm,
  bedMm,
}: Pick<RunPlan, 'litres' | 'leavesMm' | 'bedMm'>): number => (litres * leavesMm) / (bedMm + leavesMm);

/**
 * Whether leaves are so dense that a spray runs off them between the plants.
 * @param canopyCover share of the ground that the leaves cover, 0–1
 * Source: common practice: big leafy plants defeat a sprinkler; from what cover on is a judgement.
 */
export const shedsSpray = (method: Method, canopyCover: number): boolean =>
  METHOD_FACTS[method].overhead && canopyCover >= DENSE_COVER;
