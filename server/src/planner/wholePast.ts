import { planGarden, type BedOutlook, type DailyRecord, type PlanBed } from '@kibble/core';
import type { Context } from './context.ts';

/**
 * A bed's balance with all of its past: a large garden's plan carries only the last weeks, and what is told of a season
 * needs the rest.
 */
export function wholePast(bed: PlanBed, outlook: BedOutlook, context: Context): DailyRecord[] {
  const { pastIsWhole, site, weather, today } = context;
  if (pastIsWhole) return outlook.past;
  const alone = planGarden({ site, beds: [bed] }, weather, {}, { today, members: 0 });
  return alone.beds[0]?.past ?? outlook.past;
}
