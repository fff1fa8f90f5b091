import { describe, expect, test } from '@jest/globals';
import type { Delivery } from '../delivery/runPlan.ts';
import type { BedInput } from '../places/ground/bedModel.ts';
import { cropById } from '../plants/catalogue/index.ts';
import { earlierOf, rowsWatered, seedRows } from './seedRows.ts';

const wand: Delivery = { method: 'hose wand', litresPerMinute: 12 };
const carrots = [{ cropId: 'carrot', plantedOn: '2026-07-10', method: 'direct-sown' as const }];

describe('a seedbed in rows', () => {
  test('by hand only a strip along each row is watered until it is up (common practice)', () => {
    const rows = seedRows(carrots, wand, '2026-07-14');
    expect(rows?.from).toBe('2026-07-10');
    // Half of the ground, where rows stand 300 mm apart and a strip of 150 mm is wetted.
    expect(rows?.share).toBeCloseTo(150 / cropById('carrot').spacing.betweenRowsMm, 9);
    expect(seedRows(carrots, wand, '2026-09-14')).toBeNull();
    expect(
      seedRows([{ ...carrots[0], upOn: '2026-07-13' } as (typeof carrots)[0]], wand, '2026-07-14'),
    ).toBeNull();
  });
  test('not where a sprinkler or a drip line waters, nor where others stand on the bed', () => {
    expect(seedRows(carrots, { ...wand, method: 'sprinkler' }, '2026-07-14')).toBeNull();
    expect(
      seedRows([...carrots, { cropId: 'lettuce', plantedOn: '2026-06-01' }], wand, '2026-07-14'),
    ).toBeNull();
  });
  test('litres given since the sowing count on the rows, and those before it on the whole bed', () => {
    const bed = { areaM2: 10 } as BedInput;
    const spans = rowsWatered(
      [
        { from: '2026-05-01', bed, delivery: wand },
        { from: '2026-07-12', bed, delivery: { ...wand, litresPerMinute: 20 } },
      ],
      { from: '2026-07-10', share: 0.5 },
    );
    expect(spans.map(({ from, delivery }) => [from, delivery.wettedFraction])).toEqual([
      ['2026-05-01', undefined],
      ['2026-07-10', 0.5],
      ['2026-07-12', 0.5],
    ]);
    expect(earlierOf(spans).map(({ until }) => until)).toEqual(['2026-07-10', '2026-07-12']);
    expect(rowsWatered(spans, null)).toEqual(spans);
  });
});
