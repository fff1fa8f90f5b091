import {
  gardenAway,
  gardenName,
  gardenPatch,
  gardenView,
  ownCropBody,
  setupBody,
  setupSketch,
  sketchBody,
  stepBody,
} from '@kibble/contract';
import { Garden } from '../db/models.ts';
import { answer, read, readId, Refusal, refusing } from '../errors.ts';
import { act, actAfter } from '../http/act.ts';
import { sendJson } from '../http/sendView.ts';
import { wetnessByLately } from '../services/lately.ts';
import { siteOf } from '../services/weather.ts';
import { createBed } from '../services/beds.ts';
import { dayIn, steppedTo, todayOf } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { changeGarden, createGarden, gardenToView } from '../services/gardens.ts';
import { addOwnCrop } from '../services/ownCrops.ts';
import { checkPlantedBy } from '../services/plantings.ts';
import { enterForecasts } from '../services/manualForecasts.ts';
import { askGardenStation, saveStationAnswer } from '../services/station.ts';
import { dryRun } from '../planner/dryRun.ts';
import { daysOfWeek, sketchOf } from '../planner/sketch.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';

/** Of a garden's place, what a helper is told: nothing. */
const NOWHERE = {
  latitudeDeg: null,
  longitudeDeg: null,
  elevationM: null,
  town: null,
  climate: null,
} as const;

interface PlaceOnMap {
  latitudeDeg: number;
  longitudeDeg?: number | null;
}

/** Gardens, their clock and limits, and plants of their own. */
export function gardenRoutes(services: Services) {
  const { wall, log, plans, sharing, towns } = services;
  /** How far a place is from the sea; null where that is not known. */
  const coastOf = async ({ latitudeDeg, longitudeDeg }: PlaceOnMap): Promise<number | null> =>
    towns && typeof longitudeDeg === 'number' ? towns.coastKm(latitudeDeg, longitudeDeg) : null;

  return handlers({
    gardens: async (req, res) => {
      const gardens = await Garden.findAll({ order: ['id'] });
      const theirs = sharing?.helperGardens(req) ?? null;
      const shown = theirs === null ? gardens : gardens.filter(({ id }) => theirs.includes(id));
      const names = shown.map(({ id, name, archivedAt }) => ({ id, name, away: Boolean(archivedAt) }));
      res.json(answer(gardenName.array(), names));
    },
    garden: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const text = await plans.view(garden, 'garden', {});
      const isHelper = (sharing?.helperGardens(req) ?? null) !== null;
      // A helper learns what there is to water, not where on earth that is.
      sendJson(res, isHelper ? JSON.stringify({ ...(JSON.parse(text) as object), ...NOWHERE }) : text);
    },
    addGarden: act(services, async (req, dryRunning) => {
      const body = read(setupBody, req.body);
      const garden = await createGarden(body.garden, { coastKm: await coastOf(body.garden) });
      const today = todayOf(garden, wall);
      if (body.bed) checkPlantedBy(body.bed, today, 'bed.');
      const bed = body.bed
        ? await createBed(garden.id, wetnessByLately(body.bed, siteOf(garden), today), today, wall.now())
        : null;
      const days = daysOfWeek(body.week ?? 'as usual', today);
      if (days.length > 0) await enterForecasts(garden, today, { days }, wall.now());
      if (dryRunning && bed) await dryRun([bed.id], 'bed', wall, log);
      return {
        status: 201,
        body: answer(gardenView, await gardenToView(garden, wall)),
        touched: { gardenId: garden.id },
      };
    }),
    // What a garden that is being made would be told: nothing is written down.
    sketchGarden: async (req, res) => {
      const body = read(sketchBody, req.body);
      const today = dayIn(body.garden.timeZone, wall);
      checkPlantedBy(body.bed, today, 'bed.');
      if (body.bed.planting?.cropId.startsWith('own-'))
        throw new Refusal('invalid', 'Crop must be one of the catalogue’s plants in a new garden.', 'cropId');
      const coastKm = await coastOf(body.garden);
      res.json(
        answer(
          setupSketch,
          refusing(() => sketchOf(body, today, coastKm)),
        ),
      );
    },
    changeGarden: actAfter(
      services,
      // On another day the station has other days behind it, and another forecast.
      async (req) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        const { clock } = read(gardenPatch, req.body);
        if (!clock) return null;
        return askGardenStation(
          garden,
          clock.mode === 'practice' ? clock.date : dayIn(garden.timeZone, wall),
          log,
        );
      },
      async (req, _proving, said) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        const patch = read(gardenPatch, req.body);
        await changeGarden(garden, patch, await coastOf({ ...garden.get({ plain: true }), ...patch }));
        await saveStationAnswer(garden, said, wall.now());
        return {
          body: answer(gardenView, await gardenToView(garden, wall)),
          touched: { gardenId: garden.id },
        };
      },
    ),
    // A garden put away keeps everything, is not planned at a start, and comes back as it was.
    archiveGarden: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { away } = read(gardenAway, req.body);
      await garden.update({ archivedAt: away ? wall.now() : null });
      return {
        body: answer(gardenAway, { away }),
        touched: { gardenId: garden.id },
        after: services.onGardens,
      };
    }),
    stepGarden: actAfter(
      services,
      async (req) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        return askGardenStation(garden, steppedTo(garden, read(stepBody, req.body).days), log);
      },
      async (req, _proving, said) => {
        const garden = await findGarden(readId(req.params.id, 'garden'));
        await garden.update({ practiceDate: steppedTo(garden, read(stepBody, req.body).days) });
        await saveStationAnswer(garden, said, wall.now());
        return {
          body: answer(gardenView, await gardenToView(garden, wall)),
          touched: { gardenId: garden.id },
        };
      },
    ),
    addCrop: act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const id = await addOwnCrop(garden, read(ownCropBody, req.body));
      return { status: 201, body: { id }, touched: { gardenId: garden.id } };
    }),
  });
}
