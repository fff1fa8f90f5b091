import { gardenName, gardenPatch, gardenView, ownCropBody, setupBody, stepBody } from '@kibble/contract';
import { Router } from 'express';
import { Garden } from '../db/models.ts';
import { answer, read, readId } from '../errors.ts';
import { act } from '../http/act.ts';
import { sendJson } from '../http/sendView.ts';
import { createBed } from '../services/beds.ts';
import { stepClock, todayOf } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { changeGarden, createGarden, gardenToView } from '../services/gardens.ts';
import { addOwnCrop } from '../services/ownCrops.ts';
import { checkPlantedBy } from '../services/plantings.ts';
import { prove } from '../planner/prove.ts';
import type { Services } from '../http/services.ts';

/** Gardens, their clock and limits, and plants of their own. */
export function gardenRoutes(services: Services): Router {
  const { wall, log, plans } = services;
  const router = Router();

  router.get('/gardens', async (_req, res) => {
    const gardens = await Garden.findAll({ order: ['id'] });
    res.json(answer(gardenName.array(), gardens));
  });
  router.get('/gardens/:id', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    sendJson(res, await plans.view(garden, 'garden', {}));
  });

  router.post(
    '/gardens',
    act(services, async (req, proving) => {
      const body = read(setupBody, req.body);
      const garden = await createGarden(body.garden);
      checkPlantedBy(body.bed, todayOf(garden, wall), 'bed.');
      const bed = await createBed(garden.id, body.bed, wall.now());
      if (proving) await prove([bed.id], 'bed', wall, log);
      return {
        status: 201,
        body: answer(gardenView, await gardenToView(garden, wall)),
        touched: { gardenId: garden.id },
      };
    }),
  );

  router.patch(
    '/gardens/:id',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      await changeGarden(garden, read(gardenPatch, req.body));
      return {
        body: answer(gardenView, await gardenToView(garden, wall)),
        touched: { gardenId: garden.id },
      };
    }),
  );

  router.post(
    '/gardens/:id/step',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      await stepClock(garden, read(stepBody, req.body).days);
      return {
        body: answer(gardenView, await gardenToView(garden, wall)),
        touched: { gardenId: garden.id },
      };
    }),
  );

  router.post(
    '/gardens/:id/crops',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const id = await addOwnCrop(garden, read(ownCropBody, req.body));
      return { status: 201, body: { id }, touched: { gardenId: garden.id } };
    }),
  );

  return router;
}
