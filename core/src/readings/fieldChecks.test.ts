import { describe, expect, test } from '@jest/globals';
import { canAdvice } from '../delivery/canAdvice.ts';
import { poolingTest } from '../delivery/poolingTest.ts';
import { soakerTest } from '../delivery/soakerTest.ts';
import { spreadShare, wettedShare, wettedWidthM } from '../delivery/wettedStrip.ts';
import { todaysHabit } from '../delivery/todaysHabit.ts';
import { TEXTURE_CLASSES } from '../soil/textureClass.ts';
import { depthCheck, settledMinutes } from '../delivery/depthCheck.ts';
import { lookCheck } from '../checks/lookCheck.ts';
import { oddities } from './oddities.ts';

describe('how deep did it go', () => {
  test('150 mm of 300 after 20 min asks for as much again', () => {
    const check = depthCheck({ pointsMm: [150, 140, 160], targetMm: 300, minutes: 20 });
    expect(check.verdict).toBe('short');
    expect(check.extraMinutes).toBeCloseTo(20, 9);
  });
  // Common practice: 200–300 mm is good for a bed.
  test('250 mm where 250 was wanted is enough, one dry place is called by its number, and far too deep is said', () => {
    expect(depthCheck({ pointsMm: [250, 260], targetMm: 250, minutes: 20 })).toMatchObject({
      verdict: 'deep enough',
      extraMinutes: 0,
    });
    expect(depthCheck({ pointsMm: [300, 20, 310], targetMm: 250, minutes: 20 })).toMatchObject({
      verdict: 'patchy',
      dryPoints: [1],
      extraMinutes: 0,
    });
    expect(depthCheck({ pointsMm: [500, 520], targetMm: 250, minutes: 20 }).verdict).toBe('far past');
  });
  test('nothing wetted at all asks for the same run again', () => {
    expect(depthCheck({ pointsMm: [0], targetMm: 200, minutes: 15 })).toMatchObject({
      verdict: 'short',
      extraMinutes: 15,
    });
  });
  test('two passes of the same length settle it', () => {
    const good = (minutes: number) => ({ minutes, verdict: 'deep enough' as const });
    expect(settledMinutes([good(40)])).toBeNull();
    expect(settledMinutes([{ minutes: 20, verdict: 'short' }, good(40), good(42)])).toBe(42);
    expect(settledMinutes([good(20), good(40)])).toBeNull();
  });
  test.each([
    [{ pointsMm: [], targetMm: 200, minutes: 10 }, /pointsMm/],
    [{ pointsMm: [-5], targetMm: 200, minutes: 10 }, /pointsMm\[0\].*-5/],
    [{ pointsMm: [5], targetMm: 200, minutes: 0 }, /minutes/],
  ])('refuses %p', (options, message) => expect(() => depthCheck(options)).toThrow(message));
});

describe('a look into the ground (common practice)', () => {
  const look = { textureClass: 'loam' as const, rootDepthMm: 400, mulched: false, mulchMoved: false };
  test('dry to 75 mm under a trowel is water; damp waits; sticky has too much', () => {
    expect(lookCheck({ ...look, tool: 'trowel', depthMm: 75, state: 'dry' }).verdict).toBe('water');
    expect(lookCheck({ ...look, tool: 'trowel', depthMm: 100, state: 'damp' }).verdict).toBe('wait');
    expect(lookCheck({ ...look, tool: 'core', depthMm: 400, state: 'wet' }).verdict).toBe('too wet');
  });
  test('a finger in the top of a deep-rooted bed proves nothing; in a seed bed it does', () => {
    const finger = lookCheck({ ...look, tool: 'finger', depthMm: 40, state: 'dry' });
    expect(finger).toMatchObject({ verdict: 'look deeper', caveats: ['a finger knows only the top'] });
    expect(lookCheck({ ...look, rootDepthMm: 150, tool: 'finger', depthMm: 40, state: 'dry' }).verdict).toBe(
      'water',
    );
  });
  test('sand never rolls, and mulch hides the soil', () => {
    const sand = lookCheck({
      ...look,
      textureClass: 'sand',
      mulched: true,
      tool: 'core',
      depthMm: 300,
      state: 'dry',
    });
    expect(sand.caveats).toEqual(['sand never rolls', 'mulch was in the way']);
  });
});

