import {
  gardenAway,
  gardenName,
  gardenPatch,
  gardenView,
  ownCropBody,
  setupBody,
  setupSketch,
  stepBody,
} from '@kibble/contract';
import { Router } from 'express';
import { Garden } from '../db/models.ts';
import { answer, read, readId, Refusal, refusing } from '../errors.ts';
import { act } from '../http/act.ts';
import { sendJson } from '../http/sendView.ts';
import { createBed } from '../services/beds.ts';
import { dayIn, stepClock, todayOf } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { changeGarden, createGarden, gardenToView } from '../services/gardens.ts';
import { addOwnCrop } from '../services/ownCrops.ts';
import { checkPlantedBy } from '../services/plantings.ts';
import { saySo } from '../services/saidDays.ts';
import { prove } from '../planner/prove.ts';
import { daysOfWeek, sketchOf } from '../planner/sketch.ts';
import type { Services } from '../http/services.ts';

/** Gardens, their clock and limits, and plants of their own. */
export function gardenRoutes(services: Services): Router {
  const { wall, log, plans } = services;
  const router = Router();

  router.get('/gardens', async (_req, res) => {
    const gardens = await Garden.findAll({ order: ['id'] });
    const names = gardens.map(({ id, name, archivedAt }) => ({ id, name, away: Boolean(archivedAt) }));
    res.json(answer(gardenName.array(), names));
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
      const today = todayOf(garden, wall);
      const bed = await createBed(garden.id, body.bed, wall.now());
      const days = daysOfWeek(body.week ?? 'as usual', today);
      if (days.length > 0) await saySo(garden, today, { days }, wall.now());
      if (proving) await prove([bed.id], 'bed', wall, log);
      return {
        status: 201,
        body: answer(gardenView, await gardenToView(garden, wall)),
        touched: { gardenId: garden.id },
      };
    }),
  );

  // What a garden that is being made would be told: nothing is written down.
  router.post('/gardens/sketch', (req, res) => {
    const body = read(setupBody, req.body);
    const today = dayIn(body.garden.timeZone, wall);
    checkPlantedBy(body.bed, today, 'bed.');
    if (body.bed.planting.cropId.startsWith('own-'))
      throw new Refusal('invalid', 'Crop must be one of the catalogue’s plants in a new garden.', 'cropId');
    res.json(
      answer(
        setupSketch,
        refusing(() => sketchOf(body, today)),
      ),
    );
  });

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

  // A garden put away keeps everything, is not planned at a start, and comes back as it was.
  router.put(
    '/gardens/:id/away',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { away } = read(gardenAway, req.body);
      await garden.update({ archivedAt: away ? wall.now() : null });
      return { body: answer(gardenAway, { away }), touched: { gardenId: garden.id } };
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
