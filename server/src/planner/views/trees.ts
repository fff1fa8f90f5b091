import { historyOf, nowOf, type BedView, type TreeNow, type TreesView } from '@kibble/contract';
import {
  addDays,
  explainPeak,
  GOAL_FACTS,
  isWoody,
  mainPlanting,
  referenceEt,
  schoolOf,
  treePlan,
  treeSeason,
  cropOf,
  type BedOutlook,
} from '@kibble/core';
import type { Context } from '../context.ts';
import { cropOfBed, plantingsOf, schoolChosen } from '../placeInput.ts';
import type { Places } from '../places.ts';

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

/** All trees, shrubs and hedges: their clocks, what is theirs of all water, and what lives without its lawn's. */
export function treesOf(context: Context, { places }: Places): TreesView {
  const { plan, today, garden } = context;
  const litresOf = (bedId: number): number =>
    plan.waterings.filter((w) => w.bedId === bedId).reduce((sum, w) => sum + w.run.litres, 0);
  const told = places.flatMap(({ bed, outlook }): TreesView['trees'] => {
    const tree = treeNowOf(bed, outlook, context);
    if (!tree) return [];
    return [
      {
        bedId: bed.id,
        bedName: bed.name,
        cropName: bed.planting?.cropName ?? null,
        place: bed.place,
        tree,
        nextDate: outlook.next?.date ?? null,
        litres: outlook.next?.run.litres ?? null,
        minutes: outlook.next?.run.minutes ?? null,
        fortnightL: litresOf(bed.id),
      },
    ];
  });
  const ids = new Set(told.map(({ bedId }) => bedId));
  const isOff = (bed: BedView): boolean =>
    cropOfBed(bed)?.group === 'turf' && (bed.archived || bed.goal === 'alive');
  return {
    date: today,
    trees: told,
    woodyBeds: places.flatMap(({ bed }) => {
      const crop = cropOfBed(bed);
      return crop && isWoody(crop) && !ids.has(bed.id)
        ? [{ bedId: bed.id, bedName: bed.name, cropName: bed.planting?.cropName ?? null }]
        : [];
    }),
    lawnsOff: garden.beds.filter(isOff).map((lawn) => ({
      bedName: lawn.name,
      trees: told.filter(({ tree }) => tree.facts.shares?.includes(lawn.id)).map(({ bedName }) => bedName),
    })),
    treesL: told.reduce((sum, { fortnightL }) => sum + fortnightL, 0),
    allL: plan.waterings.reduce((sum, w) => sum + w.run.litres, 0),
  };
}
