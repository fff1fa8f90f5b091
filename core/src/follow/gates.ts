import type { SourcedDay } from '../weather/completeWeather.ts';
import type { DayFacts } from './dayFacts.ts';
import type { Decision } from './decide.ts';
import { rainWorthWaiting, type RainWait } from './rainWait.ts';
import type { PlaceRun } from './run.ts';
import type { PlanBed } from './types.ts';

/** What keeps a bed from being watered on a day, whatever it would want. */
export type GateName = 'nothing growing' | 'frozen' | 'settled' | 'toughening' | 'shut' | 'rain';

export interface Held {
  by: GateName | null;
  /** Something was asked for that day. */
  due: boolean;
  wait: RainWait | null;
}

/** Waterings that rain may spare: what is done for the plants' or the gardener's own sake is not among them. */
const MAY_WAIT: ReadonlySet<Decision['code']> = new Set([
  'refill line',
  'establishing',
  'before closed days',
  'before wind',
  'with this round',
]);

type Gate = (facts: DayFacts, decision: Decision | null, input: PlanBed) => boolean;

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
  // A rule of the garden holds for all; wind and a spared round give way to hand and wilting.
  [
    'shut',
    (f, due) =>
      f.shut === 'closed' ||
      (f.shut !== null && !f.wilting && f.byHand === undefined && due?.code !== 'planting drench'),
  ],
];

/** The gate that holds a bed on a day, rain worth waiting for among them, or none. */
export function gateOf(
  facts: DayFacts,
  decision: Decision | null,
  at: { input: PlanBed; run: PlaceRun; days: readonly SourcedDay[]; d: number },
): Held {
  const due = decision !== null;
  const gate = GATES.find(([, holds]) => holds(facts, decision, at.input));
  if (gate) return { by: gate[0], due, wait: null };
  const wait =
    decision && MAY_WAIT.has(decision.code)
      ? rainWorthWaiting(at.run, at.days, at.d, facts.goneMm, facts.tender)
      : null;
  return { by: wait ? 'rain' : null, due, wait };
}
