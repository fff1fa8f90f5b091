import { describe, expect, test } from '@jest/globals';
import { intakeRate } from '../soil/soilProfile.ts';
import { overdoneOn, tooMuch } from './tooMuch.ts';

const room = {
  depletionMm: 12,
  mmPerLitre: 0.1,
  litresPerMinute: 20,
  fedOn: null,
  overdone: 'wasted',
} as const;

describe('water that goes below the roots', () => {
  test('70 mm on ground that lacks 12: 58 mm sink, in litres what that is', () => {
    const much = tooMuch({ litres: 700 }, room);
    expect(much?.givenMm).toBeCloseTo(70, 9);
    expect(much?.sinksMm).toBeCloseTo(58, 9);
    expect(much?.sinksL).toBeCloseTo(580, 9);
    // 35 minutes at 20 L/min are the same 700 L.
    expect(tooMuch({ minutes: 35 }, room)).toEqual(much);
  });
  test('what fits, or is a little more, is not spoken of', () => {
    expect(tooMuch({ litres: 120 }, room)).toBeNull();
    expect(tooMuch({ litres: 180 }, room)).toBeNull();
    expect(tooMuch({ litres: 210 }, room)).not.toBeNull();
  });
  test('on full ground all of it sinks, and feed that was watered in lately goes with it', () => {
    expect(tooMuch({ litres: 200 }, { ...room, depletionMm: 0, fedOn: '2026-07-03' })).toMatchObject({
      roomMm: 0,
      sinksMm: 20,
      fedOn: '2026-07-03',
    });
    expect(tooMuch({ litres: 200 }, { ...room, depletionMm: -3 })?.sinksMm).toBeCloseTo(20, 9);
  });
});

// Common practice: on free-draining ground water is wasted, on heavy ground roots drown.
test('too much is a waste on sand, a lack of air on clay, and both in between', () => {
  const on = (textureClass: 'sand' | 'sandy loam' | 'loam' | 'clay loam' | 'clay') =>
    overdoneOn(intakeRate({ horizons: [{ textureClass }] }));
  expect(on('sand')).toBe('wasted');
  expect(on('sandy loam')).toBe('wasted');
  expect(on('loam')).toBe('wasted and airless');
  expect(on('clay loam')).toBe('airless');
  expect(on('clay')).toBe('airless');
});
