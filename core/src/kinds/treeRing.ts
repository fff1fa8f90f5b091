import type { BedTask } from '../care/tasks.ts';
import { treeTasks } from '../care/treeTasks.ts';
import { treeRingPlace } from '../places/treeRing/treeRingPlace.ts';
import { cropOfBed } from '../record/bedFacts.ts';
import { treeNow } from './treeNow.ts';
import { depletionShareOf, groundTasks } from './ground.ts';
import type { BedToday, RoundsKind } from './kind.ts';

/** What there is to do at a tree today: what there is on any ground, and what only a tree asks. Source: as `bedTasks` and `treeTasks`. */
function tasks(at: BedToday): BedTask[] {
  const { bed, outlook, today, weather, alerts } = at;
  const tree = treeNow(bed, outlook, at);
  const crop = cropOfBed(bed);
  if (!tree || !crop) return groundTasks(at);
  return [
    ...groundTasks(at),
    ...treeTasks({
      tree: tree.facts,
      plan: tree.plan,
      crop,
      plantedOn: tree.plantedOn,
      today,
      soak: tree.soak,
      scarce: tree.scarce,
      heat: alerts.some(({ code }) => code === 'heat wave' || code === 'hot dry wind'),
      freezing: alerts.some(({ code }) => code === 'ground about to freeze'),
      depletionShare: depletionShareOf(at),
      ahead: weather.filter(({ date }) => date >= today),
    }),
  ];
}

/** The ring of a tree, shrub or hedge. */
export const treeRing: RoundsKind = {
  schedule: 'rounds',
  subject: 'bed',
  place: treeRingPlace,
  tasks,
};
