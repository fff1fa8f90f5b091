import { fortnightView } from '@kibble/contract';
import { answer, readId, Refusal } from '../errors.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { calendarOf } from '../services/calendarOf.ts';
import { findGarden } from '../services/find.ts';

/** A garden's rounds for any calendar program, which shows no cookie: whoever knows the address reads it, and nothing else. */
export function calendarRoutes({ sharing, plans }: Services) {
  return handlers({
    calendarFeed: async (req, res) => {
      const [id, secret] = [String(req.params.id), String(req.params.secret)];
      const nothing = new Refusal('not-found', 'There is no such calendar.', 'address');
      if (!/^[1-9]\d{0,14}$/.test(id) || !sharing?.isCalendarSecret(Number(id), secret)) throw nothing;
      const garden = await findGarden(readId(id, 'garden'));
      const fortnight = answer(fortnightView, JSON.parse(await plans.view(garden, 'fortnight', {})));
      res
        .type('text/calendar; charset=utf-8')
        .set('Cache-Control', 'no-store')
        .send(calendarOf(garden, fortnight));
    },
  });
}
