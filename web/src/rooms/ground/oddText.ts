import type { Oddity } from '@kibble/core';
import type { Quantity } from '@kibble/contract';
import type { Units } from '../../words/units.ts';

const QUANTITY: Readonly<Record<string, Quantity>> = {
  'L/min': 'flow',
  'mm/h': 'rate',
  'm²': 'area',
  mm: 'depth',
  '%': 'percent',
};

/** An odd reading asked about, in the gardener's units. */
export function oddText(odd: Oddity, units: Units): string {
  const quantity = QUANTITY[odd.unit] ?? 'count';
  const value = units.text(quantity, odd.value);
  const usual = units.text(quantity, odd.usual);
  const words: Readonly<Record<Oddity['code'], string>> = {
    'more than a garden tap': `${value} is more than a garden tap gives: ${usual} at most. Check the bucket’s size and the seconds.`,
    'hardly a trickle': `${value} is hardly a trickle. Is the tap open all the way?`,
    'heavier than a downpour': `${value} is heavier than a cloudburst; garden sprinklers stay under ${usual}. Check the minutes.`,
    'most of the jar is one layer': `${value} of one kind is rare in a garden. Has the rest settled yet?`,
    'drains like a sieve': `${value} is faster than almost any soil. Was it the second filling?`,
    'does not drain': 'Nothing drained at all. Give it longer before you judge.',
    'lines serve another area': `The lines lie on ${value}, but the bed is written down as ${usual}.`,
    'more than the tap gives': `These lines ask for ${value}, and the tap gives ${usual}: the far end will stay dry.`,
    'cans caught more than was sent': `The cans caught ${value} over the bed, more than the ${usual} that leaves the tap. One of the two is off.`,
    'very steep': `${value} is steeper than a flight of stairs. Is it in percent?`,
    'deeper than any watering': `${value} is deeper than a watering goes. Was it rain, or loose ground?`,
  };
  return words[odd.code];
}
