import { describe, expect, test } from '@jest/globals';
import { seattle, seattleSite, seattleTomatoes } from '../../tests/seattle.ts';
import { planGarden } from '../plan/planGarden.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import type { BedOutlook, PlanBed } from './types.ts';

const today = '2015-07-20';
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site: seattleSite,
  from: '2014-09-01',
  to: '2015-09-30',
  today,
});
const lawn: PlanBed = {
  ...seattleTomatoes,
  bed: { ...seattleTomatoes.bed, plantings: [{ cropId: 'lawn-cool', plantedOn: '2010-04-01' }] },
  startOn: '2014-10-01',
};
const planOf = (bed: PlanBed): BedOutlook => {
  const [outlook] = planGarden({ site: seattleSite, beds: [bed] }, weather, {}, { today, members: 0 }).beds;
  if (!outlook) throw new Error('a plan of one bed');
  return outlook;
};
const kept: PlanBed = {
  ...lawn,
  irrigations: ['2015-06-01', '2015-06-10', '2015-06-20', '2015-06-30', '2015-07-10'].map((date) => ({
    date,
    netMm: 40,
  })),
};

describe('a lawn in drought', () => {
  // Common practice: drought draws the roots of grass towards the surface. 500 mm: FAO-56 table 22, turf 0.5 to 1.0 m.
  test('is filled no deeper than its roots then lie, and says so', () => {
    const next = planOf(lawn).next;
    expect(next?.reason.shallowMm).toBe(500);
    expect(next?.run.localMm).toBeLessThan(0.8 * (next?.reason.depletionMm ?? 0));
  });
  test('one that had its water is filled as deep as its roots go', () => {
    const next = planOf(kept).next;
    expect(next?.reason.shallowMm).toBeNull();
  });
  test('tomatoes that went as short are no lawn', () => {
    expect(planOf({ ...seattleTomatoes, startFullness: 0.3 }).next?.reason.shallowMm ?? null).toBeNull();
  });
});
