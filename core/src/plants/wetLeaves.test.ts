import { describe, expect, test } from '@jest/globals';
import { cropById } from './catalogue/index.ts';
import { cropOf, plantOnDay } from './plantOnDay.ts';
import { airForBodies, leafCare } from './wetLeaves.ts';

const mild = { date: '2026-06-01', tMinC: 12, tMaxC: 23, rhMinPct: 45 };
const careOf = (
  cropId: string,
  change: Partial<Parameters<typeof leafCare>[1]> = {},
  plantedOn = '2026-04-01',
) => {
  const planting = { cropId, plantedOn };
  return leafCare(cropOf(planting), {
    plant: plantOnDay(planting, mild.date),
    underCover: false,
    rinsed: false,
    day: mild,
    ...change,
  });
};

describe('wet leaves', () => {
  // Common practice: leaves that fall ill are kept dry, but a seedling in the open may be sprinkled over.
  test('large tomatoes are kept dry, small ones outdoors are not, and under glass both are', () => {
    expect(careOf('tomato')).toBe('keep leaves dry');
    expect(careOf('tomato', {}, '2026-05-28')).toBeNull();
    expect(careOf('tomato', { underCover: true }, '2026-05-28')).toBe('keep leaves dry');
    expect(careOf('carrot')).toBeNull();
  });
  // Common practice: on hot dry mornings roses are rinsed against mites, and nobody tells them to be dry in the same breath.
  test('where a rinse is offered the stop speaks of both', () => {
    expect(careOf('rose', { rinsed: true }, '2015-03-01')).toBe('rinse early, then keep dry');
    expect(careOf('rose', {}, '2015-03-01')).toBe('keep leaves dry');
    expect(careOf('carrot', { rinsed: true })).toBeNull();
  });
  // Common practice: wet bodies are fine in the desert, and a risk in cool, damp places.
  test('bodies are kept dry where the air is cool and damp, and not in a desert winter', () => {
    const day = (tMaxC: number, rhMinPct?: number) => ({
      date: mild.date,
      tMaxC,
      tMinC: tMaxC - 9,
      rhMinPct,
    });
    expect(airForBodies(day(13, 70))).toBe('cool and damp');
    expect(airForBodies(day(16, 22))).toBeNull();
    expect(airForBodies(day(24, 70))).toBeNull();
    expect(airForBodies(day(34, 20))).toBe('hot and dry');
    // Nobody measured: air that cooled by three degrees only is damp, by eighteen it is not.
    expect(airForBodies({ date: mild.date, tMaxC: 10, tMinC: 7 })).toBe('cool and damp');
    expect(airForBodies({ date: mild.date, tMaxC: 17, tMinC: -1 })).toBeNull();
    expect(careOf('globe-cactus', { day: day(13, 70) }, '2020-05-01')).toBe('keep bodies dry');
    expect(careOf('globe-cactus', { day: day(13, 70), underCover: true }, '2020-05-01')).toBeNull();
    expect(cropById('globe-cactus').group).toBe('cacti and succulents');
  });
});
