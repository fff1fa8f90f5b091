import { cropOf } from '../../plants/plantOnDay.ts';
import type { PlantingInput, StartMethod } from '../../plants/types.ts';
import { daysBetween, type IsoDate } from '../../units/dates.ts';
import type { MustWater } from '../place.ts';

/** A ball of mix that was planted out: what it holds for its plant, what a millimetre of demand takes from it, L, the spot it stands under, m², and the days until roots have left it. */
interface Plug {
  holdsL: number;
  usesLPerMm: number;
  spotM2: number;
  rootedOutDays: number;
}

/**
 * Sizes as nurseries sell them: a module of 50 mL, a pot of half a litre, a quarter of it water for the plant; leaves of 20 and of
 * 120 cm². Judgements; that plugs live on their own ball for some days to two weeks, and want water daily at first, is common
 * practice.
 */
const PLUGS: Partial<Record<StartMethod, Plug>> = {
  module: { holdsL: 0.0125, usesLPerMm: 0.002, spotM2: 0.0025, rootedOutDays: 10 },
  pot: { holdsL: 0.125, usesLPerMm: 0.012, spotM2: 0.012, rootedOutDays: 14 },
};
/** So much of a ball may go before its plant wilts. Judgement. */
const BAND = 0.6;

interface Planted {
  plug: Plug;
  plantedOn: IsoDate;
}
const plugsOf = (plantings: readonly PlantingInput[], from: IsoDate): Planted[] =>
  plantings.flatMap((planting) => {
    const crop = cropOf(planting);
    const plug = crop.cycle === 'annual' ? PLUGS[planting.method ?? crop.usualStart] : undefined;
    const { plantedOn } = planting;
    return plug && daysBetween(plantedOn, from) < plug.rootedOutDays ? [{ plug, plantedOn }] : [];
  });

/** What a ball loses to its leaves on a day: less as roots leave it. */
function lossL({ plug, plantedOn }: Planted, date: IsoDate, et0Mm: number): number {
  const age = daysBetween(plantedOn, date);
  if (age < 0 || age >= plug.rootedOutDays) return 0;
  return plug.usesLPerMm * et0Mm * (1 - age / plug.rootedOutDays);
}

/**
 * What is gone from the balls of what was planted out on a bed, L each. They dry before the ground round them, since water does
 * not move over from finer soil; it forces a watering, and never delays one. Null where nothing lives on its plug from that day on.
 * Source: arithmetic on the judgements named above.
 */
export function plugClock(plantings: readonly PlantingInput[], from: IsoDate): MustWater<number[]> | null {
  const planted = plugsOf(plantings, from);
  if (planted.length === 0) return null;
  const shareOf = (gone: number, i: number): number => gone / (planted[i]?.plug.holdsL ?? 1);
  return {
    start: () => planted.map(() => 0),
    after: (clock, { date, et0Mm, rainMm, givenMm }) =>
      planted.map((of, i) => {
        const { plug, plantedOn } = of;
        const age = daysBetween(plantedOn, date);
        // It is drenched as it is planted.
        if (age < 0 || age >= plug.rootedOutDays) return 0;
        const left = Math.max(0, (clock[i] ?? 0) - plug.spotM2 * (rainMm + givenMm));
        return Math.min(plug.holdsL, left + lossL(of, date, et0Mm));
      }),
    withToday: (clock, givenMm) =>
      planted.map(({ plug }, i) => Math.max(0, (clock[i] ?? 0) - plug.spotM2 * givenMm)),
    due(clock, { d }, dayOf) {
      const { date, et0Mm, rainMm } = dayOf(d);
      const isDry = planted.some((of, i) => {
        const lost = lossL(of, date, et0Mm);
        const gone = Math.max(0, (clock[i] ?? 0) - of.plug.spotM2 * rainMm);
        return lost > 0 && gone > 0 && shareOf(gone + lost, i) > BAND;
      });
      return isDry ? 'plug' : null;
    },
    limit: () => null,
    now: () => null,
    lacksMm: (clock) => Math.max(0, ...planted.map(({ plug }, i) => (clock[i] ?? 0) / plug.spotM2)),
  };
}
