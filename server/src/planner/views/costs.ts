import type { Costs } from '@kibble/contract';
import { SHORT_OF_WATER, type BedOutlook, type GardenPlan } from '@kibble/core';

/** What a bed comes to over the plan. */
export function costsOf(outlook: BedOutlook, plan: GardenPlan): Costs {
  const mine = plan.waterings.filter((w) => w.bedId === outlook.bedId);
  return {
    litres: mine.reduce((sum, w) => sum + w.run.litres, 0),
    waterings: mine.length,
    stressDays: outlook.ahead.filter((day) => day.stressCoefficient < SHORT_OF_WATER).length,
    lostBelowRootsMm: outlook.ahead.reduce((sum, day) => sum + day.lostBelowRootsMm, 0),
  };
}

/** What all beds come to together. */
export const gardenCosts = (plan: GardenPlan): Costs =>
  plan.beds
    .map((outlook) => costsOf(outlook, plan))
    .reduce(
      (sum, c) => ({
        litres: sum.litres + c.litres,
        waterings: sum.waterings + c.waterings,
        stressDays: sum.stressDays + c.stressDays,
        lostBelowRootsMm: sum.lostBelowRootsMm + c.lostBelowRootsMm,
      }),
      { litres: 0, waterings: 0, stressDays: 0, lostBelowRootsMm: 0 },
    );
