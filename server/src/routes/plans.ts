import { explainable, planChange, progressView, roundsTry, tryBody, walkQuery } from '@kibble/contract';
import { isIsoDate } from '@kibble/core';
import type { RequestHandler } from 'express';
import { z } from 'zod';
import { answer, read, readId, Refusal } from '../errors.ts';
import { sendJson } from '../http/sendView.ts';
import { findBed, findGarden } from '../services/find.ts';
import { handlers } from '../http/register.ts';
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
export function planRoutes({ plans }: Services) {
  const view =
    (name: 'round' | 'sharpen' | 'afterRain' | 'fortnight'): RequestHandler =>
    async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, name, {}));
    };
  return handlers({
    round: view('round'),
    sharpen: view('sharpen'),
    afterRain: view('afterRain'),
    fortnight: view('fortnight'),
    walk: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, 'walk', read(walkQuery, req.query)));
    },
    section: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, 'section', read(sectionQuery, req.query)));
    },
    progress: (req, res) => {
      res.json(answer(progressView, plans.progress(readId(req.params.id, 'garden'))));
    },
    tryPlan: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, 'tryPlan', read(planChange, req.body)));
    },
    tryRounds: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      sendJson(res, await plans.view(garden, 'tryRounds', read(roundsTry, req.body)));
    },
    bedPage: async (req, res) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      sendJson(res, await plans.view(garden, 'bedPage', { bedId: bed.id }));
    },
    schools: async (req, res) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      sendJson(res, await plans.view(garden, 'schools', { bedId: bed.id }));
    },
    ladder: async (req, res) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      sendJson(res, await plans.view(garden, 'ladder', { bedId: bed.id }));
    },
    tryOnBed: async (req, res) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      sendJson(res, await plans.view(garden, 'tryOnBed', { bedId: bed.id, body: read(tryBody, req.body) }));
    },
    numberWorking: async (req, res) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const of = read(explainable, req.params.number);
      sendJson(res, await plans.view(garden, 'numberWorking', { bedId: bed.id, of }));
    },
    dayWorking: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const date = String(req.params.date);
      if (!isIsoDate(date))
        throw new Refusal('invalid', `Date must be written YYYY-MM-DD; got ${date}`, 'date');
      sendJson(res, await plans.view(garden, 'dayWorking', { date }));
    },
  });
}
