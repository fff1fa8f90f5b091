import { newTreeBody, treeChange } from '@kibble/contract';
import { read, readId } from '../errors.ts';
import { act } from '../http/act.ts';
import { sendJson } from '../http/sendView.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { dryRun } from '../planner/dryRun.ts';
import { todayOf } from '../services/clock.ts';
import { findBed, findGarden } from '../services/find.ts';
import { addTree, changeTree } from '../services/trees.ts';

/** Trees, shrubs and hedges: their clocks, and where they are watered. */
export function treeRoutes(services: Services) {
  const { wall, plans, log } = services;

  return handlers({
    trees: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, 'trees', {}));
    },
    addTree: act(services, async (req, dryRunning) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { id } = await addTree(garden.id, read(newTreeBody, req.body), todayOf(garden, wall), wall.now());
      if (dryRunning) await dryRun([id], 'tree', wall, log);
      return { status: 201, body: { id }, touched: { gardenId: garden.id } };
    }),
    changeTree: act(services, async (req, dryRunning) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const settings = await changeTree(bed, read(treeChange, req.body), todayOf(garden, wall), wall);
      if (dryRunning) await dryRun([bed.id], 'tree', wall, log);
      return { body: { id: bed.id, settings }, touched: { gardenId: garden.id, beds: [bed.id] } };
    }),
  });
}
