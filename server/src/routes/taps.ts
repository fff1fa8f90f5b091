import { runBody, tapBody, tapChange, tapRunView } from '@kibble/contract';
import { z } from 'zod';
import { answer, read, readId } from '../errors.ts';
import { act } from '../http/act.ts';
import { findBed, findGarden, findTap } from '../services/find.ts';
import { closeRun, openRun, runsOf } from '../services/runs.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { addTap, changeTap } from '../services/taps.ts';

/** Taps, and those that run. */
export function tapRoutes(services: Services) {
  const { wall } = services;

  const putAway = (away: boolean) =>
    act(services, async (req) => {
      const tap = await findTap(readId(req.params.id, 'tap'));
      await tap.update({ archivedAt: away ? wall.now() : null, version: tap.version + 1 });
      return { body: { id: tap.id }, touched: { gardenId: tap.gardenId } };
    });
  return handlers({
    addTap: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { id } = await addTap(garden, read(tapBody, req.body));
      return { status: 201, body: { id }, touched: { gardenId: garden.id } };
    }),
    changeTap: act(services, async (req) => {
      const tap = await findTap(readId(req.params.id, 'tap'));
      await changeTap(tap, read(tapChange, req.body), wall);
      return { body: { id: tap.id }, touched: { gardenId: tap.gardenId } };
    }),
    archiveTap: putAway(true),
    restoreTap: putAway(false),
    runs: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      res.json(answer(z.array(tapRunView), await runsOf(garden.id)));
    },
    openRun: act(services, async (req) => {
      const { bed } = await findBed(readId(req.params.id, 'bed'));
      const run = await openRun(bed, read(runBody, req.body), wall);
      return {
        body: answer(tapRunView, run),
        touched: { gardenId: bed.gardenId, beds: [] },
        after: services.onRuns,
      };
    }),
    closeRun: act(services, async (req) => {
      const { bed } = await findBed(readId(req.params.id, 'bed'));
      return { body: { dropped: await closeRun(bed.id) }, touched: { gardenId: bed.gardenId, beds: [] } };
    }),
  });
}
