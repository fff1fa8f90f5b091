import {
  bedToPotBody,
  copiesBody,
  entryIds,
  phBody,
  plantOutBody,
  potBody,
  potChange,
  potEntriesBody,
  potsView,
  sequenceBody,
  sequenceStepBody,
  type PotsView,
} from '@kibble/contract';
import { Router } from 'express';
import { SequenceRow, type Garden } from '../db/models.ts';
import { read, readId, Refusal } from '../errors.ts';
import { act } from '../http/act.ts';
import { sendJson } from '../http/sendView.ts';
import type { Services } from '../http/services.ts';
import { todayOf } from '../services/clock.ts';
import { findBed, findGarden } from '../services/find.ts';
import {
  addPot,
  bedToPot,
  changePot,
  checkEntries,
  copyPot,
  findPot,
  logEntries,
  logPh,
  markEntries,
  plantOut,
} from '../services/pots.ts';
import { begin, stepOn } from '../services/sequences.ts';

/** Pots and trays: the shelf, what is written down of it, what is done by the clock. */
export function potRoutes(services: Services): Router {
  const { wall, plans } = services;
  const router = Router();
  const touched = (garden: Garden) => ({ gardenId: garden.id, beds: [], pots: true });
  const shelf = async (garden: Garden): Promise<PotsView> =>
    potsView.parse(JSON.parse(await plans.view(garden, 'pots', {})));

  router.get('/gardens/:id/pots', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    sendJson(res, await plans.view(garden, 'pots', {}));
  });
  router.get('/pots/:id', async (req, res) => {
    const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
    sendJson(res, await plans.view(garden, 'potPage', { potId: pot.id }));
  });
  router.post(
    '/gardens/:id/pots',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { id } = await addPot(garden, read(potBody, req.body), wall);
      return { status: 201, body: { id }, touched: touched(garden) };
    }),
  );
  router.put(
    '/pots/:id',
    act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      await changePot(pot, read(potChange, req.body), garden, wall);
      return { body: { id: pot.id }, touched: touched(garden) };
    }),
  );
  router.post(
    '/pots/:id/copies',
    act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      const ids = await copyPot(pot, read(copiesBody, req.body).count, todayOf(garden, wall));
      return { status: 201, body: { ids }, touched: touched(garden) };
    }),
  );
  const putAway = (away: boolean) =>
    act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      await pot.update({ archivedAt: away ? wall.now() : null, version: pot.version + 1 });
      return { body: { id: pot.id }, touched: touched(garden) };
    });
  router.delete('/pots/:id', putAway(true));
  router.post('/pots/:id/restore', putAway(false));
  router.post(
    '/pots/:id/plant-out',
    act(services, async (req) => {
      const { pot, garden } = await findPot(readId(req.params.id, 'pot'));
      await plantOut(pot, garden, read(plantOutBody, req.body), wall);
      return { body: { id: pot.id }, touched: { gardenId: garden.id } };
    }),
  );
  router.post(
    '/beds/:id/pot',
    act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const { id } = await bedToPot(bed, garden, read(bedToPotBody, req.body), wall);
      return { status: 201, body: { id }, touched: { gardenId: garden.id } };
    }),
  );

  router.post(
    '/gardens/:id/pot-entries',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const body = read(potEntriesBody, req.body);
      if (body.entries.some(({ entry }) => entry.kind === 'weighed')) checkEntries(body, await shelf(garden));
      return { status: 201, body: { ids: await logEntries(garden, body, wall) }, touched: touched(garden) };
    }),
  );
  router.post(
    '/gardens/:id/ph',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      return {
        status: 201,
        body: { ids: [await logPh(garden, read(phBody, req.body), wall)] },
        touched: touched(garden),
      };
    }),
  );
  const marked = (away: boolean) =>
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { ids } = read(entryIds, req.body);
      await markEntries(garden, ids, away ? wall.now() : null);
      return { body: { ids }, touched: touched(garden) };
    });
  router.post('/gardens/:id/pot-entries/remove', marked(true));
  router.post('/gardens/:id/pot-entries/restore', marked(false));

  router.post(
    '/gardens/:id/sequences',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const id = await begin(garden, read(sequenceBody, req.body), await shelf(garden), wall);
      return { status: 201, body: { id }, touched: touched(garden) };
    }),
  );
  router.post(
    '/sequences/:id',
    act(services, async (req) => {
      const row = await SequenceRow.findByPk(readId(req.params.id, 'sequence'));
      if (!row) throw new Refusal('not-found', 'There is nothing under way of that number.', 'id');
      const garden = await findGarden(row.gardenId);
      const body = await stepOn(row, garden, read(sequenceStepBody, req.body), await shelf(garden), wall);
      return { body, touched: touched(garden) };
    }),
  );
  return router;
}
