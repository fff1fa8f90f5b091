import {
  bedBody,
  bedPageView,
  gardenPatch,
  gardenView,
  roundView,
  setupBody,
  stepBody,
} from '@kibble/contract';
import { Router } from 'express';
import { z } from 'zod';
import { Bed, Garden } from '../db/models.ts';
import { read, readId, Refusal } from '../errors.ts';
import type { Services } from '../services/services.ts';
import { setClock, stepClock, todayOf } from '../services/clock.ts';
import { bedPageOf, roundOf } from '../services/plan.ts';
import {
  changeBed,
  checkPlantedBy,
  createBed,
  createGarden,
  findBed,
  findGarden,
  gardenToView,
} from '../services/setup.ts';

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
    await garden.update({ name: body.name ?? garden.name, units: body.units ?? garden.units });
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
    await changeBed(bed, body, sequelize);
    res.json({ id: bed.id });
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
