import type { RoundsView } from '@kibble/contract';
import type { Context } from '../context.ts';

/** The days on which the garden is walked, with the names of what needs more. */
export function roundsOf({ plan, beds }: Context): RoundsView {
  const { by, weekdays, between, onTimer, sparser } = plan.rounds;
  const nameOf = (bedId: number): string => beds.find((b) => b.id === bedId)?.name ?? '';
  return {
    by,
    weekdays,
    between: between.map((one) => ({ ...one, bedName: nameOf(one.bedId) })),
    onTimer: onTimer.map((bedId) => ({ bedId, bedName: nameOf(bedId) })),
    sparser,
  };
}
