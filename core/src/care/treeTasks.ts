import type { SoakNow } from '../places/place.ts';
import type { Ring, TreeFacts } from '../places/treeRing/treeFacts.ts';
import { thickMulchL, type TreePlan } from '../places/treeRing/treePlan.ts';
import type { CropEntry } from '../plants/types.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';

/** Something to do at a tree, shrub or hedge besides watering. */
export type TreeTask =
  /** Lines and stops go outward, once a year or so; the ring that was and the ring that is wanted. */
  | { code: 'move the water outward'; from: Ring; to: Ring }
  /** The circle without grass goes with it; mulch for it, L. */
  | { code: 'widen the clearing'; toM: number; mulchL: number }
  | { code: 'icy wind'; on: IsoDate }
  | { code: 'moist into the frost' }
  | { code: 'a dry tree by a wall'; near: 'path' | 'building' }
  | { code: 'no feed this summer' }
  | { code: 'it hangs first' }
  | { code: 'past its gap'; days: number };

/** Wind that dries leaves and twigs over frozen ground: days no warmer than this with so much wind. Judgement. */
const ICY_C = 2;
const ICY_WIND_MS = 5;
const ICY_AHEAD_DAYS = 3;
/** A year old is new. Common practice. */
const NEW_DAYS = 365;
/** A tree this wide is big enough to do harm when it falls, m. Judgement. */
const BIG_M = 6;
/** Ground is dry before frost with more than this gone of what can be spared, share. Judgement. */
const DRY_BEFORE_FROST = 0.4;
/** A dry stand is told once so much of its gap has passed. Judgement. */
const DRY_SHARE = 0.85;

/**
 * Tasks at a tree place today. Source: common practice (emitters move outward after about a year and go on moving; the clearing
 * widens with them; evergreens and first-years dry out in icy wind; wide deep roots hold a tree, and drying risks falling; no
 * summer feed where water is short), with the judgements named above.
 * @param ahead today's weather and the days after it
 */
export function treeTasks(facts: {
  tree: TreeFacts;
  plan: TreePlan;
  crop: CropEntry;
  plantedOn: IsoDate;
  today: IsoDate;
  soak: SoakNow | null;
  /** Water is short: a fall-back rule, or a goal under a steady one. */
  scarce: boolean;
  heat: boolean;
  freezing: boolean;
  depletionShare: number;
  ahead: readonly SourcedDay[];
}): TreeTask[] {
  const { tree, plan, crop, today, soak } = facts;
  const tasks: TreeTask[] = [];
  if (soak && soak.counted > soak.gapDays) tasks.push({ code: 'past its gap', days: soak.days });
  if (plan.moveOut) {
    tasks.push({ code: 'move the water outward', from: tree.ring, to: plan.wanted });
    const grass = tree.beneath === 'lawn' || tree.beneath === 'lawn, unwatered';
    if (grass || (tree.mulchedM !== undefined && tree.mulchedM < plan.wanted.outerM))
      tasks.push({
        code: 'widen the clearing',
        toM: plan.wanted.outerM,
        mulchL: thickMulchL(tree, plan.mulch.meetM, plan.wanted.outerM),
      });
  }
  const fresh = daysBetween(facts.plantedOn, today) < NEW_DAYS;
  const icy = facts.ahead.find(
    ({ date, tMaxC, windMs }) =>
      date < addDays(today, ICY_AHEAD_DAYS) && tMaxC <= ICY_C && (windMs ?? 0) >= ICY_WIND_MS,
  );
  if (icy && (crop.cycle === 'evergreen' || fresh)) tasks.push({ code: 'icy wind', on: icy.date });
  if (facts.freezing && facts.depletionShare > DRY_BEFORE_FROST) tasks.push({ code: 'moist into the frost' });
  const dry = soak !== null && soak.counted >= DRY_SHARE * soak.gapDays;
  if (dry && tree.sort === 'tree' && tree.canopyM >= BIG_M && tree.near !== 'nothing')
    tasks.push({ code: 'a dry tree by a wall', near: tree.near });
  if (facts.scarce && plan.phase === 'established' && facts.heat) tasks.push({ code: 'no feed this summer' });
  if (tree.indicator && facts.heat) tasks.push({ code: 'it hangs first' });
  return tasks;
}
