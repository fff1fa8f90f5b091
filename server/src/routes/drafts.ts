import { draftBody, draftView } from '@kibble/contract';
import { z } from 'zod';
import { answer, read, readId } from '../errors.ts';
import { act } from '../http/act.ts';
import { draftsOf, dropDraft, keepDraft } from '../services/drafts.ts';
import { findGarden } from '../services/find.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';

const draftKey = z.string().regex(/^[a-z0-9:-]{1,60}$/, { error: 'Draft must be named in small letters' });

/** Tests under way, as far as they were typed. */
export function draftRoutes(services: Services) {
  const { wall } = services;

  return handlers({
    drafts: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      res.json(answer(z.array(draftView), await draftsOf(garden.id)));
    },
    saveDraft: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { body } = read(draftBody, req.body);
      const draft = await keepDraft(garden.id, read(draftKey, req.params.key), body, wall);
      return { body: answer(draftView, draft), touched: { gardenId: garden.id, beds: [] } };
    }),
    dropDraft: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const dropped = await dropDraft(garden.id, read(draftKey, req.params.key));
      return { body: { dropped }, touched: { gardenId: garden.id, beds: [] } };
    }),
  });
}
