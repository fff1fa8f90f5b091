import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seattle, seattleSite as site } from '../../../tests/seattle.ts';
import { planGarden } from '../../plan/planGarden.ts';
import { drainageAbility } from '../../soil/drainageAbility.ts';
import { soilProfile, type GroundInput } from '../../soil/soilProfile.ts';
import { TEXTURE_CLASSES, type TextureClass } from '../../soil/textureClass.ts';
import { addDays } from '../../units/dates.ts';
import { at, item } from '../../units/at.ts';
import type { WeatherDay } from '../../weather/types.ts';
import type { BedInput } from './bedModel.ts';
import { drainColumn } from './drainColumn.ts';
import { newPass, PASS } from './passDown.ts';
import { simulateBed } from './simulateBed.ts';

const FIRST = '2026-06-01';
const dry = (days: number, rain: Readonly<Record<number, number>> = {}): WeatherDay[] =>
  Array.from({ length: days }, (_, i) => ({
    date: addDays(FIRST, i),
    tMinC: 13,
    tMaxC: 25,
    windMs: 2,
    rainMm: rain[i] ?? 0,
  }));
const uniform = (textureClass: TextureClass): GroundInput => ({ horizons: [{ textureClass }] });
const tomatoes = (more: Partial<BedInput>): BedInput => ({
  areaM2: 10,
  ground: uniform('loam'),
  plantings: [{ cropId: 'tomato', plantedOn: '2026-04-15' }],
  ...more,
});

describe('drainage', () => {
  test.each([
    ['sand', 3000, 1],
    ['silt loam', 575, 0.8],
    ['loam', 500, 0.76],
    ['clay loam', 125, 0.47],
    ['silty clay', 100, 0.43],
    ['clay', 35, 0.3],
  ])('%s of %d mm a day: τ %d (Raes et al. 2009, table of usual soils, from memory)', (_, ksat, tau) =>
    expect(drainageAbility(ksat)).toBeCloseTo(tau, 2),
  );

  /** A column full to the last pore, after a day: what is left of its drainable water in each layer, and what left it. */
  const afterADay = (textureClass: TextureClass, layers: number) => {
    const profile = { ...soilProfile(uniform(textureClass)), layers };
    const water = profile.saturationMm.slice(0, layers);
    const pass = newPass();
    drainColumn(profile, water, 0, layers, pass);
    const left = Array.from(water, (mm, i) => {
      const fc = at(profile.fieldCapacityMm, i);
      return (mm - fc) / (at(profile.saturationMm, i) - fc);
    });
    return { left, out: at(pass, PASS.bottom) };
  };
  test('a full clay keeps most of its drainable water over a day, a clay loam about half, a sand none', () => {
    const kept = (textureClass: TextureClass): number =>
      at(Float64Array.from(afterADay(textureClass, 10).left), 0);
    expect(kept('clay')).toBeGreaterThan(0.6);
    expect(kept('clay loam')).toBeGreaterThan(0.4);
    expect(kept('clay loam')).toBeLessThan(0.65);
    expect(kept('sand')).toBeLessThan(0.02);
  });
  test('the share that is left hangs on the soil, not on how many layers are drawn', () => {
    for (const textureClass of TEXTURE_CLASSES) {
      const [ten, thirty] = [afterADay(textureClass, 10), afterADay(textureClass, 30)];
      ten.left.forEach((share, i) => expect(share).toBeCloseTo(item(thirty.left, i), 9));
    }
  });
  test('a test hole wins: over rock, over a slow texture and over a fast one', () => {
    const lost = (ground: GroundInput): number =>
      simulateBed(tomatoes({ ground, form: 'basin', plantings: [] }), dry(10, { 0: 60, 1: 60, 2: 60 }), [], {
        site,
      }).closing.drainageMm;
    const rock = { ...uniform('loam'), bedrockMm: 500 };
    expect(lost(rock)).toBe(0);
    expect(lost({ ...rock, drainageMmPerHour: 20 })).toBeGreaterThan(80);
    expect(lost({ ...uniform('loam'), drainageMmPerHour: 0.05 })).toBeLessThan(0.2 * lost(uniform('loam')));
    expect(lost({ ...uniform('clay'), drainageMmPerHour: 20 })).toBeGreaterThan(lost(uniform('clay')));
  });
});

