import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { PlanBed } from '../../follow/types.ts';
import { planGarden } from '../../plan/planGarden.ts';
import { addDays } from '../../units/dates.ts';
import type { WeatherDay } from '../../weather/types.ts';
import { MIXES } from './mixes.ts';
import { simulateVessel } from './simulateVessel.ts';
import { startVessel, runHours, stepVessel } from './stepVessel.ts';
import { vesselShape } from './size.ts';
import { vesselModel, type VesselInput } from './vesselModel.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const days = (count: number, of: Partial<WeatherDay> = {}, from = '2026-07-01'): WeatherDay[] =>
  Array.from({ length: count }, (_, i) => ({
    date: addDays(from, i),
    tMinC: 17,
    tMaxC: 31,
    windMs: 2,
    rhMinPct: 35,
    rhMaxPct: 80,
    rainMm: 0,
    ...of,
  }));
const pot: VesselInput = {
  volumeL: 10,
  mix: 'standard',
  material: 'plastic',
  plantings: [{ cropId: 'rubber-plant', plantedOn: '2024-03-01' }],
};
/** Days until so much of what it held at first is gone. */
const lasts = (vessel: VesselInput, weather = days(60), share = 0.5): number => {
  const { days: out, model } = simulateVessel(vessel, weather, [], { site });
  const at = out.findIndex(({ heldMl }) => heldMl < share * 1000 * model.holdsL);
  return at < 0 ? out.length : at;
};

describe('what a mix holds', () => {
  test.each(['standard', 'peat-free', 'rich', 'acid', 'seed'] as const)(
    '%s lies in the usual ranges of nursery mixes (Yeager et al., BMP guide: capacity 45–65 %%, available 25–35 %%, unavailable 25–35 %%)',
    (mix) => {
      const { containerCapacity, unavailable } = MIXES[mix];
      expect(containerCapacity).toBeGreaterThanOrEqual(0.45);
      expect(containerCapacity).toBeLessThanOrEqual(0.65);
      expect(containerCapacity - unavailable).toBeGreaterThanOrEqual(0.25);
      expect(containerCapacity - unavailable).toBeLessThanOrEqual(0.35 + 1e-12);
      expect(unavailable).toBeGreaterThanOrEqual(0.25);
      expect(unavailable).toBeLessThanOrEqual(0.35);
    },
  );
});

describe('the size of a pot', () => {
  test('a cone’s litres by its measures (geometry): 20 cm across, 15 at the base, 18 high holds 4.36 L to the rim', () => {
    // π·18/12·(20² + 20·15 + 15²) = 4359 cm³; nine tenths of it is mix.
    expect(vesselShape({ topM: 0.2, baseM: 0.15, heightM: 0.18 }).volumeL).toBeCloseTo(0.9 * 4.359, 2);
  });
  test('a trough of 80 × 20 × 20 cm holds 32 L', () => {
    expect(vesselShape({ trough: true, topM: 0.8, baseM: 0.2, heightM: 0.2 }).volumeL).toBeCloseTo(
      0.9 * 32,
      6,
    );
  });
  test('named litres and measures agree: a pot of its own volume has its own width', () => {
    const { topM } = vesselShape({ volumeL: 4.5 });
    // Common practice: a 21 cm pot holds about 4 to 5 litres.
    expect(topM).toBeGreaterThan(0.19);
    expect(topM).toBeLessThan(0.22);
  });
  test.each([
    [{}, 'volumeL'],
    [{ volumeL: 0 }, 'volumeL'],
    [{ topM: -0.2 }, 'topM'],
    [{ topM: 0.3, heightM: 0 }, 'heightM'],
  ])('%j cannot be', (size, field) => {
    expect(() => vesselShape(size)).toThrow(field);
  });
});

