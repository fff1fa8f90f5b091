import { vesselShape } from '../places/vessel/size.ts';
import type { VesselInput } from '../places/vessel/vesselModel.ts';
import { OutOfRange } from '../units/guard.ts';
import { potHere } from './potHere.ts';
import { planPot, type PotPlan, type PotSpan } from './planPot.ts';
import { POT_WAY_FACTS, type PotWay } from './ways.ts';
import type { Pot } from './pots.ts';

/** Something that would make a pot last longer, with how often it is then watered over the plan and what it still misses. */
export interface PotHelp {
  code: 'saucer' | 'bark' | 'half shade' | 'larger pot' | 'glazed' | 'reservoir';
  waterings: number;
  missedShare: number;
}

/** Shade of a neighbour, and a pot twice as large. */
const CHANGES: readonly {
  code: PotHelp['code'];
  when: (v: VesselInput) => boolean;
  as: (v: VesselInput) => VesselInput;
}[] = [
  {
    code: 'saucer',
    when: (v) => !v.saucer && !v.reservoirL && !v.noHole,
    as: (v) => ({ ...v, saucer: true }),
  },
  { code: 'bark', when: (v) => (v.dressing ?? 'bare') === 'bare', as: (v) => ({ ...v, dressing: 'bark' }) },
  { code: 'glazed', when: (v) => v.material === 'terracotta', as: (v) => ({ ...v, material: 'glazed' }) },
  {
    code: 'half shade',
    when: (v) => !v.indoors && (v.place?.sun ?? 'full') === 'full',
    as: (v) => ({ ...v, place: { ...v.place, sun: 'half' } }),
  },
  {
    code: 'larger pot',
    // Twice the largest pot there can be is none, whichever of its measures was told.
    when: (v) => canBe(twice(v)),
    as: twice,
  },
  { code: 'reservoir', when: (v) => !v.reservoirL && !v.noHole, as: (v) => ({ ...v, reservoirL: 3 }) },
];

/** What keeps a mix wet for longer. */
const STORES: ReadonlySet<PotHelp['code']> = new Set(['saucer', 'reservoir', 'bark', 'larger pot', 'glazed']);

/** A pot that holds twice as much. */
function twice(v: VesselInput): VesselInput {
  return {
    ...v,
    volumeL: v.volumeL === undefined ? undefined : 2 * v.volumeL,
    topM: v.topM === undefined ? undefined : v.topM * Math.cbrt(2),
    baseM: v.baseM === undefined ? undefined : v.baseM * Math.cbrt(2),
    heightM: v.heightM === undefined ? undefined : v.heightM * Math.cbrt(2),
    roots: 'filled',
  };
}

function canBe(vessel: VesselInput): boolean {
  try {
    vesselShape(vessel);
    return true;
  } catch (error) {
    if (error instanceof OutOfRange) return false;
    throw error;
  }
}

/** Days of the plan on which it is watered, second waterings counted. */
const wateringsOf = (givings: readonly { again: unknown }[]): number =>
  givings.reduce((sum, { again }) => sum + (again ? 2 : 1), 0);

/**
 * What would help a pot, the most first; the leaves stay as they are.
 * @param plan its plan as it is: how full it stands today, and what it uses; `leafM2` m² of leaves
 * Source: the pot's own balance from today on, with one thing another.
 */
export function potHelp(
  declared: Pot,
  plan: Pick<PotPlan, 'heldMl' | 'holdsMl' | 'useFactor'>,
  span: PotSpan,
  leafM2: number,
): { now: number; helps: PotHelp[] } {
  const pot = potHere(declared, span.nights ?? []);
  const ahead = (vessel: VesselInput, way: PotWay) =>
    planPot(
      {
        id: pot.id,
        seedlings: pot.seedlings,
        vessel: { ...vessel, useFactor: plan.useFactor },
        startOn: span.today,
        startFullness: plan.holdsMl > 0 ? Math.min(1, plan.heldMl / plan.holdsMl) : 1,
        way,
        entries: [],
      },
      { ...span, ensemble: null, nights: [] },
    );
  // The leaves stay as they are; an empty pot has none.
  const canopyM2 = pot.vessel.canopyM2 ?? (leafM2 > 0 ? leafM2 : undefined);
  const now = wateringsOf(ahead(pot.vessel, pot.way).givings);
  // What is to dry out, and seedlings that are soaked by what is seen, want no store beneath and no cover.
  const suits = ({ code }: (typeof CHANGES)[number]): boolean =>
    !(POT_WAY_FACTS[pot.way].asksDry || pot.seedlings) || !STORES.has(code);
  const helps = CHANGES.filter((change) => change.when(pot.vessel) && suits(change)).map(({ code, as }) => {
    const made = ahead({ ...as(pot.vessel), canopyM2 }, code === 'reservoir' ? 'reservoir' : pot.way);
    return { code, waterings: wateringsOf(made.givings), missedShare: made.missedShare };
  });
  helps.sort((a, b) => a.waterings - b.waterings || a.missedShare - b.missedShare);
  return { now, helps: helps.filter(({ waterings }) => waterings < now) };
}
