import {
  importBody,
  importPreview,
  importResult,
  readWeatherCsv,
  weatherView,
  type ReadWeather,
} from '@kibble/contract';
import { Router } from 'express';
import type { Services } from '../services/services.ts';
import { read, readId, Refusal } from '../errors.ts';
import { todayOf } from '../services/clock.ts';
import { findGarden } from '../services/setup.ts';
import { storeDays, weatherPage } from '../services/weather.ts';

const FIRST_ROWS = 5;

const previewOf = (result: ReadWeather) => ({
  columns: result.columns,
  ignored: result.ignored,
  firstDays: result.days.slice(0, FIRST_ROWS),
  goodRows: result.days.length,
  rejected: result.rejected,
  from: result.days[0]?.date ?? null,
  to: result.days.at(-1)?.date ?? null,
  problem: result.problem,
});

export function weatherRoutes({ sequelize, wall }: Services): Router {
  const router = Router();

  router.get('/gardens/:id/weather', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    res.json(read(weatherView, await weatherPage(garden, todayOf(garden, wall))));
  });

  // Looks at a file and says what it understood. Stores nothing.
  router.post('/gardens/:id/weather/preview', async (req, res) => {
    await findGarden(readId(req.params.id, 'garden'));
    const body = read(importBody, req.body);
    res.json(read(importPreview, previewOf(readWeatherCsv(body.text, body.units))));
  });

  router.post('/gardens/:id/weather/import', async (req, res) => {
    const garden = await findGarden(readId(req.params.id, 'garden'));
    const body = read(importBody, req.body);
    const result = readWeatherCsv(body.text, body.units);
    const [first] = result.days;
    const last = result.days.at(-1);
    if (result.problem || !first || !last)
      throw new Refusal('invalid', result.problem ?? 'The file holds no day.', 'text');
    if (result.rejected.length > 0 && !body.acceptRejected) {
      throw new Refusal(
        'needs-consent',
        `${result.rejected.length} row(s) cannot be read, the first on line ${result.rejected[0]?.line}: ${result.rejected[0]?.reason}. Say that they may be left out, or mend the file.`,
        'acceptRejected',
      );
    }
    await sequelize.transaction((transaction) => storeDays(garden.id, 'import', result.days, transaction));
    res.status(201).json(
      read(importResult, {
        stored: result.days.length,
        from: first.date,
        to: last.date,
        leftOut: result.rejected.length,
      }),
    );
  });

  return router;
}