describe('the day’s use before what is lost below', () => {
  test('FAO-56 eq. 88: a full root zone that gets 12 mm loses 12 mm less the day’s use, by the next morning on sand', () => {
    const { days } = simulateBed(tomatoes({ ground: uniform('sand') }), dry(3, { 0: 12 }), [], { site });
    const [first, second] = days;
    expect(first?.lostBelowRootsMm).toBe(0);
    expect(first?.useMm ?? 0).toBeGreaterThan(3);
    const surplus = 12 - (first?.useMm ?? 0);
    expect((second?.lostBelowRootsMm ?? 0) / surplus).toBeGreaterThan(0.75);
    expect(second?.lostBelowRootsMm ?? 0).toBeLessThanOrEqual(surplus + 1e-9);
  });
});

describe('the front is the day’s own water', () => {
  const reach = (textureClass: TextureClass, rainMm: number, startFullness: number): number =>
    simulateBed(tomatoes({ ground: uniform(textureClass) }), dry(2, { 0: rainMm }), [], {
      site,
      startFullness,
    }).days[0]?.wetFrontMm ?? 0;
  test('a shower of 3 mm on a full bed wets its skin, and goes no deeper on a dry one', () => {
    for (const textureClass of TEXTURE_CLASSES) {
      expect(reach(textureClass, 3, 1)).toBeLessThan(150);
      expect(reach(textureClass, 3, 0.2)).toBeLessThan(100);
    }
  });
  test('common practice: 25 mm go about 200 mm into a half-dry clay loam, and not to the bottom of anything', () => {
    const mm = reach('clay loam', 25, 0.2);
    expect(mm).toBeGreaterThan(120);
    expect(mm).toBeLessThan(300);
  });
});

describe('water on the surface', () => {
  const storm = (form: BedInput['form'], textureClass: TextureClass) =>
    simulateBed(tomatoes({ form, ground: uniform(textureClass) }), dry(12, { 0: 60 }), [], { site });
  test('a cloudburst on clay stands on the bed as far as it holds it, and the rest runs off; on sand none does', () => {
    expect(storm('flat', 'clay').closing.runoffMm).toBeGreaterThan(20);
    expect(storm('raised', 'clay').closing.runoffMm).toBeCloseTo(
      storm('flat', 'clay').closing.runoffMm - 5,
      9,
    );
    expect(storm('flat', 'sand').closing.runoffMm).toBe(0);
  });
  test('a basin keeps all of it, and it goes into the ground over days', () => {
    const { days, closing } = storm('basin', 'clay');
    expect(closing.runoffMm).toBe(0);
    expect(Math.abs(closing.errorMm)).toBeLessThan(1e-9);
    expect(days.at(-1)?.depletionMm ?? 99).toBeLessThan(storm('flat', 'clay').days.at(-1)?.depletionMm ?? 0);
  });
  test('one long soak of 60 mm arrives in a dry clay: nothing runs off', () => {
    const { closing } = simulateBed(
      tomatoes({ ground: uniform('clay') }),
      dry(10),
      [{ date: addDays(FIRST, 2), netMm: 60 }],
      { site, startFullness: 0.3 },
    );
    expect(closing.runoffMm).toBe(0);
  });
});

