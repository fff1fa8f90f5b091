import { describe, expect, test } from '@jest/globals';
import { seattle, seattleSite, seattleTomatoes } from '../../tests/seattle.ts';
import { simulateBed } from '../places/ground/simulateBed.ts';
import { daysBetween } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { plantingsHere } from '../plants/plantingsHere.ts';
import { storeRunsOut } from './storeRunsOut.ts';
import type { PlanBed } from '../follow/types.ts';

/** An old apple on a deep loam, full after the winter, that nobody waters. */
const apple: PlanBed = {
  ...seattleTomatoes,
  bed: { ...seattleTomatoes.bed, plantings: [{ cropId: 'apple', plantedOn: '2005-03-01' }] },
  startOn: '2015-01-01',
};
const seenFrom = (today: string) =>
  completeWeather({
    record: seattle.filter(({ date }) => date < today),
    forecast: [],
    site: seattleSite,
    from: '2012-01-01',
    to: today,
    today,
  });
const runsOut = (bed: PlanBed, today: string) =>
  storeRunsOut(bed, seenFrom(today), { site: seattleSite, today });

describe('the spring’s store', () => {
  // Common practice in a summer-dry climate: the winter's water is gone partway through the hot months, not before, not after.
  test('lasts an unwatered tree into the summer and not through it', () => {
    const { slows, wilts } = runsOut(apple, '2015-05-01');
    expect(slows.likely).not.toBeNull();
    expect((slows.likely ?? '') > '2015-05-15').toBe(true);
    expect((slows.likely ?? '') < '2015-08-15').toBe(true);
    expect((slows.early ?? '') <= (slows.likely ?? '')).toBe(true);
    expect((wilts.likely ?? '9999') > (slows.likely ?? '')).toBe(true);
  });
  test('what really came of it lies where it was foretold, or near: 2015 was the driest of these years', () => {
    const { slows } = runsOut(apple, '2015-05-01');
    const from = '2015-01-01';
    const weather = seattle.filter(({ date }) => date >= from && date < '2015-10-01');
    const plantings = plantingsHere(apple.bed.plantings, {
      latitudeDeg: 47.6,
      frosts: [],
      underCover: undefined,
    });
    const { days } = simulateBed({ ...apple.bed, plantings }, weather, [], { site: seattleSite });
    const real = days.find((d) => d.date >= '2015-05-01' && d.depletionMm > d.readilyAvailableMm)?.date ?? '';
    expect(Math.abs(daysBetween(slows.early ?? '', real))).toBeLessThan(28);
  });
  test('in a garden that is full and dormant in November nothing runs out in a month', () => {
    const { slows } = runsOut({ ...apple, startOn: '2014-10-01' }, '2014-11-15');
    expect(slows.early === null || daysBetween('2014-11-15', slows.early) > 31).toBe(true);
  });
  test('shallow roots set out in the dry of July have days, not weeks', () => {
    const july: PlanBed = {
      ...seattleTomatoes,
      bed: { ...seattleTomatoes.bed, plantings: [{ cropId: 'lettuce', plantedOn: '2015-06-20' }] },
      startOn: '2015-07-01',
    };
    const { slows } = runsOut(july, '2015-07-02');
    expect(daysBetween('2015-07-02', slows.likely ?? '')).toBeLessThan(10);
  });
});
