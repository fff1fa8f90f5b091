import { describe, expect, test } from '@jest/globals';
import { runPlan } from '../delivery/runPlan.ts';
import type { Method } from '../delivery/methods.ts';
import type { PlanBed, PlannedWatering, WaterReason } from '../follow/types.ts';
import { walkFrom } from '../clock/walk.ts';

const sun = { sunrise: 5.5, noon: 13, sunset: 20.5 };
const due = (
  id: number,
  method: Method,
  more: { code?: WaterReason['code']; gone?: number; tap?: number } = {},
) => {
  const bed: PlanBed = {
    id,
    bed: {
      areaM2: 10,
      ground: { horizons: [{ textureClass: 'sandy loam' }] },
      plantings: [{ cropId: 'cabbage', plantedOn: '2026-05-01' }],
    },
    delivery: { method, litresPerMinute: 10 },
    irrigations: [],
    startOn: '2026-05-01',
    startFullness: 1,
    tap: more.tap,
  };
  const run = runPlan({ localMm: 12, areaM2: 10, delivery: bed.delivery, infiltrationMmPerHour: 100 });
  const watering: PlannedWatering = {
    bedId: id,
    date: '2026-07-14',
    run,
    handsOnMinutes: run.minutes + 2,
    because: null,
    reachesMm: 300,
    reason: {
      code: more.code ?? 'refill line',
      depletionMm: more.gone ?? 20,
      readilyMm: 20,
      totalMm: 50,
      useTodayMm: 5,
      cropUseMm: 5,
      depletionShare: 0.4,
      waiting: null,
      carriedFrom: null,
      soak: null,
      shallowMm: null,
      partBy: null,
      zone: null,
      wantedMm: 20,
    },
  };
  return { bed, watering };
};

describe('a walk begun at the gardener’s own hour', () => {
  test('in the evening no spray is begun, and hand work ends with the light', () => {
    const walk = walkFrom({
      due: [due(1, 'sprinkler', { tap: 1 }), due(2, 'hose wand', { tap: 2 }), due(3, 'drip', { tap: 3 })],
      constraints: {},
      sun,
      from: 19.5 * 60,
    });
    expect(walk.carriedOver).toEqual([1]);
    for (const slot of walk.slots.filter((s) => s.bedId === 2))
      expect(slot.until).toBeLessThanOrEqual(20.5 * 60);
    expect(walk.endsByDark).toBe(true);
  });
  test('what the minutes leave over waits for tomorrow, the most pressing first; wilting is served before all', () => {
    const walk = walkFrom({
      due: [
        due(1, 'hose wand', { gone: 16 }),
        due(2, 'hose wand', { gone: 40 }),
        due(3, 'hose wand', { gone: 16, code: 'wilting' }),
        due(4, 'hose wand', { gone: 30 }),
      ],
      constraints: {},
      sun,
      from: 6 * 60,
      minutes: 40,
    });
    expect(walk.slots[0]?.bedId).toBe(3);
    expect(walk.carriedOver).not.toContain(3);
    expect(walk.carriedOver.length).toBeGreaterThan(0);
    expect(walk.carriedOver.at(-1)).toBe(1);
    expect(walk.until).toBe(6 * 60 + 40);
    expect(walk.endsByDark).toBe(false);
  });
  test('a time outside the day is refused by name', () =>
    expect(() => walkFrom({ due: [], constraints: {}, sun, from: 1500 })).toThrow(/from .* 0 to 1439/));
});
