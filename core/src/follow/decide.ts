import { wettedFractionOf } from '../delivery/runPlan.ts';
import { leaf, worked, type Working } from '../working/types.ts';
import { explainGoneOf, explainLineOf, explainSpare, explainWaiting, type Grounds } from './because.ts';
import type { DayFacts } from './dayFacts.ts';
import type { PlanBed, WaterReason, Waiting } from './types.ts';

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

/** What fills the root zone. */
const refillMm = ({ goneMm }: DayFacts): number => Math.max(LEAST_RUN_MM, goneMm);

const filling =
  (formula: string, more: (grounds: Grounds) => Working[]) =>
  (grounds: Grounds): Working =>
    worked('Depth to fill the root zone', refillMm(grounds.facts), 'mm', formula, [
      explainGoneOf(grounds),
      ...more(grounds),
    ]);

/** Fills the root zone of the depth that is counted on, less the rain that is likely before the next round. */
const forGrowth = (facts: DayFacts, code: 'growth' | 'floor'): Decision | null => {
  const localMm = facts.goneMm - facts.rainByThenMm;
  if (localMm < facts.leastMm) return null;
  return {
    code,
    localMm,
    because: (grounds) =>
      worked(
        'Depth to fill the root zone',
        localMm,
        'mm',
        'what is gone this morning − rain that is likely before the next round',
        [
          explainGoneOf(grounds),
          leaf('Rain by then', facts.rainByThenMm, 'mm', { kind: 'worked out' }),
          explainSpare(grounds),
          ...(facts.waiting ? [explainWaiting(facts.waiting)] : []),
        ],
      ),
  };
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
            leaf('Share that gets wet', wettedFractionOf(input.delivery), 'share', { kind: 'worked out' }),
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
  {
    when: (f) => f.soaks && f.goneMm >= f.leastMm,
    says: (f) => ({
      code: 'after the dry spell',
      localMm: refillMm(f),
      because: filling('what is gone this morning: the dry spell is over, and a soak follows it', () => []),
    }),
  },
  { when: (f) => !f.asked, says: () => null },
  {
    when: (f) => f.school.line === 'growth',
    says: (f) => (f.waiting?.due ? forGrowth(f, f.waiting.due) : null),
  },
  { when: (f) => f.goneMm < f.leastMm || f.evening.depletionMm <= f.lineMm, says: () => null },
  {
    when: () => true,
    says: (f) => ({
      code: 'refill line',
      localMm: refillMm(f),
      because: filling('what is gone this morning: it would pass its line today', (grounds) => [
        explainLineOf(grounds),
      ]),
    }),
  },
];

/** What a day's facts ask for; null when nothing. */
export function decide(facts: DayFacts, input: PlanBed): Decision | null {
  const rule = WATER_RULES.find(({ when }) => when(facts, input));
  return rule?.says(facts, input) ?? null;
}

/** Why a bed has enough: what is gone, against what it can spare, and what waiting would cost. */
export const becauseEnough = (grounds: Grounds, daysInHand: number, waiting: Waiting | null): Working =>
  worked('Days in hand', daysInHand, 'd', 'days until its next watering, as planned', [
    explainGoneOf(grounds),
    explainSpare(grounds),
    ...(waiting ? [explainWaiting(waiting)] : []),
  ]);
