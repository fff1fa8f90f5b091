import type { StopView } from '@kibble/contract';
import { METHOD_FACTS, type Method } from '@kibble/core';
import { minutesText } from '../../words/units.ts';
import { isByDayParts } from './stopWords.ts';
import { movesOf } from './useStopActs.ts';

/** How it is done, in full: its turns and the rest between; where it wets spots or strips, plants go where those appear. */
export const howText = (stop: StopView): string =>
  stop.reason.code === 'planting drench' && METHOD_FACTS[stop.method as Method].spreads
    ? `${turnsText(stop)} Run it before you plant, and set the plants where the ground turns wet.`
    : turnsText(stop);

function turnsText(stop: StopView): string {
  const { run, byHand } = stop;
  const moves = movesOf(stop);
  if (moves)
    return `By ${stop.how}: ${moves} spots, ${minutesText(run.minutes / moves)} at each; move the hose when the clock calls.`;
  const times = byHand?.passes ?? run.cycles;
  if (times === 1) return `By ${stop.how}.`;
  if (isByDayParts(stop))
    return `By ${stop.how}: a fill in the morning and one towards evening. Each drips on by itself for about ${minutesText(run.minutes / times)}.`;
  const rest = byHand?.restMinutes ?? run.soakMinutes;
  return `By ${stop.how}: ${times} turns of ${minutesText(run.minutes / times)}, ${minutesText(rest)} between to soak in.`;
}
