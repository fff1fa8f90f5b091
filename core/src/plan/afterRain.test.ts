import { describe, expect, test } from '@jest/globals';
import type { PlanBed } from '../follow/types.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { afterRain, soakingSpell } from './afterRain.ts';
import { planGarden } from './planGarden.ts';
import type { GardenPlan } from './types.ts';

const site = { latitudeDeg: 47, elevationM: 100 };
const FROM = '2026-06-01';
const today = '2026-07-01';
/** Warm and dry, but for the rain named. */
const weatherOf = (rain: Readonly<Record<IsoDate, number>>, chance = 1) =>
  Array.from({ length: 60 }, (_, i): SourcedDay => {
    const date = addDays(FROM, i);
    return {
      date,
      tMinC: 13,
      tMaxC: 26,
      rhMinPct: 45,
      windMs: 1.5,
      rainMm: rain[date] ?? 0,
      rainChance: (rain[date] ?? 0) > 0 ? chance : 0,
      source: date < today ? 'record' : 'forecast',
    };
  });
const bedOf = (id: number, cropId: string, change: Partial<PlanBed['bed']> = {}): PlanBed => ({
  id,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'clay loam' }] },
    plantings: [{ cropId, plantedOn: '2026-04-10' }],
    ...change,
  },
  delivery: { method: 'hose wand', litresPerMinute: 20, lowQuarterUniformity: 1 },
  irrigations: [{ date: '2026-06-10', netMm: 40 }],
  startOn: FROM,
  startFullness: 1,
});
const after = (weather: SourcedDay[], beds: readonly PlanBed[]) => {
  const plan = (days: readonly SourcedDay[]): GardenPlan =>
    planGarden({ site, beds }, days, {}, { today, members: 0 });
  return afterRain({ plan: plan(weather), beds, weather, today, planInWeather: plan });
};

describe('a wet spell', () => {
  test('that ended yesterday is added up over its days; one that ended before is over', () => {
    const spell = soakingSpell(weatherOf({ '2026-06-29': 8, '2026-06-30': 6 }), today);
    expect(spell.map(({ date }) => date)).toEqual(['2026-06-29', '2026-06-30']);
    expect(soakingSpell(weatherOf({ '2026-06-28': 30 }), today)).toEqual([]);
    expect(soakingSpell(weatherOf({ '2026-06-30': 6 }), today)).toEqual([]);
  });
  test('that was only forecast is not spoken of', () => {
    expect(soakingSpell(weatherOf({ '2026-06-30': 25 }, 0.9), today)).toEqual([]);
  });
});

describe('the morning after a soaking rain', () => {
  const cabbage = { ...bedOf(2, 'cabbage'), irrigations: [{ date: '2026-06-24', netMm: 40 }] };
  const tomatoes = bedOf(1, 'tomato');
  test('says how deep it went: 25 mm on half-dry clay loam', () => {
    for (const bed of [tomatoes, bedOf(1, 'carrot')]) {
      const [rained] = after(weatherOf({ '2026-06-30': 25 }), [bed])?.beds ?? [];
      // A check value of the trade: 180 to 200 mm. The bed was soaked three weeks before, and plants have drunk from it since.
      expect(rained?.reachesMm).toBeGreaterThan(180 * 0.95);
      expect(rained?.reachesMm).toBeLessThan(200 * 1.05);
      expect(rained?.filled).toBe(false);
    }
  });
  test('names what it filled and what it did not, and where one spade tells most', () => {
    const state = after(weatherOf({ '2026-06-29': 35, '2026-06-30': 35 }), [tomatoes, cabbage]);
    expect(state?.beds.map(({ bedId, filled }) => [bedId, filled])).toEqual([
      [1, false],
      [2, true],
    ]);
    // Whether it filled the cabbages depends on how much ran off; the tomatoes want more whatever a spade finds.
    expect(state?.spade).toBe(2);
    expect(state?.rainMm).toBe(70);
  });
  test('names the waterings that it spared, each with its next day', () => {
    const rain = weatherOf({ '2026-06-30': 25 });
    const [spared] = after(rain, [cabbage])?.spared ?? [];
    expect(spared).toMatchObject({ bedId: 2, was: today });
    expect(spared?.now === null || (spared?.now ?? '') > today).toBe(true);
    // Tomatoes with roots a metre deep are as thirsty as before.
    expect(after(rain, [tomatoes])?.spared).toEqual([]);
  });
  test('what stands under cover had none of it, and an empty garden nothing to say', () => {
    const covered = bedOf(3, 'tomato', { place: { demandFactor: 1, underCover: true } });
    const state = after(weatherOf({ '2026-06-30': 25 }), [tomatoes, covered]);
    expect(state?.beds.map(({ bedId }) => bedId)).toEqual([1]);
    expect(after(weatherOf({ '2026-06-30': 25 }), [covered])).toBeNull();
    expect(after(weatherOf({}), [tomatoes])).toBeNull();
  });
});
