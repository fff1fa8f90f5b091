import { entriesAnswer, entriesBody, entryIdsBody, potsView, type PotsView } from '@kibble/contract';
import type { Garden } from '../db/models.ts';
import { answer, read, readId } from '../errors.ts';
import { act, actAfter, type Answer } from '../http/act.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { dryRun } from '../planner/dryRun.ts';
import { enter, hasWeights, mark, type Entered } from '../services/enter.ts';
import { findGarden } from '../services/find.ts';

/** The log: everything that is written down in a garden comes, goes and comes back here. */
export function logRoutes(services: Services) {
  const { wall, log, plans } = services;

  const answered = async (
    garden: Garden,
    { answer: made, touched, dryRun: beds, happened }: Entered,
    dryRunning: boolean,
    status: number,
  ): Promise<Answer> => {
    if (dryRunning && beds.length > 0) await dryRun(beds, 'body', wall, log);
    return { status, body: answer(entriesAnswer, made), touched, ...(happened ? { roundOf: garden } : {}) };
  };
  const marked = (away: boolean) =>
    act(services, async (req, dryRunning) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { ids } = read(entryIdsBody, req.body);
      return answered(garden, await mark(garden, ids, away, wall), dryRunning, 200);
    });
  return handlers({
    addEntries: actAfter(
      services,
      // A weight is held against what the pot can weigh.
      async (req): Promise<PotsView | null> => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        if (!hasWeights(read(entriesBody, req.body))) return null;
        return potsView.parse(JSON.parse(await plans.view(garden, 'pots', {})));
      },
      async (req, dryRunning, shelf) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        return answered(
          garden,
          await enter(garden, read(entriesBody, req.body), shelf, wall),
          dryRunning,
          201,
        );
      },
    ),
    undoEntries: marked(true),
    restoreEntries: marked(false),
  });
}
