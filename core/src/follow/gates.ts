import type { DayFacts } from './dayFacts.ts';
import type { Decision } from './decide.ts';
import type { PlanBed } from './types.ts';

/** What keeps a bed from being watered on a day, whatever it would want. */
export type GateName = 'nothing growing' | 'frozen' | 'settled' | 'toughening' | 'shut';

export interface Held {
  by: GateName | null;
  /** Something was asked for that day. */
  due: boolean;
}

type Gate = (facts: DayFacts, decision: Decision | null, input: PlanBed) => boolean;

/** What waits for no calm, and what is given on its day whatever was put off. */
const CANNOT_WAIT: Readonly<Record<'windy' | 'put off', ReadonlySet<string>>> = {
  windy: new Set(['planting drench', 'seedbed', 'plug']),
  'put off': new Set(['planting drench']),
};

const GATES: readonly (readonly [GateName, Gate])[] = [
  // What has ended still has what the gardener sets by hand.
  ['nothing growing', (f) => !f.growing && !(f.ended && f.byHand !== undefined)],
  ['frozen', (f) => f.frozen],
  ['settled', (f, _due, input) => f.isToday && Boolean(input.settledToday)],
  // Wilting ends a dry spell.
  [
    'toughening',
    (f, _due, input) => input.holdUntil !== undefined && f.day.date < input.holdUntil && !f.wilting,
  ],
  // A rule of the garden holds for all; wind and a spared round give way to hand and wilting, and wind to what dies by evening.
  [
    'shut',
    (f, due) =>
      f.shut === 'closed' ||
      (f.shut !== null && !f.wilting && f.byHand === undefined && !CANNOT_WAIT[f.shut].has(due?.code ?? '')),
  ],
];

/** The gate that holds a bed on a day, or none. */
export function gateOf(facts: DayFacts, decision: Decision | null, input: PlanBed): Held {
  const gate = GATES.find(([, holds]) => holds(facts, decision, input));
  return { by: gate ? gate[0] : null, due: decision !== null };
}
