import { describe, expect, test } from '@jest/globals';
import { givenWater } from '../delivery/givenWater.ts';
import { bedHistory, periodOn, type BedPeriod, type DeclaredHistory } from './bedHistory.ts';
import type { Found } from './entries.ts';

const START = '2026-05-01';
const TODAY = '2026-07-14';
const told: DeclaredHistory = {
  textureClass: 'loam',
  subsoilClass: null,
  plantedOn: '2026-01-01',
  tree: [{ from: START, value: null }],
  area: [{ from: START, value: 10 }],
  form: [{ from: START, value: 'flat' }],
  cover: [{ from: START, value: false }],
  shade: [{ from: START, value: false }],
  mulched: [{ from: START, value: null }],
  goal: [{ from: START, value: 'steady' }],
  watered: [{ from: START, value: { method: 'hose wand', litresPerMinute: 20, measured: false } }],
  tap: [{ from: START, value: null }],
};
const history = (found: Found[] = [], change: Partial<DeclaredHistory> = {}): BedPeriod[] =>
  bedHistory({ ...told, ...change }, found, START, TODAY);
const flowOn = (periods: BedPeriod[], date: string): number =>
  periodOn(periods, date).delivery.litresPerMinute;
const bucket = (on: string, seconds: number, more: Partial<Found> = {}): Found =>
  ({ kind: 'bucket', litres: 10, seconds, on, ...more }) as Found;

test('nothing changed and nothing read: one period, as it was told', () => {
  expect(history()).toHaveLength(1);
  expect(history()[0]).toMatchObject({ from: START, bed: { areaM2: 10 }, delivery: { litresPerMinute: 20 } });
});

describe('a change holds from its day', () => {
  test('straw and a tunnel of this week say nothing of last month', () => {
    const periods = history([], {
      mulched: [...told.mulched, { from: '2026-07-10', value: { material: 'straw', depthMm: 80 } }],
      cover: [...told.cover, { from: '2026-07-12', value: true }],
    });
    expect(periods.map(({ from }) => from)).toEqual([START, '2026-07-10', '2026-07-12']);
    expect(periodOn(periods, '2026-06-30').bed).toMatchObject({
      mulch: undefined,
      place: { underCover: false },
    });
    expect(periodOn(periods, '2026-07-11').bed).toMatchObject({
      mulch: { depthMm: 80 },
      place: { underCover: false },
    });
    expect(periodOn(periods, TODAY).bed.place).toMatchObject({ underCover: true, demandFactor: 0.7 });
  });
  test('one of tomorrow is not yet', () => {
    expect(history([], { area: [...told.area, { from: '2026-07-15', value: 4 }] })).toHaveLength(1);
  });
});

describe('a reading puts right what followed from the figure it replaces', () => {
  test('back to the first day, where nothing about that has changed', () => {
    const periods = history([bucket('2026-07-13', 60)]);
    expect(flowOn(periods, START)).toBe(10);
    // 20 minutes written down in May were 400 L by the guess, and are 200 L now; what was told stands.
    const { known, delivery } = periodOn(periods, '2026-05-20');
    const twenty = { litres: null, minutes: 20, depthMm: null };
    expect(givenWater(twenty, known.areaM2, delivery)).toMatchObject({ litres: 200, minutes: 20 });
    const hundred = { litres: 100, minutes: null, depthMm: null };
    expect(givenWater(hundred, known.areaM2, delivery)).toMatchObject({ litres: 100, minutes: 10 });
    const old = { litres: 300, minutes: 15, depthMm: 25.5 };
    expect(givenWater(old, known.areaM2, delivery)).toEqual({ litres: 300, minutes: 15, netMm: 25.5 });
  });
  test('and no further than the last change of that thing: another nozzle, another way of watering, another tap', () => {
    const nozzle: Found = { kind: 'changed', what: 'nozzle', on: '2026-07-01' };
    const mended = history([nozzle, bucket('2026-07-13', 60)]);
    expect([flowOn(mended, '2026-06-30'), flowOn(mended, '2026-07-01')]).toEqual([20, 10]);
    const watered = [
      ...told.watered,
      { from: '2026-07-01', value: { method: 'drip' as const, litresPerMinute: 4, measured: false } },
    ];
    const laid = history([bucket('2026-07-13', 120, { method: 'drip' })], { watered });
    expect([flowOn(laid, '2026-06-30'), flowOn(laid, '2026-07-01')]).toEqual([20, 5]);
    const tap = [...told.tap, { from: '2026-07-01', value: 7 }];
    const moved = history([bucket('2026-07-13', 60, { tap: 7 })], { tap });
    expect([flowOn(moved, '2026-06-30'), flowOn(moved, '2026-07-01')]).toEqual([20, 10]);
  });
  test('what was read before the change goes on, marked, until it is read anew', () => {
    const nozzle: Found = { kind: 'changed', what: 'nozzle', on: '2026-07-01' };
    const periods = history([bucket('2026-06-01', 40), nozzle]);
    expect(flowOn(periods, TODAY)).toBe(15);
    expect(periodOn(periods, TODAY).known.known.flow).toMatchObject({
      stale: 'nozzle, pressure or line changed since',
    });
    expect(flowOn(history([bucket('2026-06-01', 40), nozzle, bucket('2026-07-02', 60)]), '2026-06-15')).toBe(
      15,
    );
  });
  test('the ground was that soil all along, but not before compost was dug in', () => {
    const feel = (on: string): Found => ({
      kind: 'feel',
      horizon: 'top',
      answers: { ball: false, ribbon: false, rub: 'gritty' },
      on,
    });
    const soilOn = (periods: BedPeriod[], date: string) =>
      periodOn(periods, date).bed.ground.horizons[0]?.textureClass;
    expect(soilOn(history([feel('2026-07-10')]), START)).toBe('sand');
    const dug: Found = { kind: 'amended', material: 'compost', depthMm: 50, on: '2026-06-10' };
    const periods = history([dug, feel('2026-07-10')]);
    expect([soilOn(periods, '2026-06-09'), soilOn(periods, '2026-06-10')]).toEqual(['loam', 'sand']);
  });
  test('an area told in the working is right all along; the bed’s own form takes its place from its day', () => {
    const told12: Found = { kind: 'told', field: 'area', value: 12, on: '2026-07-01' };
    expect(periodOn(history([told12]), START).bed.areaM2).toBe(12);
    const area = [...told.area, { from: '2026-07-10', value: 6 }];
    const periods = history([told12], { area });
    expect([periodOn(periods, START).bed.areaM2, periodOn(periods, TODAY).bed.areaM2]).toEqual([12, 6]);
  });
});
