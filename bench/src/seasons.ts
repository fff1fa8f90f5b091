import { existsSync, readFileSync } from 'node:fs';
import {
  compareSchools,
  completeWeather,
  GOAL_FACTS,
  GOALS,
  growthLost,
  planGarden,
  type Goal,
  type PlanBed,
  type SourcedDay,
  type TextureClass,
} from '@kibble/core';
import { seattle } from '../../core/tests/seattle.ts';

/**
 * Four summers on record, three soils: tomatoes watered by the rule under each goal, and by the other schools. Given a file
 * with the waterings of another release (soil, way and year as key; date, netMm and litres), those are measured beside them.
 */
const SUMMERS = [2012, 2013, 2014, 2015];
const SOILS: TextureClass[] = ['sand', 'loam', 'clay'];
const SITE = { latitudeDeg: 47.6, elevationM: 50 };
const AREA_M2 = 10;
/** 15 May to 15 September. */
const WEEKS = 124 / 7;

const bedOf = (textureClass: TextureClass, plantedOn: string, goal: Goal): PlanBed => ({
  id: 1,
  bed: {
    areaM2: AREA_M2,
    ground: { horizons: [{ textureClass }] },
    plantings: [{ cropId: 'tomato', plantedOn }],
    goal,
  },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: [],
  startOn: plantedOn,
  startFullness: 1,
});

interface Row {
  rounds: number;
  litres: number;
  lost: number;
}
const rows = new Map<string, Row>();
const add = (key: string, rounds: number, litres: number, lost: number): void => {
  const row = rows.get(key) ?? { rounds: 0, litres: 0, lost: 0 };
  const n = SUMMERS.length;
  row.rounds += rounds / WEEKS / n;
  row.litres += litres / AREA_M2 / n;
  row.lost += lost / n;
  rows.set(key, row);
};

type Told = { date: string; netMm: number; litres: number }[];
const file = process.argv[2];
const other =
  file && existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Record<string, Told>) : {};

/** What waterings of another release come to by today's engine. */
function measured(bed: PlanBed, weather: readonly SourcedDay[], to: string, told: Told): number {
  const { beds } = planGarden(
    { site: SITE, beds: [{ ...bed, irrigations: told }] },
    weather,
    {},
    { today: to, members: 0, horizonDays: 1 },
  );
  return growthLost(beds[0]?.past ?? [], bed.bed.plantings);
}

for (const soil of SOILS)
  for (const year of SUMMERS) {
    const [from, to] = [`${year}-05-15`, `${year}-09-15`];
    const weather = completeWeather({ record: seattle, forecast: [], site: SITE, from, to, today: to });
    for (const goal of GOALS) {
      const bed = bedOf(soil, from, goal);
      for (const row of compareSchools({ site: SITE, bed, weather, from, to })) {
        if (row.school === 'as seldom as it can')
          add(
            `${soil} | ${goal} (${100 * GOAL_FACTS[goal].lossShare} %)`,
            row.waterings,
            row.litres,
            row.lostShare,
          );
        else if (goal === 'steady') add(`${soil} | ${row.school}`, row.waterings, row.litres, row.lostShare);
      }
    }
    for (const [key, told] of Object.entries(other)) {
      const [of, ...rest] = key.split(' ');
      if (of !== soil || !key.endsWith(String(year))) continue;
      const way = rest.slice(0, -1).join(' ');
      const litres = told.reduce((sum, w) => sum + w.litres, 0);
      add(
        `${soil} | before: ${way}`,
        told.length,
        litres,
        measured(bedOf(soil, from, 'steady'), weather, to, told),
      );
    }
  }
const lines = [
  '| Soil | Way | Rounds a week | Litres per m² | Growth lost |',
  '| --- | --- | ---: | ---: | ---: |',
];
for (const [key, { rounds, litres, lost }] of [...rows].sort(([a], [b]) =>
  (a.split(' ')[0] ?? '').localeCompare(b.split(' ')[0] ?? ''),
))
  lines.push(`| ${key} | ${rounds.toFixed(2)} | ${litres.toFixed(0)} | ${(100 * lost).toFixed(1)} % |`);
console.log(lines.join('\n'));
