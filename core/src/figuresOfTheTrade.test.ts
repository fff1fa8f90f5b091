import { minutesFor } from './delivery/fills.ts';
import { USUAL_BUCKET_L } from './places/treeRing/layouts.ts';
import { type TreeFacts } from './places/treeRing/treeFacts.ts';
import { phVerdict } from './pots/acidBatch.ts';
import { soilOfClass } from './soil/soils.ts';
import { type TextureClass } from './soil/textureClass.ts';
import { wetFrontDepth } from './soil/wetFrontDepth.ts';
import { gallonsToLitres, litresFromDepth } from './units/convert.ts';
import { BURST_C } from './weather/drainDate.ts';
import { describe, expect, test } from '@jest/globals';
import { handPasses } from './delivery/bestHour.ts';
import { lookCheck } from './checks/lookCheck.ts';
import { rootReachM } from './places/treeRing/phases.ts';
import { mayToughen, toughenWindow } from './schools/toughening.ts';
import { schoolOf } from './schools/schools.ts';
import { DRAIN_RULES } from './weather/drainDate.ts';

/** Figures that growers go by, each held against what the program answers. Common practice, no source. */
describe('figures of the trade (common practice)', () => {
  const ground = (textureClass: TextureClass, waterContent: number) => ({
    thicknessMm: 50,
    fieldCapacity: soilOfClass(textureClass).fieldCapacity,
    waterContent,
  });
  const column = (layer: ReturnType<typeof ground>) => Array.from({ length: 30 }, () => layer);

  test.each([
    ['a lawn', 50, 12.7],
    ['a perennial', 150, 38.1],
    ['a tree', 250, 63.5],
  ])(
    '%s: its depth of %d mm takes %f mm of water where one wets four, half of it where one wets eight',
    (_, depthMm, mm) => {
      const dry = column(ground('silt', soilOfClass('silt').wiltingPoint));
      expect(wetFrontDepth({ appliedMm: mm, profile: dry }) / depthMm).toBeCloseTo(1, 1);
      const { wiltingPoint, fieldCapacity } = soilOfClass('clay loam');
      const halfFull = column(ground('clay loam', wiltingPoint + 0.1 * (fieldCapacity - wiltingPoint)));
      const half = wetFrontDepth({ appliedMm: mm / 2, profile: halfFull });
      expect(Math.abs(half / depthMm - 1)).toBeLessThan(0.06);
    },
  );

  test('a pulse timer: four runs of five minutes at 5 L a minute are 100 L, a millimetre on 100 m²', () => {
    const { pulses } = schoolOf('little and often');
    const minutes = minutesFor({ litres: litresFromDepth(1, 100), litresPerMinute: 5 });
    expect(minutes / (pulses?.count ?? 0)).toBe(5);
  });

  test('by hand dry ground gets at least two passes, moist ground one', () => {
    expect(handPasses({ cycles: 1, soakMinutes: 0, dryGround: true }).passes).toBe(2);
    expect(handPasses({ cycles: 3, soakMinutes: 5, dryGround: true }).passes).toBeGreaterThanOrEqual(3);
    expect(handPasses({ cycles: 1, soakMinutes: 0, dryGround: false }).passes).toBe(1);
  });

  test('a trowel: dry three inches down means water; dry at a finger’s depth only means: look deeper', () => {
    const bed = { textureClass: 'loam', rootDepthMm: 500, mulchMoved: true, mulched: false } as const;
    expect(lookCheck({ ...bed, tool: 'trowel', depthMm: 90, state: 'dry' }).verdict).toBe('water');
    expect(lookCheck({ ...bed, tool: 'finger', depthMm: 30, state: 'dry' }).verdict).toBe('look deeper');
    expect(lookCheck({ ...bed, tool: 'trowel', depthMm: 90, state: 'damp' }).verdict).toBe('wait');
  });

  test('rain of pH 5 to 6 is right for pots', () => {
    for (const ph of [5, 5.5, 6]) expect(phVerdict(ph)).toBe('right');
  });

  test('five gallons are a usual bucket', () => expect(gallonsToLitres(5)).toBeCloseTo(USUAL_BUCKET_L, 0));

  test('who drains late waits for nights of −9 to −10 °C, after the nights that burst a line', () => {
    expect(DRAIN_RULES.late.nightC).toBeLessThanOrEqual(-9);
    expect(DRAIN_RULES.late.nightC).toBeGreaterThanOrEqual(-10);
    expect(DRAIN_RULES.late.nightC).toBeLessThan(BURST_C);
  });

  const planted = (cropId: string) => ({ cropId, plantedOn: '2026-05-15' });
  test('dry spells: tomatoes and peppers a week from transplanting, a potted potato five to six days once it is grown', () => {
    for (const id of ['tomato', 'sweet-pepper'])
      expect(mayToughen(planted(id), '2026-05-16')).toMatchObject({ days: 7 });
    expect(mayToughen(planted('tomato'), '2026-05-25')).toBeNull();
    expect(toughenWindow(planted('potato'), '2026-05-18', { inPot: true })).toBeNull();
    const potato = toughenWindow(planted('potato'), '2026-06-25', { inPot: true });
    expect([5, 6]).toContain(potato?.days);
    expect(toughenWindow(planted('potato'), '2026-06-25')).toBeNull();
  });

  test('an established tree’s roots reach two to four times as far as its branches', () => {
    for (const canopyM of [4, 6, 9, 12]) {
      const tree = {
        sort: 'tree',
        count: 1,
        canopyM,
        trunkM: 0.05 * canopyM,
        cameAs: 'bare-root',
      } as TreeFacts;
      const times = rootReachM(tree, '1985-03-01', '2026-07-14') / (canopyM / 2);
      expect(times).toBeGreaterThanOrEqual(2);
      expect(times).toBeLessThanOrEqual(4);
    }
  });
});
