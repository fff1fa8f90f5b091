import { describe, expect, test } from '@jest/globals';
import { METHOD_FACTS } from '../delivery/methods.ts';
import { deliveryRate, efficiencyOf, runPlan } from '../delivery/runPlan.ts';
import { soilProfile } from '../soil/soilProfile.ts';
import type { Found as Dated } from './entries.ts';
import type { DeclaredBed } from './knownDraft.ts';
import { whatIsKnown } from './whatIsKnown.ts';

const TODAY = '2026-07-14';
const declared: DeclaredBed = {
  areaM2: 24,
  textureClass: 'loam',
  method: 'sprinkler',
  litresPerMinute: 10,
};
const known = (findings: Dated[], bed: Partial<DeclaredBed> = {}) =>
  whatIsKnown({ ...declared, ...bed }, findings, TODAY);

describe('the tap', () => {
  test('nothing tested: the guess stands and nothing claims to be known', () => {
    const bed = known([]);
    expect(bed.delivery.litresPerMinute).toBe(10);
    expect(bed.known.flow).toBeUndefined();
    expect(bed.ground.horizons).toHaveLength(1);
  });
  // Common practice: 4 US gallons in 45 s are 5.33 gal/min, 20.2 L/min.
  test('a bucket of 15.14 L in 45 s gives 20.2 L/min, measured on its day', () => {
    const bed = known([{ kind: 'bucket', litres: 15.14, seconds: 45, on: '2026-07-01' }]);
    expect(bed.delivery.litresPerMinute).toBeCloseTo(20.19, 2);
    expect(bed.known.flow).toEqual({ kind: 'measured', on: '2026-07-01' });
  });
  test('the later of two buckets counts, and one from tomorrow does not', () => {
    const bed = known([
      { kind: 'bucket', litres: 10, seconds: 60, on: '2026-07-10' },
      { kind: 'bucket', litres: 20, seconds: 60, on: '2026-06-10' },
      { kind: 'bucket', litres: 30, seconds: 60, on: '2026-07-15' },
    ]);
    expect(bed.delivery.litresPerMinute).toBe(10);
  });
  test('a bucket at the tap is a hose’s flow, and only the limit of drip lines', () => {
    const bucket: Dated = { kind: 'bucket', litres: 20, seconds: 60, on: '2026-07-01', tap: 1 };
    expect(known([bucket], { method: 'hose wand' }).delivery.litresPerMinute).toBe(20);
    const drip = known([bucket], { method: 'drip', litresPerMinute: 4 });
    expect(drip.delivery.litresPerMinute).toBe(4);
    expect(drip.supplyLitresPerMinute).toBe(20);
  });
  test('a test of another way of watering is left aside', () => {
    const bed = known([{ kind: 'bucket', litres: 20, seconds: 60, on: '2026-07-01', method: 'hose wand' }]);
    expect(bed.delivery.litresPerMinute).toBe(10);
  });
  test('last year’s bucket, and one before a new nozzle, still count but are marked', () => {
    const old: Dated = { kind: 'bucket', litres: 20, seconds: 60, on: '2025-06-01' };
    expect(known([old]).known.flow).toMatchObject({ stale: 'old' });
    expect(known([old]).delivery.litresPerMinute).toBe(20);
    const fresh: Dated = { ...old, on: '2026-07-01' };
    const changed: Dated = { kind: 'changed', what: 'nozzle', on: '2026-07-05' };
    expect(known([fresh, changed]).known.flow).toMatchObject({
      stale: 'nozzle, pressure or line changed since',
    });
    expect(known([{ ...fresh, on: '2026-07-06' }, changed]).known.flow).not.toHaveProperty('stale');
  });
  test('a declared figure later than a test wins, an earlier one does not', () => {
    const bucket: Dated = { kind: 'bucket', litres: 20, seconds: 60, on: '2026-07-01' };
    const say = (on: string): Dated => ({ kind: 'told', field: 'flow', value: 7, on });
    expect(known([bucket, say('2026-07-02')]).delivery.litresPerMinute).toBe(7);
    expect(known([bucket, say('2026-06-02')]).delivery.litresPerMinute).toBe(20);
  });
});

