import {
  bedBody,
  bedChange,
  bedPageView,
  gardenPatch,
  gardenView,
  copiesBody,
  fortnightView,
  planChange,
  planTryView,
  schoolsView,
  ownCropBody,
  plantingChange,
  roundView,
  progressView,
  sectionView,
  sharpenAnswer,
  walkQuery,
  walkView,
  setupBody,
  stepBody,
  unplannedBedView,
} from '@kibble/contract';
import { Router } from 'express';
import { z } from 'zod';
import { Garden } from '../db/models.ts';
import { answer, read, readId, Refusal } from '../errors.ts';
import { act } from '../http/act.ts';
import type { Services } from '../services/services.ts';
import { prove } from '../services/prove.ts';
import { stepClock, todayOf } from '../services/clock.ts';
import { bedPageOf } from '../services/bedPage.ts';
import { roundOf } from '../services/round.ts';
import { sharpenOf } from '../services/sharpen.ts';
import { fortnightOf, schoolsOf, tryPlanChange } from '../services/deciding.ts';
import { planProgress } from '../jobs/planInBackground.ts';
import { walkOf } from '../services/walk.ts';
import { sectionOf } from '../services/section.ts';
import {
  addOwnCrop,
  archiveBed,
  changeGarden,
  copyBed,
  markPlanting,
  savePlanting,
  changeBed,
  checkPlantedBy,
  createBed,
  createGarden,
  findBed,
  findGarden,
  gardenToView,
} from '../services/setup.ts';

const sectionQuery = z.object({
  words: z.string().max(80).optional(),
  place: z.string().max(40).optional(),
  line: z.string().max(80).optional(),
  state: z.string().max(40).optional(),
  sort: z.enum(['order', 'urgency']).optional(),
  offset: z.coerce.number().int().min(0).optional(),
});

export function gardenRoutes(services: Services): Router {
  const { wall, log } = services;
  const router = Router();

  router.get('/gardens', async (_req, res) => {
    const gardens = await Garden.findAll({ order: ['id'] });
    res.json(answer(z.array(gardenView), await Promise.all(gardens.map((g) => gardenToView(g, wall)))));
  });

  router.post(
    '/gardens',
    act(services, async (req, proving) => {
      const body = read(setupBody, req.body);
      const garden = await createGarden(body.garden);
      checkPlantedBy(body.bed, todayOf(garden, wall), 'bed.');
      const bed = await createBed(garden.id, body.bed);
      if (proving) await prove([bed.id], 'bed', wall, log);
      return { status: 201, body: answer(gardenView, await gardenToView(garden, wall)) };
    }),
  );

  router.get('/gardens/:id', async (req, res) => {
    res.json(answer(gardenView, await gardenToView(await findGarden(readId(req.params.id, 'garden')), wall)));
  });

  router.patch(
    '/gardens/:id',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      await changeGarden(garden, read(gardenPatch, req.body));
      return { body: answer(gardenView, await gardenToView(garden, wall)) };
    }),
  );

  router.post(
    '/gardens/:id/step',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      await stepClock(garden, read(stepBody, req.body).days);
      return { body: answer(gardenView, await gardenToView(garden, wall)) };
    }),
  );

  router.get('/gardens/:id/round', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(roundView, await roundOf(garden, wall, log)));
  });

  router.get('/gardens/:id/walk', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(walkView, await walkOf(garden, read(walkQuery, req.query), wall, log)));
  });
  router.get('/gardens/:id/sharpen', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(sharpenAnswer, await sharpenOf(garden, wall, log)));
  });
  router.get('/gardens/:id/progress', (req, res) => {
    res.json(answer(progressView, planProgress(readId(req.params.id, 'garden'))));
  });

  router.post(
    '/gardens/:id/beds',
    act(services, async (req, proving) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const body = read(bedBody, req.body);
      checkPlantedBy(body, todayOf(garden, wall));
      const { id } = await createBed(garden.id, body);
      if (proving) await prove([id], 'delivery', wall, log);
      return { status: 201, body: { id } };
    }),
  );

  router.put(
    '/beds/:id',
    act(services, async (req, proving) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const body = read(bedChange, req.body);
      checkPlantedBy(body, todayOf(garden, wall));
      await changeBed(bed, body, todayOf(garden, wall));
      if (proving) await prove([bed.id], 'delivery', wall, log);
      return { body: { id: bed.id } };
    }),
  );

  router.get('/gardens/:id/section', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(sectionView, await sectionOf(garden, read(sectionQuery, req.query), wall, log)));
  });

  router.get('/gardens/:id/fortnight', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(fortnightView, await fortnightOf(garden, wall, log)));
  });
  router.post('/gardens/:id/fortnight/try', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(planTryView, await tryPlanChange(garden, read(planChange, req.body), wall, log)));
  });
  router.get('/beds/:id/schools', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    res.json(answer(schoolsView, await schoolsOf(garden, bed, wall, log)));
  });

  router.post(
    '/gardens/:id/crops',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      return { status: 201, body: { id: await addOwnCrop(garden, read(ownCropBody, req.body)) } };
    }),
  );

  router.post(
    '/beds/:id/copies',
    act(services, async (req) => {
      const { bed } = await findBed(readId(req.params.id, 'bed'));
      return { status: 201, body: { ids: await copyBed(bed, read(copiesBody, req.body).count) } };
    }),
  );

  const planting = (status: number) =>
    act(services, async (req, proving) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const known = req.params.planting === undefined ? null : readId(req.params.planting, 'planting');
      const body = read(plantingChange, req.body);
      const id = await savePlanting(bed, known, body, todayOf(garden, wall));
      if (proving) await prove([bed.id], 'cropId', wall, log);
      return { status, body: { id } };
    });
  router.post('/beds/:id/plantings', planting(201));
  router.put('/beds/:id/plantings/:planting', planting(200));
  const markedPlanting = (away: boolean) =>
    act(services, async (req, proving) => {
      const id = readId(req.params.id, 'planting');
      const bedId = await markPlanting(id, away ? wall.now() : null);
      if (proving) await prove([bedId], 'planting', wall, log);
      return { body: { id } };
    });
  router.delete('/plantings/:id', markedPlanting(true));
  router.post('/plantings/:id/restore', markedPlanting(false));

  router.get('/beds/:id', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const page = await bedPageOf(garden, bed, wall, log);
    if (!page)
      throw new Refusal('not-found', `${bed.name} is put away or not planted yet on this date.`, 'bed');
    res.json('unplanned' in page ? answer(unplannedBedView, page) : answer(bedPageView, page));
  });

  const putAway = (away: boolean) =>
    act(services, async (req) => {
      const { bed } = await findBed(readId(req.params.id, 'bed'));
      await archiveBed(bed, away ? wall.now() : null);
      return { body: { id: bed.id } };
    });
  router.delete('/beds/:id', putAway(true));
  router.post('/beds/:id/restore', putAway(false));

  return router;
}
