import { findingBody, findingView } from '@kibble/contract';
import { answer, read, readId } from '../errors.ts';
import { act } from '../http/act.ts';
import { bedsOfFinding, logFinding, markFinding } from '../services/entries.ts';
import { findGarden } from '../services/find.ts';
import { prove } from '../planner/prove.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';

/** What was read, seen, settled and changed. */
export function entryRoutes(services: Services) {
  const { wall, log } = services;

  return handlers({
    addFinding: act(services, async (req, proving) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const finding = await logFinding(garden, read(findingBody, req.body), wall);
      const beds = await bedsOfFinding(finding);
      if (proving) await prove(beds, 'input', wall, log);
      // What is read at a tap is shown with the tap, which is the garden's.
      const touched = finding.tapId === null ? { gardenId: garden.id, beds } : { gardenId: garden.id };
      return { status: 201, body: answer(findingView, finding), touched };
    }),
    undoFinding: act(services, async (req) => ({
      body: await markFinding(readId(req.params.id, 'finding'), wall.now()),
    })),
    restoreFinding: act(services, async (req, proving) => {
      const finding = await markFinding(readId(req.params.id, 'finding'), null);
      if (proving && 'input' in finding) await prove(await bedsOfFinding(finding), 'finding', wall, log);
      return { body: finding };
    }),
  });
}
