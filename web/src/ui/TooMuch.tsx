import { tooMuch, type Overdone, type RoomForWater } from '@kibble/core';
import { typedSi } from '../words/numberRule.ts';
import { useUnits } from '../words/units.ts';
import { dayMonth } from '../words/dateWords.ts';

/** What too much water does on such ground, as a sentence by itself. */
export const OVERDONE_WORDS: Readonly<Record<Overdone, string>> = {
  wasted:
    'This ground lets water through: the roots come to no harm, but the water and the feed in it are lost.',
  'wasted and airless':
    'Part of it is lost below the roots, and for a day or two it takes the place of the air that they need.',
  airless:
    'This ground holds water for days where the roots need air: too much of it slows the plants and lets roots rot.',
};

/** Said while an amount is typed: what of it would go below the roots, and what that takes with it. */
export function TooMuch({
  amount,
  by,
  room,
}: {
  amount: string;
  by: 'minutes' | 'litres';
  room: RoomForWater;
}) {
  const units = useUnits();
  const typed = typedSi(by, amount, units);
  if (typed === undefined || !Number.isFinite(typed) || typed <= 0) return null;
  const much = tooMuch(by === 'minutes' ? { minutes: typed } : { litres: typed }, room);
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