describe('a bucket at the tap', () => {
  const bucket = { kind: 'bucket' as const, litres: 20, seconds: 60, on: '2026-07-01', tap: 1 };
  const flowOf = (method: 'hose wand' | 'sprinkler' | 'micro-spray' | 'drip'): number =>
    whatIsKnown({ areaM2: 24, textureClass: 'loam', method, litresPerMinute: 6 }, [bucket], TODAY).delivery
      .litresPerMinute;
  test('is the flow of an open hose, and not of nozzles and lines', () => {
    expect(flowOf('hose wand')).toBe(20);
    for (const method of ['sprinkler', 'micro-spray', 'drip'] as const) expect(flowOf(method)).toBe(6);
  });
});

describe('cans', () => {
  const cans: Dated = { kind: 'cans', grid: [[5, 10, 10, 15]], minutes: 30, on: '2026-07-02' };
  test('the minutes that follow bring the depth wanted where it falls unevenly, at the rate the cans caught', () => {
    // Mean 10 mm in half an hour is 20 mm/h; the driest quarter got half of it.
    const bed = known([cans]);
    const run = runPlan({ localMm: 20, areaM2: 24, delivery: bed.delivery, infiltrationMmPerHour: 100 });
    expect(run.minutes).toBeCloseTo(60 / (0.4 + 0.6 * 0.5), 6);
    expect(bed.known.evenness).toEqual({ kind: 'measured', on: '2026-07-02' });
  });
  test('with the tap measured too, what is lost on the way is measured', () => {
    // 20 mm/h on 24 m² is 8 L/min caught of 10 sent.
    const bed = known([cans, { kind: 'bucket', litres: 10, seconds: 60, on: '2026-07-01' }]);
    expect(bed.delivery.efficiency).toBeCloseTo(0.8, 9);
    expect(efficiencyOf(bed.delivery)).toBeCloseTo(0.8 * (0.4 + 0.6 * 0.5), 9);
  });
  test('one can tells the rate and leaves the evenness open', () => {
    const bed = known([{ kind: 'cans', grid: [[25.4]], minutes: 60, on: '2026-07-02' }]);
    expect(bed.delivery.lowQuarterUniformity).toBeUndefined();
    expect(bed.known.evenness).toBeUndefined();
    const caught = deliveryRate(bed.delivery, 24) * METHOD_FACTS.sprinkler.efficiency;
    expect(caught).toBeCloseTo(25.4, 6);
  });
});

describe('lines', () => {
  test('two lines of 2 L/h emitters at 30 cm on 15 m give 3.33 L/min; sand is wetted in narrower strips than clay', () => {
    const drip: Dated = {
      kind: 'drip',
      bedLengthM: 15,
      bedWidthM: 1,
      lines: 2,
      insetM: 0.2,
      emitterSpacingM: 0.3,
      emitterLitresPerHour: 2,
      on: '2026-07-02',
    };
    const on = (textureClass: DeclaredBed['textureClass']) =>
      known([drip], { method: 'drip', areaM2: 15, textureClass });
    expect(on('loam').delivery.litresPerMinute).toBeCloseTo(100 / 30, 6);
    expect(on('sand').delivery.wettedFraction ?? 1).toBeLessThan(on('clay').delivery.wettedFraction ?? 0);
    expect(on('sand').known.wettedFraction?.kind).toBe('assumed');
    const seen: Dated = { kind: 'spread', widthM: 0.3, spacingM: 0.6, on: '2026-07-03' };
    expect(known([drip, seen], { method: 'drip' }).delivery.wettedFraction).toBeCloseTo(0.5, 9);
  });
  test('soaker hose and buckets with holes', () => {
    // 0.5 L under 1 m in 5 min is 0.1 L/min a metre, 1.5 L/min from 15 m.
    const soaker: Dated = { kind: 'soaker', litres: 0.5, minutes: 5, caughtM: 1, lengthM: 15, on: TODAY };
    expect(known([soaker], { method: 'soaker hose' }).delivery.litresPerMinute).toBeCloseTo(1.5, 9);
    const slow: Dated = { kind: 'slow-bucket', litres: 19, minutesToEmpty: 60, buckets: 3, on: TODAY };
    expect(known([slow], { method: 'slow bucket' }).delivery.litresPerMinute).toBeCloseTo(0.95, 9);
  });
  test('minutes until it pools become the longest single run', () => {
    const bed = known([{ kind: 'pooling', minutes: 9, on: TODAY }], { litresPerMinute: 40 });
    const intake = bed.ground.infiltrationMmPerHour ?? 0;
    const run = runPlan({ localMm: 40, areaM2: 24, delivery: bed.delivery, infiltrationMmPerHour: intake });
    expect(run.cycles).toBeGreaterThan(1);
    expect(run.runMinutes).toBeLessThanOrEqual(9 + 1e-9);
    // Equal runs: one fewer would be longer than what was seen.
    expect((run.runMinutes * run.cycles) / (run.cycles - 1)).toBeGreaterThan(9);
  });
});

