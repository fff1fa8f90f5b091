import { wettedFractionOf } from '../delivery/runPlan.ts';
import { leaf, worked, type Working } from '../working/types.ts';
import { explainGoneOf, explainLineOf, explainSpare, type Grounds } from './because.ts';
import type { DayFacts } from './dayFacts.ts';
import type { Shut } from './shut.ts';
import type { PlanBed, WaterReason } from './types.ts';

/** Water given on the day of planting out, mm, however moist the ground: it settles soil round the roots. Common practice; the depth is a judgement. */
const DRENCH_MM = 12;
/** Less than this no run is made for, mm: what a hand would not carry. */
const LEAST_RUN_MM = 0.5;

/** A watering decided on: by which rule, how deep on the watered ground, mm, and the working of that depth. */
export interface Decision {
  code: WaterReason['code'];
  localMm: number;
  because: (grounds: Grounds) => Working;
}

/** A rule of watering: when it speaks, and what it then says; null says that nothing is given. */
export interface WaterRule {
  when: (facts: DayFacts, input: PlanBed) => boolean;
  says: (facts: DayFacts, input: PlanBed) => Decision | null;
}

/** What fills the root zone, or the share of it that the way of watering gives back. */
const refillMm = ({ school, goneMm }: DayFacts): number => Math.max(LEAST_RUN_MM, school.refill * goneMm);

const filling =
  (formula: string, more: (grounds: Grounds) => Working[]) =>
  (grounds: Grounds): Working =>
    worked('Depth to fill the root zone', refillMm(grounds.facts), 'mm', formula, [
      explainGoneOf(grounds),
      ...more(grounds),
    ]);

const atLine =
  (code: WaterReason['code'], formula: string) =>
  (facts: DayFacts): Decision => ({
    code,
    localMm: refillMm(facts),
    because: filling(formula, (grounds) => [explainLineOf(grounds)]),
  });

/** A watering made before days on which there can be none. */
const BEFORE: Readonly<Record<Shut, { code: WaterReason['code']; words: string }>> = {
  closed: { code: 'before closed days', words: 'before the days on which it may not be watered are over' },
  windy: { code: 'before wind', words: 'before the wind has passed' },
  spared: { code: 'with this round', words: 'before the next round' },
  'put off': { code: 'refill line', words: 'before its next day' },
};

/** An amount set by hand, or what is gone on the day it was moved to. */
const setByHand =
  (code: WaterReason['code'], words: string) =>
  (facts: DayFacts): Decision => ({
    code,
    localMm: facts.byHand?.localMm ?? refillMm(facts),
    because:
      facts.byHand?.localMm === undefined
        ? filling(words, () => [])
        : (grounds) => {
            const { localMm = 0, litres } = facts.byHand ?? {};
            return worked(
              'Depth where it falls',
              localMm,
              'mm',
              'set by hand: litres × share that reaches the soil ÷ the area that gets wet',
              [
                litres === undefined
                  ? leaf('Set by hand', localMm, 'mm', { kind: 'told' })
                  : leaf('Set by hand', litres, 'L', { kind: 'told' }),
                explainGoneOf(grounds),
              ],
            );
          },
  });

/** The rules in the order in which they speak; the first that does decides. */
export const WATER_RULES: readonly WaterRule[] = [
  {
    when: (f) => f.wilting && !f.stopped,
    says: setByHand('wilting', 'what is gone this morning: the plants hang, so no line is waited for'),
  },
  {
    when: (f) => f.byHand !== undefined,
    says: setByHand('set by hand', 'what is gone this morning: moved to this day by hand'),
  },
  { when: (f) => f.stopped, says: () => null },
  {
    when: (f) => f.weekly.mm > 0,
    says: (f, input) => ({
      code: 'fixed week',
      localMm: f.weekly.mm / wettedFractionOf(input.delivery),
      because: () =>
        worked(
          'Depth where it falls',
          f.weekly.mm / wettedFractionOf(input.delivery),
          'mm',
          'the flat rule’s depth − the week’s rain, on the share that gets wet; what the soil holds is not asked',
          [
            leaf('The flat rule gives', f.school.rhythm?.mm ?? 0, 'mm', {
              kind: 'assumed',
              why: 'common practice: an inch a week',
            }),
            leaf('Rain of the week', f.weekly.rainMm, 'mm', { kind: 'worked out' }),
            leaf('Share that gets wet', wettedFractionOf(input.delivery), '', { kind: 'worked out' }),
          ],
        ),
    }),
  },
  {
    when: (f) => f.plantedOut,
    says: (f) => ({
      code: 'planting drench',
      localMm: Math.max(f.goneMm, DRENCH_MM),
      because: (grounds) =>
        worked(
          'Depth where it falls',
          Math.max(f.goneMm, DRENCH_MM),
          'mm',
          'the larger of what is gone and what settles the soil round new roots',
          [
            explainGoneOf(grounds),
            leaf('Settles the soil', DRENCH_MM, 'mm', {
              kind: 'assumed',
              why: 'common practice; the depth is a judgement',
            }),
          ],
        ),
    }),
  },
  { when: (f) => f.goneMm < f.school.leastMm || !f.due, says: () => null },
  {
    when: (f) => f.evening.depletionMm <= f.lineMm,
    says: (f) => {
      const { code, words } = BEFORE[f.ahead.why];
      return {
        code,
        localMm: refillMm(f),
        because: filling(`what is gone this morning: it would pass its line ${words}`, (grounds) => [
          leaf('Gone by then', f.ahead.goneMm, 'mm', { kind: 'worked out' }),
          explainLineOf(grounds),
        ]),
      };
    },
  },
  {
    when: (f) => f.young,
    says: atLine('establishing', 'what is gone this morning: new roots, and it would pass its line today'),
  },
  {
    when: () => true,
    says: atLine('refill line', 'what is gone this morning: it would pass its line today'),
  },
];

/** What a day's facts ask for; null when nothing. */
export function decide(facts: DayFacts, input: PlanBed): Decision | null {
  const rule = WATER_RULES.find(({ when }) => when(facts, input));
  return rule?.says(facts, input) ?? null;
}

/** Why a bed has enough: what is gone, against what it can spare. */
export const becauseEnough = (grounds: Grounds, daysInHand: number): Working =>
  worked('Days in hand', daysInHand, 'd', 'days until its next watering: less is gone than it can spare', [
    explainGoneOf(grounds),
    explainSpare(grounds),
  ]);
