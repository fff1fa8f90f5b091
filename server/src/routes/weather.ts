import {
  saidAnswer,
  saidBody,
  saidUndo,
  stationBody,
  tickBody,
  tickView,
  stationKept,
  weatherView,
} from '@kibble/contract';
import { Router } from 'express';
import type { Services } from '../http/services.ts';
import { answer, read, readId, Refusal } from '../errors.ts';
import { act } from '../http/act.ts';
import { todayOf } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { saySo, unsay } from '../services/saidDays.ts';
import { forgetForecasts, StationTrouble, tryStation } from '../services/station.ts';
import { tick, ticksOf } from '../services/ticks.ts';
import { weatherPage } from '../services/weather.ts';
import { HORIZON_DAYS } from '../planner/context.ts';

export function weatherRoutes(services: Services): Router {
  const { wall, log } = services;
  const router = Router();

  router.get('/gardens/:id/weather', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(weatherView, await weatherPage(garden, todayOf(garden, wall), HORIZON_DAYS, log)));
  });

  // What somebody says of days, in words or figures.
  router.post(
    '/gardens/:id/weather/said',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const ids = await saySo(garden, todayOf(garden, wall), read(saidBody, req.body), wall.now());
      return { status: 201, body: answer(saidAnswer, { ids }), touched: { gardenId: garden.id } };
    }),
  );
  router.post(
    '/gardens/:id/weather/said/take-back',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { ids } = read(saidUndo, req.body);
      await unsay(garden, ids, wall.now());
      return { body: answer(saidAnswer, { ids }), touched: { gardenId: garden.id } };
    }),
  );

  // What was seen to of the weather's alerts.
  router.get('/gardens/:id/alerts/seen', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(tickView.array(), await ticksOf(garden, todayOf(garden, wall))));
  });
  router.post(
    '/gardens/:id/alerts/seen',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const body = read(tickBody, req.body);
      await tick(garden, body, wall.now());
      return { body: answer(tickBody, body), touched: { gardenId: garden.id, beds: [] } };
    }),
  );

  const keepStation = act(services, async (req) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { url } = read(stationBody, req.body);
    await garden.update({ stationUrl: url });
    forgetForecasts(garden.id);
    return { body: answer(stationKept, { url }), touched: { gardenId: garden.id } };
  });
  // An address is asked before it is kept, and not while anybody waits to write.
  router.put('/gardens/:id/weather/station', async (req, res, next) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { url, anyway } = read(stationBody, req.body);
    if (url !== null && !anyway)
      await tryStation(url, todayOf(garden, wall)).catch((error: unknown) => {
        if (!(error instanceof StationTrouble)) throw error;
        throw new Refusal(
          'needs-consent',
          `The station at ${url} is of no use now: ${error.message}.`,
          'url',
        );
      });
    await keepStation(req, res, next);
  });

  return router;
}
