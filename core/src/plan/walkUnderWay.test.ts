import { expect, test } from '@jest/globals';
import { seattle } from '../../tests/seattle.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import type { PlanBed } from '../follow/types.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

const site = { latitudeDeg: 47.6, elevationM: 50 };
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site,
  from: '2015-04-01',
  to: '2015-09-30',
  today: '2015-09-30',
});
const CROPS = [
  'tomato',
  'sweet-pepper',
  'onion',
  'carrot',
  'courgette',
  'lettuce',
  'sweetcorn',
  'french-bean',
];
const beds = CROPS.map((cropId, k): PlanBed => ({
  id: k + 1,
  bed: {
    areaM2: 10 + 3 * k,
    ground: { horizons: [{ textureClass: k % 2 === 0 ? 'loam' : 'clay loam' }] },
    plantings: [{ cropId, plantedOn: '2015-05-05', method: 'direct-sown' }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 15 },
  irrigations: [],
  startOn: '2015-05-05',
  startFullness: 0.8,
}));

const plan = (of: PlanBed[], today: string, constraints: PlanConstraints = {}) =>
  planGarden({ site, beds: of }, weather, constraints, { today, members: 16 });

// Common practice: who has begun a walk finishes it; what is done of it takes nothing else off it and adds nothing.
test.each(['2015-06-26', '2015-07-17'])('a walk stands while it is walked, in any order, %s', (today) => {
  const morning = plan(beds, today);
  const stops = morning.waterings.filter(({ date }) => date === today);
  expect(stops.length).toBeGreaterThan(3);
  const constraints: PlanConstraints = { rounds: { proposal: morning.rounds.proposal ?? undefined } };
  for (const order of [stops, [...stops].reverse()]) {
    let now = beds;
    order.forEach((stop, done) => {
      now = now.map((bed) =>
        bed.id === stop.bedId ? { ...bed, irrigations: [{ date: today, netMm: stop.run.bedMm }] } : bed,
      );
      const after = plan(now, today, constraints);
      const left = after.waterings.filter(({ date }) => date === today).map(({ bedId }) => bedId);
      expect(left.sort((a, b) => a - b)).toEqual(
        order
          .slice(done + 1)
          .map(({ bedId }) => bedId)
          .sort((a, b) => a - b),
      );
    });
  }
});
