import { stationBody, tickView, stationKept, weatherView } from '@kibble/contract';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { answer, read, readId, Refusal } from '../errors.ts';
import { actAfter } from '../http/act.ts';
import { todayOf } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { askGardenStation, saveStationAnswer } from '../services/station.ts';
import { ticksOf } from '../services/alertsSeen.ts';
import { weatherPage } from '../services/weather.ts';
import { HORIZON_DAYS } from '../planner/context.ts';

export function weatherRoutes(services: Services) {
  const { wall, log } = services;

  return handlers({
    weather: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      res.json(answer(weatherView, await weatherPage(garden, todayOf(garden, wall), HORIZON_DAYS)));
    },
    // What was seen to of the weather's alerts.
    alertsSeen: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      res.json(answer(tickView.array(), await ticksOf(garden, todayOf(garden, wall))));
    },
    setStation: actAfter(
      services,
      // An address is asked before it is saved, and not while anybody waits to write.
      async (req) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        const { url, anyway } = read(stationBody, req.body);
        if (url === null) return null;
        const said = await askGardenStation(garden, todayOf(garden, wall), log, url);
        if (said?.trouble && !anyway)
          throw new Refusal(
            'needs-consent',
            `The station at ${url} is of no use now: ${said.trouble}.`,
            'url',
          );
        return said;
      },
      async (req, _proving, said) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        const { url } = read(stationBody, req.body);
        await garden.update({ stationUrl: url });
        await saveStationAnswer(garden, said, wall.now());
        return { body: answer(stationKept, { url }), touched: { gardenId: garden.id } };
      },
    ),
  });
}
