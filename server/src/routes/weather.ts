import {
  saidAnswer,
  saidBody,
  saidUndo,
  stationBody,
  stationKept,
  importBody,
  importPreview,
  importResult,
  readWeatherCsv,
  weatherView,
  type ReadWeather,
} from '@kibble/contract';
import { Router } from 'express';
import type { Services } from '../http/services.ts';
import { ImportRow } from '../db/models.ts';
import { answer, read, readId, Refusal } from '../errors.ts';
import { act } from '../http/act.ts';
import { todayOf } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { saySo, unsay } from '../services/saidDays.ts';
import { forgetForecasts, StationTrouble, tryStation } from '../services/station.ts';
import { storeImport, weatherPage } from '../services/weather.ts';
import { HORIZON_DAYS } from '../planner/context.ts';

const FIRST_ROWS = 5;
/** Refused rows that are told one by one. */
const TOLD_ROWS = 200;

const previewOf = (result: ReadWeather) => ({
  columns: result.columns,
  ignored: result.ignored,
  firstDays: result.days.slice(0, FIRST_ROWS),
  goodRows: result.days.length,
  rejected: result.rejected.slice(0, TOLD_ROWS),
  rejectedCount: result.rejected.length,
  hourly: result.hourly,
  question: result.question,
  from: result.days[0]?.date ?? null,
  to: result.days.at(-1)?.date ?? null,
  problem: result.problem,
});

export function weatherRoutes(services: Services): Router {
  const { wall, log } = services;
  const router = Router();

  router.get('/gardens/:id/weather', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(answer(weatherView, await weatherPage(garden, todayOf(garden, wall), HORIZON_DAYS, log)));
  });

  // Looks at a file and says what it understood. Stores nothing.
  router.post('/gardens/:id/weather/preview', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const { text, units } = read(importBody, req.body);
    res.json(answer(importPreview, previewOf(readWeatherCsv(text, units, garden))));
  });

  router.post(
    '/gardens/:id/weather/import',
    act(services, async (req) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const { text, ...said } = read(importBody, req.body);
      const result = readWeatherCsv(text, said.units, garden);
      const [first] = result.days;
      const last = result.days.at(-1);
      if (result.problem || !first || !last)
        throw new Refusal('invalid', result.problem ?? 'The file holds no day.', 'text');
      if (result.question)
        throw new Refusal('needs-consent', result.question.words, `units.${result.question.field}`);
      if (result.rejected.length > 0 && !said.acceptRejected)
        throw new Refusal(
          'needs-consent',
          `${result.rejected.length} row(s) cannot be read, the first on line ${result.rejected[0]?.line}: ${result.rejected[0]?.reason}. Say that they may be left out, or mend the file.`,
          'acceptRejected',
        );
      const { id } = await storeImport(garden.id, said.fileName, result.days, wall.now());
      return {
        status: 201,
        body: answer(importResult, {
          id,
          stored: result.days.length,
          from: first.date,
          to: last.date,
          leftOut: result.rejected.length,
        }),
      };
    }),
  );

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

  const markImport = (away: boolean) =>
    act(services, async (req) => {
      const id = readId(req.params.id, 'import');
      const row = await ImportRow.findByPk(id);
      if (!row) throw new Refusal('not-found', `There is no import ${id}.`, 'import');
      await row.update({ removedAt: away ? wall.now() : null });
      return { body: { id } };
    });
  router.delete('/imports/:id', markImport(true));
  router.post('/imports/:id/restore', markImport(false));

  return router;
}
