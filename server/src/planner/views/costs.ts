import type { Costs } from '@kibble/contract';
import { gardenLoss, keepsTo, SHORT_OF_WATER, type BedOutlook, type GardenPlan } from '@kibble/core';

/** What a bed comes to over the plan. */
export function costsOf(outlook: BedOutlook, plan: GardenPlan): Costs {
  const mine = plan.waterings.filter((w) => w.bedId === outlook.bedId);
  return {
    litres: mine.reduce((sum, w) => sum + w.run.litres, 0),
    waterings: mine.length,
    handsOnMinutes: mine.reduce((sum, w) => sum + w.handsOnMinutes, 0),
    lostShare: outlook.lostShare,
    lostIfShallow: outlook.lostIfShallow,
    allowedShare: outlook.allowedShare,
    over: !keepsTo(outlook.lostShare, outlook.allowedShare),
    stressDays: outlook.ahead.filter((day) => day.stressCoefficient < SHORT_OF_WATER).length,
    lostBelowRootsMm: outlook.ahead.reduce((sum, day) => sum + day.lostBelowRootsMm, 0),
  };
}

/** What all beds come to together; growth by the area it is lost on. */
export function gardenCosts(plan: GardenPlan): Costs {
  const all = plan.beds.map((outlook) => costsOf(outlook, plan));
  const sum = (of: (costs: Costs) => number): number => all.reduce((total, costs) => total + of(costs), 0);
  const loss = gardenLoss(plan.beds);
  return {
    litres: sum((c) => c.litres),
    waterings: sum((c) => c.waterings),
    handsOnMinutes: sum((c) => c.handsOnMinutes),
    ...loss,
    over: !keepsTo(loss.lostShare, loss.allowedShare),
    stressDays: sum((c) => c.stressDays),
    lostBelowRootsMm: sum((c) => c.lostBelowRootsMm),
  };
}
