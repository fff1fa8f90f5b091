import { eventView, gaugeBody, skipBody, wateringBody } from '@kibble/contract';
import { Router } from 'express';
import { answer, read, readId, Refusal } from '../errors.ts';
import { act } from '../http/act.ts';
import { todayOf } from '../services/clock.ts';
import { logRain, logSkip, logWatering, markEvent } from '../services/events.ts';
import type { Services } from '../services/services.ts';
import { findBed, findGarden } from '../services/setup.ts';

export function eventRoutes(services: Services): Router {
  const { wall } = services;
  const router = Router();

  router.post(
    '/beds/:id/waterings',
    act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const event = await logWatering(bed, read(wateringBody, req.body), todayOf(garden, wall), wall);
      return { status: 201, body: answer(eventView, event) };
    }),
  );

  router.post(
    '/beds/:id/skips',
    act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const event = await logSkip(bed, read(skipBody, req.body), todayOf(garden, wall), wall);
      return { status: 201, body: answer(eventView, event) };
    }),
  );

  router.post(
    '/gardens/:id/rain',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { date, rainMm } = read(gaugeBody, req.body);
      const today = todayOf(garden, wall);
      if (date > today)
        throw new Refusal(
          'invalid',
          `Date must be ${today} (today at this garden) or earlier; got ${date}`,
          'date',
        );
      return { status: 201, body: answer(eventView, await logRain(garden.id, date, rainMm, wall)) };
    }),
  );

  router.delete(
    '/events/:id',
    act(services, async (req) => ({
      body: answer(eventView, await markEvent(readId(req.params.id, 'entry'), wall.now(), wall)),
    })),
  );

  router.post(
    '/events/:id/restore',
    act(services, async (req) => ({
      body: answer(eventView, await markEvent(readId(req.params.id, 'entry'), null, wall)),
    })),
  );

  return router;
}
