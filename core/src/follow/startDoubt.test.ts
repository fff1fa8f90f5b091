import { describe, expect, test } from '@jest/globals';
import { planGarden } from '../plan/planGarden.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { balanceStart } from './balanceStart.ts';
import type { PlanBed } from './types.ts';

const today = '2026-07-14';
const site = { latitudeDeg: 47, elevationM: 100 };
const weather = completeWeather({
  record: [],
  forecast: Array.from({ length: 14 }, (_, i) => ({
    date: addDays(today, i),
    tMinC: 14,
    tMaxC: 27,
    rainMm: 0,
    rainChance: 0,
  })),
  site,
  from: today,
  to: addDays(today, 13),
  today,
});
const bed: PlanBed = {
  id: 1,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'tomato', plantedOn: '2026-05-10' }],
  },
  delivery: { method: 'drip', litresPerMinute: 4 },
  irrigations: [],
  startOn: today,
  startFullness: 0.85,
};
const outlookOf = (change: Partial<PlanBed>) =>
  planGarden({ site, beds: [{ ...bed, ...change }] }, weather, {}, { today, members: 60 }).beds[0];
const windowOf = (startDoubt?: number) => outlookOf({ startDoubt })?.window;
/** How far apart the ways lie tomorrow, mm gone. */
const spread = (startDoubt?: number): number => {
  const day = windowOf(startDoubt)?.fan[1];
  return (day?.highMm ?? 0) - (day?.lowMm ?? 0);
};

describe('ground that was told in a word', () => {
  test('may have been drier or wetter by as much: what is gone is told that much more widely, about the same middle', () => {
    const holdsMm = outlookOf({})?.totalMm ?? 0;
    // Eight in ten of the ways take in the drier third and the wetter third of them.
    expect(spread(0.1) - spread()).toBeGreaterThan(0.12 * holdsMm);
    expect(spread(0.1) - spread()).toBeLessThan(0.25 * holdsMm);
    const middle = (doubt?: number): string => windowOf(doubt)?.likely ?? '';
    expect(Math.abs(daysBetween(middle(), middle(0.1)))).toBeLessThanOrEqual(1);
  });
  test('drier comes sooner and wetter later, as they would if they had been told', () => {
    const told = (startFullness: number) => outlookOf({ startFullness })?.window;
    const window = windowOf(0.1);
    expect((window?.early ?? '') <= (told(0.85)?.early ?? '')).toBe(true);
    expect((window?.early ?? '') >= (told(0.75)?.early ?? '')).toBe(true);
    expect((window?.late ?? '9') <= (told(0.95)?.late ?? '9')).toBe(true);
  });
});

test('ground that nobody looked at is doubted most, and for three weeks', () => {
  const start = (wetness: string, on: string) => balanceStart('2026-05-10', wetness, today, on);
  expect(start('not known', today).startDoubt).toBeGreaterThan(start('moist', today).startDoubt ?? 1);
  expect(start('moist', today).startDoubt).toBeGreaterThan(start('soaked', today).startDoubt ?? 1);
  expect(start('not known', addDays(today, -30)).startDoubt).toBeUndefined();
  // A bed entered in mid-season begins on the day on which its ground was looked at, not on its planting.
  expect(start('dry', today)).toMatchObject({ startOn: today, startFullness: 0.2 });
});
