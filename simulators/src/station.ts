import { addDays, daysBetween, isIsoDate } from '@kibble/core';
import express, { type Express } from 'express';
import { forecastOn, weatherOn, type Climate } from './climate.ts';

/** Most days one answer carries. */
const MOST_DAYS = 800;
const FORECAST_DAYS = 10;

/** A simulated weather station over HTTP. It follows the clock of whoever asks: `today` is theirs. */
export function stationApp(climate: Climate): Express {
  const app = express();
  app.get('/days', (req, res) => {
    const from = String(req.query.from);
    const to = String(req.query.to);
    if (
      !isIsoDate(from) ||
      !isIsoDate(to) ||
      daysBetween(from, to) < 0 ||
      daysBetween(from, to) >= MOST_DAYS
    ) {
      res.status(400).json({
        error: { code: 'invalid', message: `from and to must be days, at most ${MOST_DAYS} apart` },
      });
      return;
    }
    const count = daysBetween(from, to) + 1;
    res.json({ days: Array.from({ length: count }, (_, i) => weatherOn(climate, addDays(from, i))) });
  });
  app.get('/forecast', (req, res) => {
    const today = String(req.query.today);
    if (!isIsoDate(today)) {
      res.status(400).json({ error: { code: 'invalid', message: 'today must be a day written YYYY-MM-DD' } });
      return;
    }
    res.json({ days: Array.from({ length: FORECAST_DAYS }, (_, lead) => forecastOn(climate, today, lead)) });
  });
  return app;
}
