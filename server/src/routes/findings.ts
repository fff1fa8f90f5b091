import {
  bedLinks,
  draftBody,
  draftView,
  explainable,
  findingBody,
  findingView,
  tapBody,
  tryBody,
  tryView,
  workingView,
} from '@kibble/contract';
import { isIsoDate } from '@kibble/core';
import { Router } from 'express';
import { z } from 'zod';
import { answer, read, readId, Refusal } from '../errors.ts';
import { act } from '../http/act.ts';
import {
  bedsOfFinding,
  draftsOf,
  dropDraft,
  keepDraft,
  logFinding,
  markFinding,
} from '../services/findings.ts';
import { prove } from '../services/prove.ts';
import { addTap, changeTap, findBed, findGarden, findTap, linkBed } from '../services/setup.ts';
import type { Services } from '../services/services.ts';
import { dayWorking, numberWorking, tryOnBed } from '../services/working.ts';

const draftKey = z.string().regex(/^[a-z0-9:-]{1,60}$/, { error: 'Draft must be named in small letters' });

/** What tests found, taps, tests under way, and the working of every number. */
export function findingRoutes(services: Services): Router {
  const { wall, log } = services;
  const router = Router();

  router.post(
    '/gardens/:id/findings',
    act(services, async (req, proving) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const finding = await logFinding(garden, read(findingBody, req.body), wall);
      if (proving) await prove(await bedsOfFinding(finding), 'input', wall, log);
      return { status: 201, body: answer(findingView, finding) };
    }),
  );
  router.delete(
    '/findings/:id',
    act(services, async (req) => ({ body: await markFinding(readId(req.params.id, 'finding'), wall.now()) })),
  );
  router.post(
    '/findings/:id/restore',
    act(services, async (req, proving) => {
      const finding = await markFinding(readId(req.params.id, 'finding'), null);
      if (proving && 'input' in finding) await prove(await bedsOfFinding(finding), 'finding', wall, log);
      return { body: finding };
    }),
  );

  router.post(
    '/gardens/:id/taps',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { id } = await addTap(garden, read(tapBody, req.body));
      return { status: 201, body: { id } };
    }),
  );
  router.put(
    '/taps/:id',
    act(services, async (req) => {
      const tap = await findTap(readId(req.params.id, 'tap'));
      await changeTap(tap, read(tapBody, req.body), wall);
      return { body: { id: tap.id } };
    }),
  );
  const putTapAway = (away: boolean) =>
    act(services, async (req) => {
      const tap = await findTap(readId(req.params.id, 'tap'));
      await tap.update({ archivedAt: away ? wall.now() : null, version: tap.version + 1 });
      return { body: { id: tap.id } };
    });
  router.delete('/taps/:id', putTapAway(true));
  router.post('/taps/:id/restore', putTapAway(false));
  router.patch(
    '/beds/:id/links',
    act(services, async (req, proving) => {
      const { bed } = await findBed(readId(req.params.id, 'bed'));
      await linkBed(bed, read(bedLinks, req.body));
      if (proving) await prove([bed.id], 'groundOf', wall, log);
      return { body: { id: bed.id } };
    }),
  );

  router.get('/gardens/:id/drafts', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(z.array(draftView), await draftsOf(garden.id)));
  });
  router.put(
    '/gardens/:id/drafts/:key',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { body } = read(draftBody, req.body);
      const draft = await keepDraft(garden.id, read(draftKey, req.params.key), body, wall);
      return { body: answer(draftView, draft) };
    }),
  );
  router.delete(
    '/gardens/:id/drafts/:key',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      // Of several tabs only one is told that it was still there: what ends by itself is written down once.
      return { body: { dropped: await dropDraft(garden.id, read(draftKey, req.params.key)) } };
    }),
  );

  router.get('/beds/:id/working/:number', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const of = read(explainable, req.params.number);
    res.json(answer(workingView, { working: await numberWorking(garden, bed, of, wall, log) }));
  });
  router.get('/gardens/:id/working/:date', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { date } = req.params;
    if (!isIsoDate(date))
      throw new Refusal('invalid', `Date must be written YYYY-MM-DD; got ${date}`, 'date');
    res.json(answer(workingView, { working: await dayWorking(garden, date, wall, log) }));
  });
  router.post('/beds/:id/try', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    res.json(answer(tryView, await tryOnBed(garden, bed, read(tryBody, req.body), wall, log)));
  });

  return router;
}