describe('the ground', () => {
  const feel: Dated = {
    kind: 'feel',
    horizon: 'top',
    answers: { ball: true, ribbon: true, ribbonLength: 'over 50 mm', rub: 'neither' },
    on: '2026-05-01',
  };
  const jar: Dated = { kind: 'jar', horizon: 'top', sandMm: 65, siltMm: 25, clayMm: 10, on: '2026-04-01' };
  test('fingers replace what was declared; a jar outweighs later fingers; compost makes the later fingers count', () => {
    expect(known([feel]).ground.horizons[0]).toMatchObject({ textureClass: 'clay' });
    expect(known([feel, jar]).ground.horizons[0]).toMatchObject({ textureClass: 'sandy loam', sandPct: 65 });
    const compost: Dated = { kind: 'amended', material: 'compost', depthMm: 30, on: '2026-04-20' };
    expect(known([feel, jar, compost]).ground.horizons[0]).toMatchObject({ textureClass: 'clay' });
    expect(known([jar, compost]).known.soil).toMatchObject({ stale: 'ground amended since' });
  });
  test('two horizons, stones and rock make the store smaller', () => {
    const held = (findings: Dated[]): number => {
      const p = soilProfile(known(findings).ground);
      return p.availableMm.reduce((a, b) => a + b, 0);
    };
    const plain = held([]);
    expect(held([{ kind: 'dig', topsoilMm: 250, belowClass: 'sand', on: TODAY }])).toBeLessThan(plain);
    expect(held([{ kind: 'dig', topsoilMm: 250, stonesPct: 30, on: TODAY }])).toBeCloseTo(0.7 * plain, 6);
    expect(held([{ kind: 'dig', topsoilMm: 250, rockMm: 600, on: TODAY }])).toBeLessThan(0.5 * plain);
  });
  test('hole, slope, crust and wall reach the engine', () => {
    const bed = known([
      { kind: 'hole', fallMm: 14, minutes: 120, on: TODAY },
      { kind: 'site', slopePct: 10, sun: 'full', wind: 'exposed', wall: true, crusted: true, on: TODAY },
      { kind: 'dye', path: 'down one channel', depthMm: 200, on: TODAY },
    ]);
    expect(bed.ground).toMatchObject({ drainageMmPerHour: 7, slopePct: 10, crusted: true });
    expect(bed.place.demandFactor).toBeGreaterThan(1);
    expect(bed.path).toBe('down one channel');
  });
  // Common practice: look in two or more spots, and where they differ, wet first and water a second time.
  test('a probe that finds dry patches gives the next watering two turns, one that finds none takes them away', () => {
    const probe = (pointsMm: number[], on: string): Dated => ({
      kind: 'depth',
      tool: 'probe',
      pointsMm,
      targetMm: 300,
      minutes: 30,
      mulchMoved: false,
      on,
    });
    const patchy = probe([320, 20, 290], '2026-05-02');
    expect(known([patchy])).toMatchObject({ path: 'in patches', delivery: { turns: 2 } });
    expect(known([patchy, probe([320, 300], '2026-05-09')]).delivery.turns).toBeUndefined();
    // One place tells nothing of the others.
    expect(known([patchy, probe([320], '2026-05-09')]).path).toBe('in patches');
    const channel: Dated = { kind: 'dye', path: 'down one channel', depthMm: 200, on: '2026-05-10' };
    expect(known([channel]).delivery.turns).toBe(2);
  });
});
