import type { StopView } from '@kibble/contract';
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

/** How, in a few words on a row: can, 6 fills, in 2 turns. */
export function shortHow(stop: StopView): string {
  const { byHand, run, fills, method } = stop;
  const moves = movesOf(stop);
  if (moves) return `hose, ${moves} spots, ${minutesText(run.minutes / moves)} at each`;
  const times = byHand?.passes ?? run.cycles;
  const counted = times === 1 ? (byHand || fills ? '' : 'in one go') : `in ${times} turns`;
  const filled = fills ? `${fills.count} ${fills.count === 1 ? 'fill' : 'fills'}` : '';
  const timer = stop.timer ? 'by its timer' : '';
  return [WAYS[method] ?? method, filled, counted, timer].filter((part) => part !== '').join(', ');
}

/** How it is done, in full: its turns and the rest between. */
export function howText(stop: StopView): string {
  const { run, byHand } = stop;
  const moves = movesOf(stop);
  if (moves)
    return `By ${stop.how}: ${moves} spots, ${minutesText(run.minutes / moves)} at each; move the hose when the clock calls.`;
  const times = byHand?.passes ?? run.cycles;
  if (times === 1) return `By ${stop.how}.`;
  const rest = byHand?.restMinutes ?? run.soakMinutes;
  return `By ${stop.how}: ${times} turns of ${minutesText(run.minutes / times)}, ${minutesText(rest)} between to soak in.`;
}

/** Wet leaves are a matter only where water may come on them. */
export const keepDry = (stop: StopView): boolean =>
  stop.keepLeavesDry && (stop.spray !== null || stop.byHand !== null);
