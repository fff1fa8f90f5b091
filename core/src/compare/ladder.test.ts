import { describe, expect, test } from '@jest/globals';
import type { PlanBed } from '../follow/types.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { ladder, type Alone } from './ladder.ts';
import { remedies } from './remedies.ts';

const today = '2026-07-14';
/** Six weeks of hot days without a drop. */
const weather: SourcedDay[] = Array.from({ length: 120 }, (_, d) => ({
  date: addDays('2026-04-20', d),
  tMinC: 17,
  tMaxC: 33,
  rainMm: 0,
  rainChance: 0,
  windMs: 2.5,
  rhMinPct: 28,
  source: 'record',
}));
const alone = (cropId: string, textureClass: TextureClass, change: Partial<PlanBed> = {}): Alone => ({
  site: { latitudeDeg: 45, elevationM: 100 },
  weather,
  constraints: {},
  today,
  bed: {
    id: 1,
    bed: {
      areaM2: 12,
      ground: { horizons: [{ textureClass }] },
      plantings: [{ cropId, plantedOn: '2026-05-01', method: 'direct-sown' }],
    },
    delivery: { method: 'drip', litresPerMinute: 6, wettedFraction: 0.5 },
    irrigations: [],
    startOn: '2026-05-01',
    startFullness: 1,
    ...change,
  },
});

describe('the ladder of a bed', () => {
  const rungs = ladder(alone('onion', 'loamy sand'));

  test('once a week to daily; the oftener, the less is lost and the more of a person’s time it takes', () => {
    expect(rungs.map(({ perWeek }) => perWeek)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    for (const [k, rung] of rungs.entries()) {
      const sparser = rungs[k - 1];
      if (!sparser) continue;
      expect(rung.lostShare).toBeLessThanOrEqual(sparser.lostShare + 1e-9);
      expect(rung.handsOnMinutes).toBeGreaterThanOrEqual(sparser.handsOnMinutes);
    }
  });

  // Common practice: onions on loamy sand in a hot week do not live on a watering a week.
  test('where physics refuses it says how much: shallow roots on sand lose much by once a week, and more if they are shallower', () => {
    expect(rungs[0]?.lostShare).toBeGreaterThan(0.1);
    expect(rungs[0]?.lostIfShallow).toBeGreaterThanOrEqual((rungs[0]?.lostShare ?? 1) - 1e-9);
  });

  test('closed days make it shorter', () => {
    const { constraints, ...rest } = alone('onion', 'loamy sand');
    const fewer = ladder({ ...rest, constraints: { ...constraints, weekdays: [2, 5] } });
    expect(fewer.map(({ perWeek }) => perWeek)).toEqual([1, 2]);
  });
});

describe('what would help', () => {
  const of = alone('onion', 'loamy sand');
  const found = remedies(of, 2);

  test('most help first, each saving half a point at least against the same days', () => {
    const now = ladder(of)[1]?.lostShare ?? 0;
    expect(found.length).toBeGreaterThan(1);
    const lost = found.map(({ lostShare }) => lostShare);
    expect(lost).toEqual([...lost].sort((a, b) => a - b));
    for (const share of lost) expect(now - share).toBeGreaterThanOrEqual(0.005);
  });

  // Common practice: straw and shade help at least as much as either; a strip of drip on sand wants widening.
  test('two covers save no less than one', () => {
    const lostBy = (id: string): number | undefined => found.find(({ remedy }) => remedy === id)?.lostShare;
    expect(lostBy('straw and shade cloth')).toBeLessThanOrEqual(
      Math.min(lostBy('straw') ?? 1, lostBy('shade cloth') ?? 1) + 1e-9,
    );
    expect(found.map(({ remedy }) => remedy)).toContain('wet the whole bed');
  });

  test('what is there already is not offered', () => {
    const mulched = alone('onion', 'loamy sand');
    const covered = {
      ...mulched,
      bed: {
        ...mulched.bed,
        bed: { ...mulched.bed.bed, mulch: { material: 'straw' as const, depthMm: 75 } },
        delivery: { method: 'hose wand' as const, litresPerMinute: 20 },
      },
    };
    const offered = remedies(covered, 2).map(({ remedy }) => remedy);
    for (const id of ['straw', 'straw and shade cloth', 'wet the whole bed', 'a timer'])
      expect(offered).not.toContain(id);
  });
});
