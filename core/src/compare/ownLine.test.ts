import { describe, expect, test } from '@jest/globals';
import { seattle, seattleSite, seattleTomatoes } from '../../tests/seattle.ts';
import { planGarden } from '../plan/planGarden.ts';
import type { PlanBed } from '../follow/types.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import { plantOnDay } from '../plants/plantOnDay.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { dryDowns, ownLineOf } from './ownLine.ts';

const PLANTED = '2015-05-15';
const tomato = { cropId: 'tomato', plantedOn: PLANTED };

/** A bed whose roots hold 100 mm, drier by so much each day and filled again on the days named. */
const record = (from: string, gone: readonly number[], readilyAvailableMm = 40): DailyRecord[] =>
  gone.map(
    (depletionMm, i) =>
      ({
        date: addDays(from, i),
        rainMm: 0,
        irrigationMm: depletionMm === 0 ? 30 : 0,
        depletionMm,
        totalAvailableMm: 100,
        readilyAvailableMm,
      }) as DailyRecord,
  );
/** From full to so dry in even steps, a week long; then it is watered. */
const week = (driest: number): number[] => [0, 1, 2, 3, 4, 5, 6].map((d) => (driest * d) / 6);
const weeks = (...driest: number[]): DailyRecord[] => record('2015-07-01', [...driest.flatMap(week), 0]);

describe('how far a bed may dry down', () => {
  test('a dry-down is the driest evening between two wettings, and a shower is no wetting', () => {
    const days = weeks(40, 62);
    expect(dryDowns(days)).toEqual([
      { on: '2015-07-07', goneShare: 0.4, spareShare: 0.4 },
      { on: '2015-07-14', goneShare: 0.62, spareShare: 0.4 },
    ]);
    const showered = days.map((day, i) => (i === 3 ? { ...day, rainMm: 2 } : day));
    expect(dryDowns(showered)).toHaveLength(2);
  });
  // The acceptance rule of the trade: the lowest level without wilt in N runs is its own line, with its date.
  test('what it bore three times without wilting is proposed, and not what it bore twice', () => {
    // Tomatoes: 40 % by FAO-56 table 22.
    const line = ownLineOf(weeks(58, 72, 61, 30, 66), tomato, []);
    expect(line.usual).toBe(0.4);
    expect(line.proposed).toBeCloseTo(0.6, 6);
    expect(line.borne.map(({ on }) => on)).toEqual(['2015-07-14', '2015-07-21', '2015-08-04']);
    expect(ownLineOf(weeks(70, 70, 30), tomato, []).proposed).toBeNull();
  });
  test('it is told in whole steps, and never over what the handbook lets go at all', () => {
    expect(ownLineOf(weeks(95, 96, 97), tomato, []).proposed).toBeCloseTo(0.8, 6);
    // A few hundredths more than is usual are nothing to speak of.
    expect(ownLineOf(weeks(47, 47, 47), tomato, []).proposed).toBeNull();
  });
  // FAO-56: the share that may go is larger by 4 % for each mm a day that the plants use less than 5.
  test('what it bore in cool weather counts for less', () => {
    const cool = record('2015-07-01', [...week(60), ...week(60), ...week(60), 0], 52);
    expect(ownLineOf(cool, tomato, []).proposed).toBeNull();
    expect(ownLineOf(weeks(60, 60, 60), tomato, []).proposed).toBeCloseTo(0.6, 6);
  });
  test('wilting sooner than the crop’s line proposes a wetter one', () => {
    const line = ownLineOf(weeks(30, 38), tomato, [{ on: '2015-07-14', goneShare: 0.36 }]);
    expect(line.proposed).toBeCloseTo(0.25, 6);
    expect(line.wilts).toEqual([{ on: '2015-07-14', goneShare: 0.36, days: 6 }]);
  });
  test('what it bore counts only up to short of where it wilted', () => {
    const line = ownLineOf(weeks(64, 66, 65, 74), tomato, [{ on: '2015-07-28', goneShare: 0.7 }]);
    expect(line.proposed).toBeCloseTo(0.6, 6);
  });
  test('leafy crops are never proposed a drier line: they turn bitter before they wilt (common practice)', () => {
    const lettuce = { cropId: 'lettuce', plantedOn: '2015-05-15' };
    expect(ownLineOf(weeks(60, 60, 60), lettuce, []).proposed).toBeNull();
  });
  test('what was so dry while the plants were fresh tells nothing', () => {
    const young = record('2015-05-16', [...week(70), ...week(70), ...week(70)]);
    expect(ownLineOf(young, tomato, []).proposed).toBeNull();
  });
  test('a line that is settled already is proposed no second time, and moves the share that may go', () => {
    const settled = { ...tomato, ownLine: { share: 0.6, on: '2015-08-10' } };
    const since = record('2015-07-01', [...week(62), ...week(72), ...week(61), 0], 60);
    expect(ownLineOf(since, settled, []).proposed).toBeNull();
    expect(plantOnDay(settled, '2015-08-12')?.p).toBe(0.6);
  });
});

describe('in the plan', () => {
  const today = '2015-07-20';
  const weather = completeWeather({
    record: seattle,
    forecast: [],
    site: seattleSite,
    from: '2015-05-01',
    to: '2015-09-30',
    today,
  });
  const planOf = (bed: PlanBed) => {
    const daily = { rounds: { weekdays: [0, 1, 2, 3, 4, 5, 6] } };
    const [outlook] = planGarden({ site: seattleSite, beds: [bed] }, weather, daily, {
      today,
      members: 0,
      horizonDays: 28,
    }).beds;
    if (!outlook) throw new Error('a plan of one bed');
    return outlook;
  };
  const daysToNext = (bed: PlanBed): number => daysBetween(today, planOf(bed).next?.date ?? '2015-09-30');
  const watered: PlanBed = {
    ...seattleTomatoes,
    delivery: { method: 'hose wand', litresPerMinute: 20, lowQuarterUniformity: 1 },
    irrigations: [
      { date: '2015-06-20', netMm: 40 },
      { date: '2015-07-05', netMm: 60 },
      { date: '2015-07-12', netMm: 60 },
      { date: '2015-07-19', netMm: 60 },
    ],
  };
  test('a drier line waits longer for the next watering, a wetter one less', () => {
    const lined = (share: number): PlanBed => ({
      ...watered,
      bed: { ...watered.bed, plantings: [{ ...tomato, ownLine: { share, on: today } }] },
    });
    expect(daysToNext(lined(0.6))).toBeGreaterThan(daysToNext(watered));
    expect(daysToNext(lined(0.2))).toBeLessThan(daysToNext(watered));
  });
  // Survival watering goes by the first wilt: where it was seen to come, not where a table puts it.
  test('held to the first wilt, it goes by the wilting on record', () => {
    const held: PlanBed = { ...watered, school: 'hold to the first wilt' };
    const wilted: PlanBed = { ...held, wiltedOn: ['2015-07-05'] };
    const [wilt] = planOf(wilted).wilts;
    expect(wilt?.on).toBe('2015-07-05');
    expect(wilt?.goneShare).toBeGreaterThan(0.2);
    expect(wilt?.goneShare).toBeLessThan(0.7);
    expect(daysToNext(wilted)).toBeLessThan(daysToNext(held));
  });
});
