import {
  calendarView,
  inviteBody,
  inviteView,
  pairBody,
  sharingChange,
  sharingView,
  whoView,
} from '@kibble/contract';
import type { Request } from 'express';
import { Garden } from '../db/models.ts';
import { answer, read, readId, Refusal } from '../errors.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { findGarden } from '../services/find.ts';
import { houseOf } from '../services/house.ts';
import type { Sharing } from '../sharing/sharing.ts';

/** Kibble on the home's network: whom it lets in, and a garden's calendar at its secret address. */
export function sharingRoutes({ sequelize, sharing, live }: Services) {
  const kept = (): Sharing => {
    if (sharing) return sharing;
    throw new Refusal('not-found', 'This Kibble cannot be shared.', 'sharing');
  };

  const calendar = async (req: Request, anew: boolean) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const deviceId = kept().isHere(req) ? null : (kept().deviceOf(req)?.id ?? null);
    return answer(calendarView, {
      path: `/calendar/${garden.id}/${kept().calendarSecret(garden.id, deviceId, anew)}.ics`,
    });
  };
  /** The gardens a helper is invited to: those that were named, or the one there is. */
  const gardensFor = async (named: readonly number[] | undefined): Promise<number[]> => {
    const there = (await Garden.findAll({ attributes: ['id'], raw: true })).map(({ id }) => id);
    if (named === undefined && there.length === 1) return there;
    if (named === undefined)
      throw new Refusal('invalid', 'Gardens must be chosen for a helper: there are several.', 'gardens');
    const unknown = named.find((id) => !there.includes(id));
    if (unknown !== undefined) throw new Refusal('invalid', `There is no garden ${unknown}.`, 'gardens');
    return [...named];
  };
  return handlers({
    who: (req, res) => {
      res.json(
        answer(whoView, sharing?.who(req) ?? { letIn: true, here: true, name: null, rights: 'everything' }),
      );
    },
    pair: async (req, res) => {
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
    },
    sharing: async (req, res) => {
      res.json(answer(sharingView, await kept().view(kept().deviceOf(req))));
    },
    changeSharing: async (req, res) => {
      await kept().change(read(sharingChange, req.body));
      res.json(answer(sharingView, await kept().view(kept().deviceOf(req))));
    },
    invite: async (req, res) => {
      const { rights, gardens } = read(inviteBody, req.body);
      const of =
        rights === 'round only'
          ? { rights, gardens: await gardensFor(gardens), house: await houseOf(sequelize) }
          : { rights };
      res.status(201).json(answer(inviteView, await kept().invite(of)));
    },
    revoke: (req, res) => {
      const id = String(req.params.id);
      if (!kept().revoke(id)) throw new Refusal('not-found', 'That device is not let in any more.', 'id');
      res.json({ id });
    },
    authority: async (_req, res) => {
      res
        .type('application/x-x509-ca-cert')
        .set('Content-Disposition', 'attachment; filename="kibble-at-home.crt"')
        .send(await kept().root());
    },
    calendar: async (req, res) => {
      res.json(await calendar(req, false));
    },
    renewCalendar: async (req, res) => {
      res.status(201).json(await calendar(req, true));
    },
    live: (req, res) => {
      live.join(res, sharing?.deviceOf(req)?.id ?? null, sharing?.helperGardens(req) ?? null);
    },
  });
}
