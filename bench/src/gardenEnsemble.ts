import { METHODS, TEXTURE_CLASSES, addDays, completeWeather, planGarden, type PlanBed } from '@kibble/core';
import { forecastOn, weatherOn } from '@kibble/simulators';
import { medianMs } from './measure.ts';

const climate = { seed: 46, latitudeDeg: 46.9 };
const site = { latitudeDeg: 46.9, elevationM: 112 };
const CROPS = ['tomato', 'onion', 'sweetcorn', 'lettuce', 'carrot', 'melon', 'apple', 'rose'];
const TODAY = '2026-07-14';

/** Milliseconds to plan 40 beds over 14 days: with 200 members each, and without. */
export function gardenEnsembleMs(): { plain: number; ensemble: number } {
  const beds = Array.from({ length: 40 }, (_, i): PlanBed => ({
    id: i + 1,
    bed: {
      areaM2: 8 + i,
      ground: { horizons: [{ textureClass: TEXTURE_CLASSES[i % TEXTURE_CLASSES.length] ?? 'loam' }] },
      plantings: [{ cropId: CROPS[i % CROPS.length] ?? 'tomato', plantedOn: '2026-06-14' }],
    },
    delivery: { method: METHODS[i % METHODS.length] ?? 'drip', litresPerMinute: 3 },
    irrigations: [],
    startOn: '2026-07-01',
    startFullness: 1,
  }));
  const weather = completeWeather({
    record: Array.from({ length: 44 }, (_, i) => weatherOn(climate, addDays('2026-05-31', i))),
    forecast: Array.from({ length: 10 }, (_, lead) => forecastOn(climate, TODAY, lead)),
    site,
    from: '2026-07-01',
    to: addDays(TODAY, 13),
    today: addDays(TODAY, -1),
  });
  // A window is worked out when it is read: all of them are.
  const plan = (members: number) => () => {
    const { beds: outlooks } = planGarden({ site, beds }, weather, {}, { today: TODAY, members });
    const windows = outlooks.filter(({ window }) => window !== null).length;
    if (windows !== (members > 0 ? beds.length : 0)) throw new Error(`${windows} windows`);
  };
  return { plain: medianMs(plan(0), 7), ensemble: medianMs(plan(200), 7) };
}
