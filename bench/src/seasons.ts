import {
  compareSchools,
  completeWeather,
  type PlanBed,
  type SchoolId,
  type TextureClass,
} from '@kibble/core';
import { seattle } from '../../core/tests/seattle.ts';

/** Four summers on record, three soils, every school followed to the letter on the same bed of tomatoes. */
const SUMMERS = [2012, 2013, 2014, 2015];
const SOILS: TextureClass[] = ['sand', 'loam', 'clay'];
const SITE = { latitudeDeg: 47.6, elevationM: 50 };
const AREA_M2 = 10;

interface Sum {
  litres: number;
  waterings: number;
  stressDays: number;
  lostMm: number;
}

const bed = (textureClass: TextureClass, plantedOn: string): PlanBed => ({
  id: 1,
  bed: {
    areaM2: AREA_M2,
    ground: { horizons: [{ textureClass }] },
    plantings: [{ cropId: 'tomato', plantedOn }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: [],
  startOn: plantedOn,
  startFullness: 1,
});

const lines: string[] = [
  '| Soil | School | Waterings | Litres per m² | Short days | Past the roots, mm |',
  '| --- | --- | ---: | ---: | ---: | ---: |',
];
for (const soil of SOILS) {
  const sums = new Map<SchoolId, Sum>();
  for (const year of SUMMERS) {
    const [from, to] = [`${year}-05-15`, `${year}-09-15`];
    const weather = completeWeather({ record: seattle, forecast: [], site: SITE, from, to, today: to });
    for (const row of compareSchools({ site: SITE, bed: bed(soil, from), weather, from, to })) {
      const sum = sums.get(row.school) ?? { litres: 0, waterings: 0, stressDays: 0, lostMm: 0 };
      sum.litres += row.litres / SUMMERS.length / AREA_M2;
      sum.waterings += row.waterings / SUMMERS.length;
      sum.stressDays += row.stressDays / SUMMERS.length;
      sum.lostMm += row.lostBelowRootsMm / SUMMERS.length;
      sums.set(row.school, sum);
    }
  }
  for (const [school, s] of sums)
    lines.push(
      `| ${soil} | ${school} | ${s.waterings.toFixed(0)} | ${s.litres.toFixed(0)} | ${s.stressDays.toFixed(0)} | ${s.lostMm.toFixed(0)} |`,
    );
}
console.log(lines.join('\n'));