describe('common practice', () => {
  test('unglazed clay dries faster than plastic, plastic faster than glazed with a saucer', () => {
    const clay = lasts({ ...pot, material: 'terracotta' });
    const plastic = lasts(pot);
    const glazed = lasts({ ...pot, material: 'glazed', saucer: true });
    expect(clay).toBeLessThan(plastic);
    // The saucer counts once it was filled: given as much, it gives back.
    const used = (vessel: VesselInput): number =>
      simulateVessel(vessel, days(12), [{ date: '2026-07-01', millilitres: 800 }], { site }).days.at(-1)
        ?.heldMl ?? 0;
    expect(used({ ...pot, material: 'glazed', saucer: true })).toBeGreaterThan(used(pot));
    expect(glazed).toBeGreaterThanOrEqual(plastic);
  });
  test('bigger lasts longer, for the same plant', () => {
    const of = (volumeL: number): number => lasts({ ...pot, volumeL, canopyM2: 0.08 });
    expect(of(20)).toBeGreaterThan(of(10));
    expect(of(10)).toBeGreaterThan(of(5));
  });
  test('gritty mix lasts shorter than rich', () => {
    expect(lasts({ ...pot, mix: 'gritty' })).toBeLessThan(lasts({ ...pot, mix: 'rich' }));
  });
  test('grit on the top and half shade slow drying; metal in the sun speeds it', () => {
    const used = (vessel: VesselInput): number =>
      simulateVessel(vessel, days(1), [], { site }).days[0]?.usedMl ?? 0;
    expect(used({ ...pot, dressing: 'grit' })).toBeLessThan(used(pot));
    expect(used({ ...pot, place: { sun: 'half' } })).toBeLessThan(used(pot));
    expect(used({ ...pot, material: 'metal' })).toBeGreaterThan(used(pot));
  });
  test('a root-bound pot at 27–37 °C empties of what goes easily at least daily', () => {
    for (const tMaxC of [27, 32, 37]) {
      const vessel: VesselInput = {
        volumeL: 4.5,
        mix: 'standard',
        material: 'plastic',
        roots: 'root-bound',
        plantings: [{ cropId: 'tomato', plantedOn: '2026-05-01' }],
      };
      const { days: out, model } = simulateVessel(vessel, days(1, { tMaxC, tMinC: tMaxC - 13 }), [], {
        site,
      });
      expect(out[0]?.usedMl).toBeGreaterThan(1000 * model.p * model.holdsL);
    }
  });
  test('succulents at rest want next to nothing', () => {
    const cactus: VesselInput = {
      volumeL: 2.5,
      mix: 'gritty',
      material: 'plastic',
      indoors: { light: 'bright' },
      plantings: [{ cropId: 'columnar-cactus', plantedOn: '2020-04-01' }],
    };
    const drunk = (from: string, latitudeDeg = 46.9): number =>
      simulateVessel(cactus, days(1, {}, from), [], { site: { ...site, latitudeDeg } }).days[0]?.wantedMl ??
      0;
    expect(drunk('2026-12-20')).toBeLessThan(0.12 * drunk('2026-06-20'));
    // In the south the year stands on its head.
    expect(drunk('2026-06-20', -34)).toBeLessThan(0.12 * drunk('2026-12-20', -34));
  });
  test('a mix that has drawn back sheds what is poured, and takes it when it stands in water', () => {
    const model = vesselModel(pot, { startOn: '2026-07-01', dayCount: 2, latitudeDeg: 46.9 });
    const dry = { ...startVessel(model, 0.05), shrunk: true };
    const pours = (how: 'above' | 'below'): number => {
      const state = { ...dry };
      stepVessel(model, state, 0, 0, 0, [{ hour: 6, litres: 1, how }]);
      return state.availableL;
    };
    expect(pours('above')).toBeLessThan(0.5 * pours('below'));
  });
});

