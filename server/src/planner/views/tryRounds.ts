import type { RoundsTry, RoundsTryView } from '@kibble/contract';
import { addDays, gardenRoundDays, keepsTo, type GardenPlan } from '@kibble/core';
import type { Context } from '../context.ts';
import { gardenCosts } from './costs.ts';

/** Growth that a bed has to lose more to be named. */
const WORTH_NAMING = 0.005;

/** What other round days, or days away, would come to, before they are kept. */
export function tryRounds(context: Context, { roundDays, away }: RoundsTry): RoundsTryView {
  const { plan, beds, garden } = context;
  const spans = [...(garden.limits.away ?? []), ...(away ? [away] : [])];
  const after = context.planUnder({
    rounds: { weekdays: roundDays ?? undefined },
    away: spans.length > 0 ? spans : undefined,
  });
  const nameOf = (bedId: number): string => beds.find((b) => b.id === bedId)?.name ?? '';
  const [before, then] = [gardenRoundDays(plan), gardenRoundDays(after)];
  const lostBefore = new Map(plan.beds.map(({ bedId, lostShare }) => [bedId, lostShare]));
  return {
    before: gardenCosts(plan),
    after: gardenCosts(after),
    days: { before: before.days, after: then.days },
    mostMinutes: { before: before.mostMinutes, after: then.mostMinutes },
    losers: after.beds
      .filter(
        ({ bedId, lostShare, allowedShare }) =>
          !keepsTo(lostShare, allowedShare) && lostShare > (lostBefore.get(bedId) ?? 0) + WORTH_NAMING,
      )
      .sort((a, b) => b.lostShare - a.lostShare)
      .map(({ bedId, lostShare }) => ({ bedId, bedName: nameOf(bedId), lostShare })),
    beforeLeaving: away ? leaving(after, addDays(away.from, -1), nameOf) : [],
  };
}

const leaving = (
  { waterings }: GardenPlan,
  on: string,
  nameOf: (bedId: number) => string,
): RoundsTryView['beforeLeaving'] =>
  waterings
    .filter(({ date }) => date === on)
    .map(({ bedId, run }) => ({ bedId, bedName: nameOf(bedId), litres: run.litres }));
