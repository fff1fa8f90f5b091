import type { DailyRecord } from '../dailyRecord.ts';

export interface BalanceTotals {
  rainMm: number;
  irrigationMm: number;
  evaporationMm: number;
  transpirationMm: number;
  runoffMm: number;
  lostBelowRootsMm: number;
}

/** Where the water of a stretch of days came from and went, mm over the bed. */
export function balanceTotals(days: readonly DailyRecord[]): BalanceTotals {
  const totals: BalanceTotals = {
    rainMm: 0,
    irrigationMm: 0,
    evaporationMm: 0,
    transpirationMm: 0,
    runoffMm: 0,
    lostBelowRootsMm: 0,
  };
  for (const day of days) {
    for (const key of Object.keys(totals) as (keyof BalanceTotals)[]) totals[key] += day[key];
  }
  return totals;
}
