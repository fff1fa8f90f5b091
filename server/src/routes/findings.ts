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
import { read, readId, Refusal } from '../errors.ts';
import { draftsOf, dropDraft, keepDraft, logFinding, markFinding } from '../services/findings.ts';
import { addTap, changeTap, findBed, findGarden, findTap, linkBed } from '../services/setup.ts';
import type { Services } from '../services/services.ts';
import { dayWorking, numberWorking, tryOnBed } from '../services/working.ts';

const draftKey = z.string().regex(/^[a-z0-9:-]{1,60}$/, { error: 'Draft must be named in small letters' });

/** What tests found, taps, tests under way, and the working of every number. */
export function findingRoutes({ sequelize, wall, log }: Services): Router {
  const router = Router();

  router.post('/gardens/:id/findings', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.status(201).json(read(findingView, await logFinding(garden, read(findingBody, req.body), wall)));
  });
  router.delete('/findings/:id', async (req, res) => {
    res.json(read(findingView, await markFinding(readId(req.params.id, 'finding'), wall.now())));
  });
  router.post('/findings/:id/restore', async (req, res) => {
    res.json(read(findingView, await markFinding(readId(req.params.id, 'finding'), null)));
  });

  router.post('/gardens/:id/taps', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const tap = await addTap(garden, read(tapBody, req.body));
    res.status(201).json({ id: tap.id });
  });
  router.put('/taps/:id', async (req, res) => {
    const tap = await findTap(readId(req.params.id, 'tap'));
    await changeTap(tap, read(tapBody, req.body), sequelize, wall);
    res.json({ id: tap.id });
  });
  router.delete('/taps/:id', async (req, res) => {
    const tap = await findTap(readId(req.params.id, 'tap'));
    await tap.update({ archivedAt: wall.now() });
    res.json({ id: tap.id });
  });
  router.post('/taps/:id/restore', async (req, res) => {
    const tap = await findTap(readId(req.params.id, 'tap'));
    await tap.update({ archivedAt: null });
    res.json({ id: tap.id });
  });
  router.patch('/beds/:id/links', async (req, res) => {
    const { bed } = await findBed(readId(req.params.id, 'bed'));
    await linkBed(bed, read(bedLinks, req.body));
    res.json({ id: bed.id });
  });

  router.get('/gardens/:id/drafts', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(z.array(draftView), await draftsOf(garden.id)));
  });
  router.put('/gardens/:id/drafts/:key', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { body } = read(draftBody, req.body);
    res.json(read(draftView, await keepDraft(garden.id, read(draftKey, req.params.key), body, wall)));
  });
  router.delete('/gardens/:id/drafts/:key', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    // Of several tabs only one is told that it was still there: what ends by itself is written down once.
    res.json({ dropped: await dropDraft(garden.id, read(draftKey, req.params.key)) });
  });

  router.get('/beds/:id/working/:number', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    const of = read(explainable, req.params.number);
    res.json(read(workingView, { working: await numberWorking(garden, bed, of, wall, log) }));
  });
  router.get('/gardens/:id/working/:date', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { date } = req.params;
    if (!isIsoDate(date))
      throw new Refusal('invalid', `Date must be written YYYY-MM-DD; got ${date}`, 'date');
    res.json(read(workingView, { working: await dayWorking(garden, date, wall, log) }));
  });
  router.post('/beds/:id/try', async (req, res) => {
    const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
    res.json(read(tryView, await tryOnBed(garden, bed, read(tryBody, req.body), wall, log)));
  });

  return router;
}