describe('the balance', () => {
  const anyPot = fc.record({
    volumeL: fc.double({ min: 0.3, max: 90, noNaN: true }),
    mix: fc.constantFrom(...(Object.keys(MIXES) as (keyof typeof MIXES)[])),
    material: fc.constantFrom<VesselInput['material']>(
      'terracotta',
      'plastic',
      'glazed',
      'fabric',
      'wood',
      'metal',
    ),
    saucer: fc.boolean(),
    reservoirL: fc.constantFrom(0, 2),
    cropId: fc.constantFrom('tomato', 'globe-cactus', 'fern', 'blueberry'),
    givings: fc.array(
      fc.record({
        day: fc.nat(9),
        millilitres: fc.double({ min: 0, max: 4000, noNaN: true }),
        hour: fc.nat(23),
      }),
      { maxLength: 8 },
    ),
    rainMm: fc.constantFrom(0, 0, 4, 30),
    startFullness: fc.double({ min: 0, max: 1, noNaN: true }),
  });
  test('to the gram: what came is used, drained or still there; nothing below empty or above full', () => {
    fc.assert(
      fc.property(anyPot, ({ cropId, givings, rainMm, startFullness, ...vessel }) => {
        const {
          days: out,
          closing,
          model,
        } = simulateVessel(
          { ...vessel, plantings: [{ cropId, plantedOn: '2025-05-01' }] },
          days(10, { rainMm }),
          givings.map(({ day, ...rest }) => ({ ...rest, date: addDays('2026-07-01', day) })),
          { site, startFullness },
        );
        expect(Math.abs(closing.errorMl)).toBeLessThan(1e-6);
        for (const { heldMl, wantedMl, drunkMl } of out) {
          expect(heldMl).toBeGreaterThanOrEqual(0);
          expect(heldMl).toBeLessThanOrEqual(1000 * model.holdsL + 1e-9);
          expect(drunkMl).toBeLessThanOrEqual(wantedMl + 1e-9);
        }
      }),
      { numRuns: 200 },
    );
  });
  test('a day cut into hours gives what the day gives while nothing is short', () => {
    const model = vesselModel(pot, { startOn: '2026-07-01', dayCount: 1, latitudeDeg: 46.9 });
    const whole = startVessel(model, 1);
    const cut = startVessel(model, 1);
    stepVessel(model, whole, 0, 5, 0, []);
    runHours(model, cut, 0, 5, 0, 24);
    expect(whole.drunkL).toBeGreaterThan(0);
    expect(cut.drunkL).toBeCloseTo(whole.drunkL, 12);
    expect(cut.driedL).toBeCloseTo(whole.driedL, 12);
    expect(cut.availableL).toBeCloseTo(whole.availableL, 12);
  });
  test('under glass it uses less than beside it, as FAO-56’s combination equation has it: 0.6 to 0.8, and no rain reaches it', () => {
    const of = (vessel: VesselInput) =>
      simulateVessel(vessel, days(1, { rainMm: 10 }), [], { site, startFullness: 0.8 });
    const open = of({ ...pot, place: { wind: 'open' } });
    const glass = of({ ...pot, greenhouse: true });
    // Beside it a pot stands free and takes 1.2 of grass.
    const share = (1.2 * (glass.days[0]?.wantedMl ?? 0)) / (open.days[0]?.wantedMl ?? 1);
    expect(share).toBeGreaterThan(0.6);
    expect(share).toBeLessThan(0.8);
    expect(glass.closing.rainMl).toBe(0);
    expect(open.closing.rainMl).toBeGreaterThan(0);
  });
});

test('the plan of the garden takes a pot beside the ground: asked daily it is filled before it runs short, and what it is given adds up', () => {
  const today = '2026-07-10';
  const weather = days(40, {}, '2026-06-20').map((day) => ({
    ...day,
    source: 'record' as const,
    rainChance: 0,
  }));
  const vessel = {
    ...pot,
    areaM2: vesselShape(pot).openingM2,
    plantings: [{ cropId: 'sweet-pepper', plantedOn: '2026-05-20', latitudeDeg: 46.9 }],
  };
  const plan = planGarden(
    {
      site,
      beds: [
        {
          id: 1,
          kind: 'vessel',
          bed: vessel as unknown as PlanBed['bed'],
          delivery: { method: 'watering can', litresPerMinute: 6 },
          irrigations: [],
          startOn: '2026-07-09',
          startFullness: 1,
        },
      ],
    },
    weather,
    {},
    { today, members: 30 },
  );
  expect(plan.unplanned).toEqual([]);
  expect(plan.waterings.length).toBeGreaterThan(4);
  const holdsMm = (vesselShape(pot).volumeL * 0.3) / vesselShape(pot).openingM2;
  for (const { run } of plan.waterings) expect(run.bedMm).toBeLessThanOrEqual(holdsMm + 1e-9);
  const [outlook] = plan.beds;
  for (const day of outlook?.ahead ?? []) {
    const spent = day.evaporationMm + day.transpirationMm + day.drainageMm;
    expect(day.transpirationMm).toBeLessThanOrEqual(day.transpirationWantedMm + 1e-9);
    expect(spent).toBeGreaterThan(0);
  }
});

test.each([
  [{ volumeL: -1 }, 'volumeL'],
  [{ mix: 'sawdust' }, 'mix'],
  [{ material: 'paper' }, 'material'],
  [{ indoors: { light: 'pitch dark' } }, 'light'],
  [{ reservoirL: -2 }, 'reservoirL'],
])('%j is refused by the name of its field', (of, field) => {
  expect(() => simulateVessel({ ...pot, ...of } as unknown as VesselInput, days(2), [], { site })).toThrow(
    field,
  );
});
