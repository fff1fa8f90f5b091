import { tooMuch, type Overdone, type RoomForWater } from '@kibble/core';
import { givenAmount, type AmountBy } from '../words/givenAmount.ts';
import { useUnits } from '../words/units.ts';
import { dayMonth } from '../words/dateWords.ts';
import { useCan } from './useCan.ts';

/** What too much water does on such ground. */
const OVERDONE_WORDS: Readonly<Record<Overdone, string>> = {
  wasted: 'On this ground the roots come to no harm, but the water is wasted.',
  'wasted and airless': 'For a day or two it also takes the place of the air that the roots need.',
  airless: 'This ground also holds water for days: roots without air slow the plants, and may rot.',
};

/** Said while an amount is typed: what of it would go below the roots, and what that takes with it. */
export function TooMuch({ amount, by, room }: { amount: string; by: AmountBy; room: RoomForWater }) {
  const units = useUnits();
  const can = useCan();
  const given = givenAmount(by, amount, can, units);
  const much = given && tooMuch(given, room);
  if (!much) return null;
  return (
    <p role="status" className="border-l-4 border-brick pl-3">
      <strong>
        That is {units.text('depth', much.givenMm)} where it falls, and the ground has room for{' '}
        {units.text('depth', much.roomMm)}.
      </strong>{' '}
      About {units.text('volume', much.sinksL)} of it would sink below the roots
      {much.fedOn
        ? `, and the feed that you watered in on ${dayMonth(much.fedOn)} would go down with it`
        : ', and take feed down with it'}
      . {OVERDONE_WORDS[room.overdone]}
    </p>
  );
}
