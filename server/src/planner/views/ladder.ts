import type { FortnightView, LadderView } from '@kibble/contract';
import {
  cropById,
  isAskedDaily,
  keepsTo,
  ladder,
  remedies,
  type BedOutlook,
  type Cap,
  type PlanBed,
} from '@kibble/core';
import { HORIZON_DAYS, type Context } from '../context.ts';
import { bedOnPlan } from '../onPlan.ts';

/** A bed alone over the fortnight, under the garden's rules but without its rivals. */
const aloneOf = (bed: PlanBed, { site, weather, constraints, today }: Context) => ({
  site,
  bed,
  weather,
  constraints: {
    ...constraints,
    minutesPerDay: undefined,
    litresPerDay: undefined,
    litresPerWeek: undefined,
  },
  today,
  horizonDays: HORIZON_DAYS,
});

/** How often a week a bed is asked. */
function perWeekOf(bedId: number, { plan, planBeds }: Context): number {
  const { weekdays, between, onTimer } = plan.rounds;
  const planned = planBeds.find(({ id }) => id === bedId);
  if (onTimer.includes(bedId) || (planned && isAskedDaily(planned))) return 7;
  return between.find((one) => one.bedId === bedId)?.weekdays.length ?? weekdays.length;
}

const told = (found: ReturnType<typeof remedies>): LadderView['remedies'] =>
  found.map(({ remedy, lostShare, because, cropId }) => ({
    remedy,
    lostShare,
    because,
    cropName: cropId ? cropById(cropId).name : null,
  }));

const isOver = ({ lostShare, allowedShare }: BedOutlook): boolean => !keepsTo(lostShare, allowedShare);

export function ladderOf(context: Context, bedId: number): LadderView {
  const { planned, outlook } = bedOnPlan(context, bedId);
  const alone = aloneOf(planned, context);
  const perWeek = perWeekOf(bedId, context);
  const onTimer = context.plan.rounds.onTimer.includes(bedId);
  // A way with days of its own is asked every day whatever the rounds are: there is nothing to choose.
  const byItsWay = !onTimer && isAskedDaily(planned);
  return {
    perWeek,
    onTimer,
    byItsWay,
    allowedShare: outlook.allowedShare,
    lostShare: outlook.lostShare,
    rungs: byItsWay ? [] : ladder(alone),
    remedies: isOver(outlook) && !isWaterShort(bedId, context) ? told(remedies(alone, perWeek)) : [],
  };
}

/** A limit of water takes it from a bed: no timer and no cover brings that back, and what they would save is not known. */
const WATER: ReadonlySet<Cap | null> = new Set<Cap>(['litres a day', 'litres a week', 'its source']);
export const isWaterShort = (bedId: number, { plan }: Context): boolean =>
  plan.leftOut.some((left) => left.bedId === bedId && WATER.has(left.why)) ||
  plan.waterings.some((watering) => watering.bedId === bedId && WATER.has(watering.reason.partBy));

/** So many are told with their remedies: each is followed another half a dozen ways. */
const MOST = 6;

/** Beds that lose more than their goal allows, the worst first, and what would help them most. */
export function overOf(context: Context): FortnightView['over'] {
  return context.plan.beds
    .filter(isOver)
    .sort((a, b) => b.lostShare - b.allowedShare - (a.lostShare - a.allowedShare))
    .slice(0, MOST)
    .map((outlook) => {
      const { view, planned } = bedOnPlan(context, outlook.bedId);
      const found = isWaterShort(outlook.bedId, context)
        ? []
        : remedies(aloneOf(planned, context), perWeekOf(outlook.bedId, context));
      return {
        bedId: outlook.bedId,
        bedName: view.name,
        lostShare: outlook.lostShare,
        allowedShare: outlook.allowedShare,
        remedies: told(found).slice(0, 3),
      };
    });
}
