import { type BedView, type TreeNow } from '@kibble/contract';
import {
  addDays,
  cropOf,
  explainPeak,
  GOAL_FACTS,
  mainPlanting,
  referenceEt,
  schoolOf,
  treePlan,
  treeSeason,
  type BedOutlook,
  historyOf,
  nowOf,
  cropOfBed,
  plantingsOf,
  schoolChosen,
} from '@kibble/core';
import type { Context } from '../context.ts';

/** Days ahead in which the hottest is looked for. */
const PEAK_DAYS = 7;

/** What all its crowns may lose on the hottest day of the week ahead. */
function peakOf(tree: TreeNow['facts'], bed: BedView, { weather, today, site }: Context): TreeNow['peak'] {
  const crop = cropOfBed(bed);
  if (!crop) return null;
  const until = addDays(today, PEAK_DAYS);
  const days = weather
    .filter(({ date }) => date >= today && date < until)
    .map((day) => ({ date: day.date, working: explainPeak(tree, crop, referenceEt(day, site).mm) }))
    .sort((a, b) => b.working.value - a.working.value);
  return days[0] ?? null;
}

/** A tree place as it stands today; null where it is a bed. */
export function treeNowOf(bed: BedView, outlook: BedOutlook, context: Context): TreeNow | null {
  const { today, site } = context;
  const { tree, bed: was, delivery } = nowOf(historyOf(bed, today).periods);
  const planting = mainPlanting(plantingsOf(bed, site.latitudeDeg));
  if (!tree || !planting) return null;
  const due = outlook.next?.run.localMm;
  return {
    facts: tree.facts,
    plantedOn: planting.plantedOn,
    plan: treePlan(
      tree.facts,
      planting,
      today,
      was.ground,
      { ...delivery, litresPerMinute: tree.litresPerMinute },
      due,
    ),
    season: treeSeason(cropOf(planting), outlook.stage, today, {
      frozen: outlook.leave?.code === 'frozen',
      latitudeDeg: site.latitudeDeg,
    }),
    soak: outlook.soak,
    peak: peakOf(tree.facts, bed, context),
    scarce:
      schoolOf(schoolChosen(bed).id).rhythm?.onRing === true ||
      GOAL_FACTS[bed.goal].lossShare > GOAL_FACTS.thrifty.lossShare,
  };
}