describe('where cans say it is dry', () => {
  test.each([
    [
      [
        [10, 10],
        [10, 11],
      ],
      ['even enough'],
    ],
    [
      [
        [10, 10, 10, 3],
        [10, 9, 10, 3],
        [10, 10, 9, 3],
      ],
      ['uneven', 'one side dry'],
    ],
    [
      [
        [3, 3, 3],
        [8, 9, 8],
        [10, 10, 10],
      ],
      ['uneven', 'one end dry'],
    ],
    [
      [
        [4, 5, 5, 4],
        [5, 12, 12, 5],
        [4, 5, 5, 4],
      ],
      ['fairly even', 'edges dry'],
    ],
    [[[9]], ['one can tells the rate, not the evenness']],
  ])('%j: %j', (grid, words) => expect(canAdvice(grid)).toEqual(words));
});

describe('what is odd is asked, what is impossible refused', () => {
  test('99 L/min is more than a garden tap; 20 is not', () => {
    expect(oddities({ kind: 'bucket', litres: 99, seconds: 60 })).toMatchObject([
      { code: 'more than a garden tap', value: 99, unit: 'L/min' },
    ]);
    expect(oddities({ kind: 'bucket', litres: 15, seconds: 45 })).toEqual([]);
  });
  test('lines that ask for more than the tap gives, and lie on another area', () => {
    const lines = {
      kind: 'drip',
      bedLengthM: 15,
      bedWidthM: 1,
      lines: 2,
      insetM: 0.2,
      emitterSpacingM: 0.3,
      emitterLitresPerHour: 2,
    } as const;
    expect(oddities(lines, { areaM2: 15, supplyLitresPerMinute: 20 })).toEqual([]);
    expect(oddities(lines, { areaM2: 40, supplyLitresPerMinute: 2 }).map((o) => o.code)).toEqual([
      'lines serve another area',
      'more than the tap gives',
    ]);
  });
  test('cans cannot catch more than was sent', () => {
    const cans = { kind: 'cans', grid: [[30]], minutes: 60 } as const;
    const context = { areaM2: 24, litresPerMinute: 10 };
    expect(oddities({ ...cans, grid: [[30]] }, context).map((o) => o.code)).toEqual([
      'cans caught more than was sent',
    ]);
    expect(oddities({ ...cans, grid: [[20]] }, context)).toEqual([]);
  });
  test('zero seconds, an empty jar', () => {
    expect(() => oddities({ kind: 'bucket', litres: 10, seconds: 0 })).toThrow(/seconds .* above 0/);
    expect(() => oddities({ kind: 'jar', horizon: 'top', sandMm: 0, siltMm: 0, clayMm: 0 })).toThrow(
      /nothing has settled/,
    );
  });
});

describe('pooling, seeping and spreading', () => {
  test('30 mm/h that pools after 10 min with 5 mm standing: half of what fell went in', () => {
    const seen = poolingTest({ rateMmPerHour: 30, minutes: 10, surfaceStorageMm: 5 });
    expect(seen.surfaceStorageMm).toBeCloseTo(2.5, 9);
    expect(seen.infiltrationMmPerHour).toBeCloseTo(15, 9);
    // What fell is what went in and what stands.
    expect((seen.infiltrationMmPerHour * 10) / 60 + seen.surfaceStorageMm).toBeCloseTo(5, 9);
  });
  test('a stretch longer than the hose is refused', () =>
    expect(() => soakerTest({ litres: 1, minutes: 5, caughtM: 20, lengthM: 15 })).toThrow(/caughtM/));
  test('water spreads no less the less sand there is (common practice), and 30 cm wet of 60 is half', () => {
    const widths = TEXTURE_CLASSES.map((t) => wettedWidthM(t));
    expect(Math.min(...widths)).toBe(wettedWidthM('sand'));
    expect(Math.max(...widths)).toBe(wettedWidthM('clay'));
    expect(spreadShare({ widthM: 0.3, spacingM: 0.6 })).toBeCloseTo(0.5, 9);
  });
  test('emitters further apart than they wet leave spots, not a strip', () => {
    const wide = wettedShare(
      { bedLengthM: 10, bedWidthM: 1, lines: 1, emitterSpacingM: 0.5, emitters: 20 },
      'sand',
    );
    expect(wide.spotsJoin).toBe(false);
    expect(wide.share).toBeCloseTo((20 * Math.PI * 0.15 ** 2) / 10, 9);
  });
  test('20 minutes at 5 mm/h wet only the top of deep roots', () => {
    const profile = Array.from({ length: 20 }, () => ({
      thicknessMm: 50,
      fieldCapacity: 0.27,
      waterContent: 0.17,
    }));
    const habit = todaysHabit({ minutes: 20, rateMmPerHour: 5, profile, rootDepthMm: 400 });
    expect(habit.appliedMm).toBeCloseTo(5 / 3, 9);
    expect(habit.wettedMm).toBeCloseTo(5 / 3 / 0.1, 6);
    expect(habit.verdict).toBe('only the top');
  });
});