test('four days of 70 mm on clay loam over clay: too wet, said so, and nothing is asked for', () => {
  const weather = dry(30, { 10: 70, 11: 70, 12: 70, 13: 70 }).map((day) => ({
    ...day,
    source: 'record' as const,
    rainChance: 1,
  }));
  const ground: GroundInput = {
    horizons: [{ thicknessMm: 300, textureClass: 'clay loam' }, { textureClass: 'clay' }],
  };
  const plan = planGarden(
    {
      site,
      beds: [
        {
          id: 1,
          bed: tomatoes({ ground }),
          delivery: { method: 'hose wand', litresPerMinute: 15 },
          irrigations: [],
          startOn: FIRST,
          startFullness: 0.7,
        },
      ],
    },
    weather,
    {},
    { today: addDays(FIRST, 15), members: 0 },
  );
  const leave = plan.beds[0]?.leave;
  if (leave?.code !== 'too wet') throw new Error(`it is left alone because ${leave?.code}`);
  // A soaked bed on clay breathes again after days, not weeks (common practice).
  expect(leave.airOn !== null && leave.airOn >= addDays(FIRST, 15) && leave.airOn < addDays(FIRST, 28)).toBe(
    true,
  );
  expect(plan.waterings.filter(({ date }) => date < addDays(FIRST, 20))).toEqual([]);
});

test('clay after four days of 70 mm of rain is too wet, for want of air, and the roots of a crop have none for days (common practice)', () => {
  const F = '2026-06-20';
  const weather = Array.from({ length: 40 }, (_, i) => ({
    date: addDays(F, i),
    tMaxC: 24,
    tMinC: 14,
    rhMinPct: 50,
    windMs: 2,
    rainMm: i >= 8 && i < 12 ? 70 : 0,
    rainChance: 0,
    source: 'record' as const,
  }));
  for (const cropId of ['tomato', 'lettuce']) {
    const bed = {
      id: 1,
      bed: {
        areaM2: 3,
        ground: uniform('clay'),
        plantings: [{ cropId, plantedOn: '2026-05-01', latitudeDeg: 46.9 }],
      },
      delivery: { method: 'hose wand' as const, litresPerMinute: 12 },
      irrigations: [],
      startOn: F,
      startFullness: 0.7,
    };
    const options = { today: addDays(F, 13), members: 0 };
    const leave = planGarden({ site, beds: [bed] }, weather, {}, options).beds[0]?.leave;
    expect(leave).toMatchObject({ code: 'too wet' });
    expect(leave?.code === 'too wet' && leave.airlessDays).toBeGreaterThanOrEqual(2);
  }
});

describe('stress', () => {
  test('a narrow strip of wet ground cannot feed the whole canopy; a third of the ground can (common practice in orchards)', () => {
    const worst = (wettedFraction: number): number => {
      const weather = dry(60);
      const daily = weather.map(({ date }) => ({ date, netMm: 8 * wettedFraction }));
      const { days } = simulateBed(tomatoes({ wettedFraction }), weather, daily, {
        site,
        startFullness: 0.2,
      });
      return Math.min(...days.slice(30).map((day) => day.stressCoefficient));
    };
    expect(worst(0.1)).toBeLessThan(0.5);
    expect(worst(0.2)).toBeLessThan(0.8);
    expect(worst(1)).toBe(1);
  });
  test('no day on which a third of the demand is missing reads as unstressed', () => {
    const weather = seattle.filter((d) => d.date >= '2015-05-01' && d.date <= '2015-08-31');
    fc.assert(
      fc.property(
        fc.constantFrom(...TEXTURE_CLASSES),
        fc.constantFrom(1, 0.5, 0.3, 0.1),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (textureClass, wettedFraction, startFullness) => {
          const { days } = simulateBed(
            tomatoes({
              ground: uniform(textureClass),
              wettedFraction,
              plantings: [{ cropId: 'tomato', plantedOn: '2015-05-01' }],
            }),
            weather,
            [{ date: '2015-07-01', netMm: 20 }],
            { site, startFullness },
          );
          const apart = days.map((day) =>
            Math.abs(day.stressCoefficient * day.transpirationWantedMm - day.transpirationMm),
          );
          expect(Math.max(...apart)).toBeLessThan(1e-9);
        },
      ),
      { numRuns: 40 },
    );
  });
});
