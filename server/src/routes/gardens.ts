import {
  bedBody,
  bedPageView,
  gardenPatch,
  gardenView,
  copiesBody,
  fortnightView,
  planChange,
  planTryView,
  schoolsView,
  ownCropBody,
  plantingBody,
  roundView,
  progressView,
  sectionView,
  sharpenAnswer,
  walkQuery,
  walkView,
  setupBody,
  stepBody,
} from '@kibble/contract';
import { Router } from 'express';
import { z } from 'zod';
import { Bed, Garden } from '../db/models.ts';
import { read, readId, Refusal } from '../errors.ts';
import type { Services } from '../services/services.ts';
import { setClock, stepClock, todayOf } from '../services/clock.ts';
import { bedPageOf } from '../services/bedPage.ts';
import { roundOf } from '../services/round.ts';
import { sharpenOf } from '../services/sharpen.ts';
import { fortnightOf, schoolsOf, tryPlanChange } from '../services/deciding.ts';
import { planProgress } from '../jobs/planInBackground.ts';
import { walkOf } from '../services/walk.ts';
import { sectionOf } from '../services/section.ts';
import {
  addOwnCrop,
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

export function gardenRoutes({ sequelize, wall, log }: Services): Router {
  const router = Router();

  router.get('/gardens', async (_req, res) => {
    const gardens = await Garden.findAll({ order: ['id'] });
    res.json(read(z.array(gardenView), await Promise.all(gardens.map((g) => gardenToView(g, wall)))));
  });

  router.post('/gardens', async (req, res) => {
    const body = read(setupBody, req.body);
    const garden = await sequelize.transaction(async (transaction) => {
      const made = await createGarden(body.garden, { transaction });
      checkPlantedBy(body.bed, todayOf(made, wall));
      await createBed(made.id, body.bed, transaction);
      return made;
    });
    res.status(201).json(read(gardenView, await gardenToView(garden, wall)));
  });

  router.get('/gardens/:id', async (req, res) => {
    res.json(read(gardenView, await gardenToView(await findGarden(readId(req.params.id, 'garden')), wall)));
  });

  router.patch('/gardens/:id', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const body = read(gardenPatch, req.body);
    await garden.update({
      name: body.name ?? garden.name,
      units: body.units ?? garden.units,
      longitudeDeg: body.longitudeDeg === undefined ? garden.longitudeDeg : body.longitudeDeg,
    });
    if (body.limits) await garden.update({ limits: JSON.stringify(body.limits) });
    if (body.clock) await setClock(garden, body.clock);
    res.json(read(gardenView, await gardenToView(garden, wall)));
  });

  router.post('/gardens/:id/step', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    await stepClock(garden, read(stepBody, req.body).days);
    res.json(read(gardenView, await gardenToView(garden, wall)));
  });

  router.get('/gardens/:id/round', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(roundView, await roundOf(garden, wall, log)));
  });

  router.get('/gardens/:id/walk', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(walkView, await walkOf(garden, read(walkQuery, req.query), wall, log)));
  });
  router.get('/gardens/:id/sharpen', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(sharpenAnswer, await sharpenOf(garden, wall, log)));
  });
  router.get('/gardens/:id/progress', (req, res) => {
    res.json(read(progressView, planProgress(readId(req.params.id, 'garden'))));
  });

  router.post('/gardens/:id/beds', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const body = read(bedBody, req.body);
    checkPlantedBy(body, todayOf(garden, wall));
    const bed = await sequelize.transaction((transaction) => createBed(garden.id, body, transaction));
    res.status(201).json({ id: bed.id });
  });

  router.put('/beds/:id', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const body = read(bedBody, req.body);
    checkPlantedBy(body, todayOf(garden, wall));
    await changeBed(bed, body, todayOf(garden, wall), sequelize);
    res.json({ id: bed.id });
  });

  router.get('/gardens/:id/section', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(sectionView, await sectionOf(garden, read(sectionQuery, req.query), wall, log)));
  });

  router.get('/gardens/:id/fortnight', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(fortnightView, await fortnightOf(garden, wall, log)));
  });
  router.post('/gardens/:id/fortnight/try', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(planTryView, await tryPlanChange(garden, read(planChange, req.body), wall, log)));
  });
  router.get('/beds/:id/schools', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    res.json(read(schoolsView, await schoolsOf(garden, bed, wall, log)));
  });

  router.post('/gardens/:id/crops', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.status(201).json({ id: await addOwnCrop(garden, read(ownCropBody, req.body)) });
  });

  router.post('/beds/:id/copies', async (req, res) => {
    const { bed } = await findBed(readId(req.params.id, 'bed'));
    const { count } = read(copiesBody, req.body);
    res.status(201).json({ ids: await copyBed(bed, count, sequelize) });
  });

  router.post('/beds/:id/plantings', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const body = read(plantingBody, req.body);
    res.status(201).json({ id: await savePlanting(bed, null, body, todayOf(garden, wall)) });
  });
  router.put('/beds/:id/plantings/:planting', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const id = readId(req.params.planting, 'planting');
    res.json({ id: await savePlanting(bed, id, read(plantingBody, req.body), todayOf(garden, wall)) });
  });
  router.delete('/plantings/:id', async (req, res) => {
    const id = readId(req.params.id, 'planting');
    await markPlanting(id, wall.now());
    res.json({ id });
  });
  router.post('/plantings/:id/restore', async (req, res) => {
    const id = readId(req.params.id, 'planting');
    await markPlanting(id, null);
    res.json({ id });
  });

  router.get('/beds/:id', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const page = await bedPageOf(garden, bed, wall, log);
    if (!page) throw new Refusal('not-found', `${bed.name} is put away or not planted yet on this date.`);
    res.json(read(bedPageView, page));
  });

  // A bed is put away, never deleted: what happened on it stays on record.
  router.delete('/beds/:id', async (req, res) => {
    const { bed } = await findBed(readId(req.params.id, 'bed'));
    await Bed.update({ archivedAt: wall.now() }, { where: { id: bed.id } });
    res.json({ id: bed.id });
  });

  router.post('/beds/:id/restore', async (req, res) => {
    const { bed } = await findBed(readId(req.params.id, 'bed'));
    await Bed.update({ archivedAt: null }, { where: { id: bed.id } });
    res.json({ id: bed.id });
  });

  return router;
}
