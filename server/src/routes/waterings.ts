import { eventView, gaugeBody, skipBody, wateringBody } from '@kibble/contract';
import { answer, read, readId, Refusal } from '../errors.ts';
import { act } from '../http/act.ts';
import { todayOf } from '../services/clock.ts';
import { findBed, findGarden } from '../services/find.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { logRain, logSkip, logWatering, markEvent } from '../services/waterings.ts';

/** What was given, left, and what the gauge held. */
export function wateringRoutes(services: Services) {
  const { wall } = services;

  const marked = (away: boolean) =>
    act(services, async (req) => {
      const event = await markEvent(readId(req.params.id, 'entry'), away ? wall.now() : null, wall);
      const { gardenId, bedId } = event;
      return {
        body: answer(eventView, event),
        ...(bedId === null
          ? { touched: { gardenId } }
          : { touched: { gardenId, beds: [bedId] }, roundOf: await findGarden(gardenId) }),
      };
    });
  return handlers({
    addWatering: act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const event = await logWatering(bed, read(wateringBody, req.body), todayOf(garden, wall), wall);
      const touched = { gardenId: garden.id, beds: [bed.id] };
      return { status: 201, body: answer(eventView, event), touched, roundOf: garden };
    }),
    addSkip: act(services, async (req) => {
      const { bed, garden } = await findBed(readId(req.params.id, 'bed'));
      const event = await logSkip(bed, read(skipBody, req.body), todayOf(garden, wall), wall);
      const touched = { gardenId: garden.id, beds: [bed.id] };
      return { status: 201, body: answer(eventView, event), touched, roundOf: garden };
    }),
    addRain: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { date, rainMm } = read(gaugeBody, req.body);
      const today = todayOf(garden, wall);
      if (date > today)
        throw new Refusal(
          'invalid',
          `Date must be ${today} (today at this garden) or earlier; got ${date}`,
          'date',
        );
      const event = await logRain(garden.id, date, rainMm, wall);
      return { status: 201, body: answer(eventView, event), touched: { gardenId: garden.id } };
    }),
    undoEvent: marked(true),
    restoreEvent: marked(false),
  });
}
