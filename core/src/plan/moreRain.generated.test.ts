import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seattle, seattleSite as site, seattleTomatoes as tomatoes } from '../../tests/seattle.ts';
import { METHODS } from '../delivery/methods.ts';
import type { PlanBed } from '../follow/types.ts';
import { TEXTURE_CLASSES } from '../soil/textureClass.ts';
import { addDays } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

/**
 * Meant of fixed round days: proposed ones are another choice under other weather, and asked every day a rain that fills
 * the ground begins the sums anew, which may move a watering by a day.
 */
const ROUND_DAYS = { rounds: { weekdays: [2, 5] } };

test('on fixed days more rain never brings a watering forward', () => {
  const near = seattle.filter((d) => d.date >= '2015-05-01' && d.date <= '2015-07-31');
  const extra = fc.record({
    day: fc.integer({ min: 0, max: 39 }),
    mm: fc.double({ min: 0.1, max: 60, noNaN: true }),
    textureClass: fc.constantFrom(...TEXTURE_CLASSES),
    method: fc.constantFrom(...METHODS),
  });
  fc.assert(
    fc.property(extra, ({ day, mm, textureClass, method }) => {
      const bed: PlanBed = {
        ...tomatoes,
        bed: { ...tomatoes.bed, ground: { horizons: [{ textureClass }] } },
        delivery: { method, litresPerMinute: 6 },
      };
      const wetDate = addDays('2015-05-20', day);
      const due = (add: number): string => {
        const record = near.map((d) => (d.date === wetDate ? { ...d, rainMm: d.rainMm + add } : d));
        const weather = completeWeather({
          record,
          forecast: [],
          site,
          from: '2015-05-15',
          to: '2015-07-14',
          today: '2015-06-30',
        });
        return (
          planGarden({ site, beds: [bed] }, weather, ROUND_DAYS, { today: '2015-07-01', members: 0 })
            .waterings[0]?.date ?? '9999'
        );
      };
      expect(due(mm) >= due(0)).toBe(true);
    }),
    { numRuns: 80 },
  );
});
