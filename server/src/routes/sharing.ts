import {
  calendarView,
  inviteBody,
  inviteView,
  pairBody,
  sharingChange,
  sharingView,
  whoView,
} from '@kibble/contract';
import { Router } from 'express';
import { answer, read, readId, Refusal } from '../errors.ts';
import type { Services } from '../http/services.ts';
import { findGarden } from '../services/find.ts';
import type { Sharing } from '../sharing/sharing.ts';

/** Kibble on the home's network: whom it lets in, and a garden's calendar at its secret address. */
export function sharingRoutes({ sharing, live }: Services): Router {
  const router = Router();
  const kept = (): Sharing => {
    if (sharing) return sharing;
    throw new Refusal('not-found', 'This Kibble cannot be shared.', 'sharing');
  };

  router.get('/who', (req, res) => {
    res.json(
      answer(whoView, sharing?.who(req) ?? { letIn: true, here: true, name: null, rights: 'everything' }),
    );
  });

  router.post('/pair', async (req, res) => {
    const { asked, cookie, device } = await kept().pair(read(pairBody, req.body), req);
    if (asked === 'wrong')
      throw new Refusal(
        'invalid',
        'Code must be the one that stands on the other screen just now; it holds for ten minutes and for one device.',
        'code',
      );
    if (typeof asked === 'object')
      throw new Refusal(
        'too-often',
        `Too many wrong codes. From here none is taken for ${Math.max(1, Math.ceil(asked.waitS / 60))} min.`,
        'code',
      );
    if (cookie) res.set('Set-Cookie', cookie);
    res.status(201).json(
      answer(whoView, {
        letIn: true,
        here: false,
        name: device?.name ?? null,
        rights: device?.rights ?? null,
      }),
    );
  });

  router.get('/sharing', async (req, res) => {
    res.json(answer(sharingView, await kept().view(kept().deviceOf(req))));
  });
  router.patch('/sharing', async (req, res) => {
    await kept().change(read(sharingChange, req.body));
    res.json(answer(sharingView, await kept().view(kept().deviceOf(req))));
  });
  router.post('/sharing/invitation', async (req, res) => {
    const { rights } = read(inviteBody, req.body);
    res.status(201).json(answer(inviteView, await kept().invite(rights)));
  });
  router.delete('/sharing/devices/:id', (req, res) => {
    const { id } = req.params;
    if (!kept().revoke(id)) throw new Refusal('not-found', 'That device is not let in any more.', 'id');
    res.json({ id });
  });
  router.get('/sharing/authority.crt', async (_req, res) => {
    res
      .type('application/x-x509-ca-cert')
      .set('Content-Disposition', 'attachment; filename="kibble-at-home.crt"')
      .send(await kept().root());
  });

  const calendar = (anew: boolean) => async (id: unknown) => {
    const garden = await findGarden(readId(id, 'garden'));
    return answer(calendarView, {
      path: `/calendar/${garden.id}/${kept().calendarSecret(garden.id, anew)}.ics`,
    });
  };
  router.get('/gardens/:id/calendar', async (req, res) => {
    res.json(await calendar(false)(req.params.id));
  });
  router.post('/gardens/:id/calendar', async (req, res) => {
    res.status(201).json(await calendar(true)(req.params.id));
  });

  router.get('/events', (req, res) => {
    live.join(res, sharing?.deviceOf(req)?.id ?? null);
  });
  return router;
}
