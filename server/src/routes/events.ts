import { eventView, gaugeBody, skipBody, wateringBody } from '@kibble/contract';
import { Router } from 'express';
import type { Services } from '../services/services.ts';
import { read, readId, Refusal } from '../errors.ts';
import { todayOf } from '../services/clock.ts';
import { logRain, logSkip, logWatering, markEvent } from '../services/events.ts';
import { findBed, findGarden } from '../services/setup.ts';

export function eventRoutes({ wall }: Services): Router {
  const router = Router();

  router.post('/beds/:id/waterings', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const event = await logWatering(bed, read(wateringBody, req.body), todayOf(garden, wall), wall);
    res.status(201).json(read(eventView, event));
  });

  router.post('/beds/:id/skips', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const event = await logSkip(bed, read(skipBody, req.body), todayOf(garden, wall), wall);
    res.status(201).json(read(eventView, event));
  });

  router.post('/gardens/:id/rain', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { date, rainMm } = read(gaugeBody, req.body);
    const today = todayOf(garden, wall);
    if (date > today)
      throw new Refusal(
        'invalid',
        `Date must be ${today} (today at this garden) or earlier; got ${date}`,
        'date',
      );
    res.status(201).json(read(eventView, await logRain(garden.id, date, rainMm, wall)));
  });

  router.delete('/events/:id', async (req, res) => {
    res.json(read(eventView, await markEvent(readId(req.params.id, 'entry'), wall.now())));
  });

  router.post('/events/:id/restore', async (req, res) => {
    res.json(read(eventView, await markEvent(readId(req.params.id, 'entry'), null)));
  });

  return router;
}
