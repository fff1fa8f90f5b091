import type { BedView, TreesView } from '@kibble/contract';
import { isWoody, cropOfBed, treeNow } from '@kibble/core';
import type { Context } from '../context.ts';
import type { Places } from '../places.ts';

/** All trees, shrubs and hedges: their clocks, what is theirs of all water, and what lives without its lawn's. */
export function treesOf(context: Context, { places }: Places): TreesView {
  const { plan, today, garden } = context;
  const litresOf = (bedId: number): number =>
    plan.waterings.filter((w) => w.bedId === bedId).reduce((sum, w) => sum + w.run.litres, 0);
  const told = places.flatMap(({ bed, outlook }): TreesView['trees'] => {
    const tree = treeNow(bed, outlook, context);
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
