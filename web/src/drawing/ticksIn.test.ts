import { expect, test } from '@jest/globals';
import { scaleLinear } from 'd3';
import { unitsOf } from '../words/units.ts';
import { ticksIn } from './ticksIn.ts';

const labels = (system: 'metric' | 'us', quantity: 'temperature' | 'depth', domain: [number, number]) =>
  ticksIn(scaleLinear(domain, [100, 0]), unitsOf(system).of(quantity), 4).map(({ label }) => label);

test('an axis has round figures in the gardener’s units, where they belong', () => {
  expect(labels('metric', 'temperature', [-12, 21])).toEqual(['−10', '0', '10', '20']);
  expect(labels('us', 'temperature', [-12, 21])).toEqual(['20', '40', '60']);
  expect(labels('us', 'depth', [-20, 20])).toEqual(['−0.5', '0', '0.5']);
  const [tick] = ticksIn(scaleLinear([0, 25.4], [100, 0]), unitsOf('us').of('depth'), 1).slice(1);
  expect(tick).toEqual({ at: 0, label: '1' });
});
