import { climateAsk, climateView, townView } from '@kibble/contract';
import { answer, read } from '../errors.ts';
import { handlers } from '../http/register.ts';
import { climateOf, climateToView } from '../services/climate.ts';
import type { Services } from '../http/services.ts';

/** Longest name of a town that is looked for, letters, and the shortest that says anything. */
const MOST_LETTERS = 80;
const LEAST_LETTERS = 2;

/** Towns by what their names begin with, for saying where a garden is. Nothing is asked of any network. */
export function townRoutes({ towns }: Services) {
  return handlers({
    towns: async (req, res) => {
      const typed = String(req.query.named ?? '')
        .trim()
        .slice(0, MOST_LETTERS);
      // Asked for nothing, the gazetteer is opened for who will type next.
      const found = (await towns?.search(typed.length >= LEAST_LETTERS ? typed : '')) ?? [];
      res.json(answer(townView.array(), found));
    },
    climate: async (req, res) => {
      const figure = (name: string): number | undefined =>
        req.query[name] === undefined ? undefined : Number(req.query[name]);
      const place = read(climateAsk, {
        latitudeDeg: figure('latitudeDeg'),
        longitudeDeg: figure('longitudeDeg'),
        elevationM: figure('elevationM'),
      });
      const coastKm = await towns?.coastKm(place.latitudeDeg, place.longitudeDeg);
      const climate = climateOf({ ...place, coastKm });
      if (!climate) throw new Error('a place with a longitude has a climate');
      res.json(answer(climateView, climateToView(climate, false)));
    },
  });
}
