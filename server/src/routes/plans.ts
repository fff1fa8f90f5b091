import { explainable, planChange, progressView, roundsTry, tryBody, walkQuery } from '@kibble/contract';
import { isIsoDate } from '@kibble/core';
import { Router } from 'express';
import { z } from 'zod';
import { answer, read, readId, Refusal } from '../errors.ts';
import { sendJson } from '../http/sendView.ts';
import { findBed, findGarden } from '../services/find.ts';
import type { Services } from '../http/services.ts';

const sectionQuery = z.object({
  words: z.string().max(80).optional(),
  place: z.string().max(40).optional(),
  line: z.string().max(80).optional(),
  state: z.string().max(40).optional(),
  sort: z.enum(['order', 'urgency']).optional(),
  offset: z.coerce.number().int().min(0).optional(),
});

/** The rooms that show the plan: each a view of the same one. */
export function planRoutes({ plans }: Services): Router {
  const router = Router();

  for (const name of ['round', 'sharpen', 'fortnight'] as const)
    router.get(`/gardens/:id/${name}`, async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, name, {}));
    });
  router.get('/gardens/:id/walk', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    sendJson(res, await plans.view(garden, 'walk', read(walkQuery, req.query)));
  });
  router.get('/gardens/:id/section', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    sendJson(res, await plans.view(garden, 'section', read(sectionQuery, req.query)));
  });
  router.get('/gardens/:id/progress', (req, res) => {
    res.json(answer(progressView, plans.progress(readId(req.params.id, 'garden'))));
  });
  router.post('/gardens/:id/fortnight/try', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    sendJson(res, await plans.view(garden, 'tryPlan', read(planChange, req.body)));
  });

  router.post('/gardens/:id/rounds/try', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    sendJson(res, await plans.view(garden, 'tryRounds', read(roundsTry, req.body)));
  });

  router.get('/beds/:id', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    sendJson(res, await plans.view(garden, 'bedPage', { bedId: bed.id }));
  });
  router.get('/beds/:id/schools', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    sendJson(res, await plans.view(garden, 'schools', { bedId: bed.id }));
  });
  router.get('/beds/:id/ladder', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    sendJson(res, await plans.view(garden, 'ladder', { bedId: bed.id }));
  });
  router.post('/beds/:id/try', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    sendJson(res, await plans.view(garden, 'tryOnBed', { bedId: bed.id, body: read(tryBody, req.body) }));
  });
  router.get('/beds/:id/working/:number', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const of = read(explainable, req.params.number);
    sendJson(res, await plans.view(garden, 'numberWorking', { bedId: bed.id, of }));
  });
  router.get('/gardens/:id/working/:date', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { date } = req.params;
    if (!isIsoDate(date))
      throw new Refusal('invalid', `Date must be written YYYY-MM-DD; got ${date}`, 'date');
    sendJson(res, await plans.view(garden, 'dayWorking', { date }));
  });

  return router;
}
