import type { VesselInput } from '../places/vessel/vesselModel.ts';
import { planPot, type PotSpan } from './planPot.ts';
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
  { code: 'saucer', when: (v) => !v.saucer && !v.reservoirL, as: (v) => ({ ...v, saucer: true }) },
  { code: 'bark', when: (v) => (v.dressing ?? 'bare') === 'bare', as: (v) => ({ ...v, dressing: 'bark' }) },
  { code: 'glazed', when: (v) => v.material === 'terracotta', as: (v) => ({ ...v, material: 'glazed' }) },
  {
    code: 'half shade',
    when: (v) => !v.indoors && (v.place?.sun ?? 'full') === 'full',
    as: (v) => ({ ...v, place: { ...v.place, sun: 'half' } }),
  },
  {
    code: 'larger pot',
    when: () => true,
    as: (v) => ({
      ...v,
      volumeL: v.volumeL === undefined ? undefined : 2 * v.volumeL,
      topM: v.topM === undefined ? undefined : v.topM * Math.cbrt(2),
      baseM: v.baseM === undefined ? undefined : v.baseM * Math.cbrt(2),
      heightM: v.heightM === undefined ? undefined : v.heightM * Math.cbrt(2),
      roots: 'filled',
    }),
  },
  { code: 'reservoir', when: (v) => !v.reservoirL, as: (v) => ({ ...v, reservoirL: 3 }) },
];

/** Days of the plan on which it is watered, second waterings counted. */
const wateringsOf = (givings: readonly { again: unknown }[]): number =>
  givings.reduce((sum, { again }) => sum + (again ? 2 : 1), 0);

/** What would help a pot, the most first; the leaves stay as they are. Source: the pot's own balance with one thing another. */
export function potHelp(pot: Pot, span: PotSpan, leafM2: number): { now: number; helps: PotHelp[] } {
  const bare = { ...span, ensemble: null };
  const now = wateringsOf(planPot(pot, bare).givings);
  const helps = CHANGES.filter(({ when }) => when(pot.vessel)).map(({ code, as }) => {
    const vessel = { ...as(pot.vessel), canopyM2: pot.vessel.canopyM2 ?? leafM2 };
    const way = code === 'reservoir' ? ('reservoir' as const) : pot.way;
    const plan = planPot(
      {
        ...pot,
        vessel,
        way,
        earlier: undefined,
        entries: pot.entries.filter(({ entry }) => entry.kind === 'given'),
      },
      bare,
    );
    return { code, waterings: wateringsOf(plan.givings), missedShare: plan.missedShare };
  });
  helps.sort((a, b) => a.waterings - b.waterings || a.missedShare - b.missedShare);
  return { now, helps: helps.filter(({ waterings }) => waterings < now) };
}
