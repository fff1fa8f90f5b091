import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import type { PlanBed } from '../src/follow/types.ts';
import type { WeatherDay } from '../src/weather/types.ts';

/** A record that ships with vega-datasets. */
const rowsOf = (file: string): Record<string, string>[] =>
  Papa.parse<Record<string, string>>(readFileSync(`node_modules/vega-datasets/data/${file}`, 'utf8').trim(), {
    header: true,
  }).data;
const dayOf = (row: Record<string, string>): WeatherDay => ({
  date: String(row.date),
  tMinC: Number(row.temp_min),
  tMaxC: Number(row.temp_max),
  windMs: Number(row.wind),
  rainMm: Number(row.precipitation),
});

/** For tests: four years of real daily weather that ships with vega-datasets, the seattle-weather record. */
export const seattle: WeatherDay[] = rowsOf('seattle-weather.csv').map(dayOf);
/** The same years at one of two towns, Seattle or New York. */
export const recordOf = (town: string): WeatherDay[] =>
  rowsOf('weather.csv')
    .filter((row) => row.location === town)
    .map(dayOf);
export const seattleSite = { latitudeDeg: 47.6, elevationM: 50 };

/** Tomatoes on loam, set out in May 2015. */
export const seattleTomatoes: PlanBed = {
  id: 1,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'tomato', plantedOn: '2015-05-15' }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: [],
  startOn: '2015-05-15',
  startFullness: 1,
};
