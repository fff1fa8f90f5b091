import type { StopView } from '@kibble/contract';
import { METHOD_FACTS, type LeafCare, type Method } from '@kibble/core';
import { minutesText } from '../../words/units.ts';
import { isCarried, movesOf } from './useStopActs.ts';

/** Minutes written large: what a person gives where somebody stands there or carries, else what the tap runs. */
export const largeMinutes = (stop: StopView): number =>
  Math.max(1, Math.round(isCarried(stop) ? stop.handsOnMinutes : stop.run.minutes));

const WAYS: Readonly<Record<string, string>> = {
  'hose wand': 'wand',
  'watering can': 'can',
  'soaker hose': 'soaker',
  'gravity drip kit': 'drip kit',
  'slow bucket': 'bucket',
};

/** Its fills are hours apart on purpose. */
export const isByDayParts = ({ method, run }: StopView): boolean =>
  run.cycles > 1 && METHOD_FACTS[method as Method].fillsPerDay !== undefined;

/** How, in a few words on a row: can, 6 fills, in 2 turns. */
export function shortHow(stop: StopView): string {
  const { byHand, run, fills, method } = stop;
  const moves = movesOf(stop);
  if (moves) return `hose, ${moves} spots, ${minutesText(run.minutes / moves)} at each`;
  const times = byHand?.passes ?? run.cycles;
  const counted =
    times === 1
      ? byHand || fills
        ? ''
        : 'in one go'
      : isByDayParts(stop)
        ? 'morning and evening'
        : `in ${times} turns`;
  const filled = fills ? `${fills.count} ${fills.count === 1 ? 'fill' : 'fills'}` : '';
  const timer = stop.timer ? 'by its timer' : '';
  return [WAYS[method] ?? method, filled, counted, timer].filter((part) => part !== '').join(', ');
}

/** How the leaves are to be treated; a matter only where water may come on them. */
export const leavesWords = ({ leaves, spray, byHand }: StopView): string | null =>
  leaves && (spray !== null || byHand !== null) ? LEAVES[leaves] : null;
const LEAVES: Readonly<Record<LeafCare, string>> = {
  'keep leaves dry': 'Keep the leaves dry.',
  'rinse early, then keep dry': 'Apart from a rinse early this morning, keep the leaves dry.',
  'keep bodies dry': 'The air is cool and damp: keep water off the bodies of the plants.',
};
