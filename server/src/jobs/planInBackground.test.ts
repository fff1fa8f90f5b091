import { expect, test } from '@jest/globals';
import { completeWeather, planGarden, type PlanBed } from '@kibble/core';
import { planInBackground } from './planInBackground.ts';

const site = { latitudeDeg: 47, elevationM: 100 };
const weather = completeWeather({
  record: [],
  forecast: [],
  site,
  from: '2026-06-01',
  to: '2026-07-27',
  today: '2026-07-14',
});
const beds = (n: number): PlanBed[] =>
  Array.from({ length: n }, (_, i) => ({
    id: i + 1,
    bed: {
      areaM2: 10,
      ground: { horizons: [{ textureClass: 'loam' as const }] },
      plantings: [{ cropId: 'tomato', plantedOn: '2026-06-01' }],
    },
    delivery: { method: 'drip' as const, litresPerMinute: 4 },
    irrigations: [],
    startOn: '2026-06-01',
    startFullness: 1,
  }));

test('a small garden’s plan is the core’s own', async () => {
  const args = [{ site, beds: beds(2) }, weather, {}, { today: '2026-07-14', members: 0 }] as const;
  expect(await planInBackground(1, ...(args as unknown as Parameters<typeof planGarden>))).toEqual(
    planGarden(...(args as unknown as Parameters<typeof planGarden>)),
  );
});
