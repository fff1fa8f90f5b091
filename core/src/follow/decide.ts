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
const refillMm = ({ depletionMm }: DayFacts): number => Math.max(LEAST_RUN_MM, depletionMm);

const filling =
  (formula: string, more: (grounds: Grounds) => Working[]) =>
  (grounds: Grounds): Working =>
    worked('Depth to fill the root zone', refillMm(grounds.facts), 'mm', formula, [
      explainGoneOf(grounds),
      ...more(grounds),
    ]);

/** Fills the root zone of the depth that is counted on, less the rain that is likely before the next round. */
const forGrowth = (facts: DayFacts, code: 'growth' | 'floor', input: PlanBed): Decision | null => {
  const { shallow } = facts;
  const goneMm = Math.min(facts.depletionMm, shallow?.lacksMm ?? facts.depletionMm);
  const localMm = goneMm - facts.rainByThenMm;
  if (localMm < facts.leastMm) return null;
  if (input.setMm !== undefined) return setDose(code, input.setMm, localMm);
  if (facts.rhythm?.between) return inRhythm(code, localMm, facts.rhythm.between);
  return {
    code,
    localMm,
    because: (grounds) =>
      worked(
        'Depth to fill the root zone',
        localMm,
        'mm',
        shallow
          ? 'what is gone above the depth to which the roots of grass draw up in a drought − rain that is likely before the next round'
          : 'what is gone this morning − rain that is likely before the next round',
        [
          explainGoneOf(grounds),
          ...(shallow
            ? [leaf('Gone above its drought roots', shallow.lacksMm, 'mm', { kind: 'worked out' })]
            : []),
          leaf('Rain by then', facts.rainByThenMm, 'mm', { kind: 'worked out' }),
          explainSpare(grounds),
          ...(facts.waiting ? [explainWaiting(facts.waiting)] : []),
        ],
      ),
  };
};

/** A set dose in the place of what is gone: its working says so, and what the ground lacks besides. */
const setDose = (code: WaterReason['code'], localMm: number, lacksMm: number): Decision => ({
  code,
  localMm,
  because: (grounds) =>
    worked(
      'Depth where it falls',
      localMm,
      'mm',
      'the set volume for each plant, on the ground that gets wet',
      [
        leaf('Set volume, as a depth', localMm, 'mm', { kind: 'told' }),
        leaf('Its ground would take', lacksMm, 'mm', { kind: 'worked out' }),
        explainGoneOf(grounds),
      ],
    ),
});

/** What a young tree lacks, within what guides give one of its trunk. */
const inRhythm = (
  code: WaterReason['code'],
  lacksMm: number,
  { leastMm, mostMm }: { leastMm: number; mostMm: number },
): Decision => {
  const localMm = Math.min(mostMm, Math.max(leastMm, lacksMm));
  const guide = (label: string, mm: number): Working =>
    leaf(label, mm, 'mm', {
      kind: 'assumed',
      why: 'published guides for young trees: from 1.5 to 7.5 L for each cm of trunk',
    });
  return {
    code,
    localMm,
    because: (grounds) =>
      worked(
        'Depth where it falls',
        localMm,
        'mm',
        'what its root ball and the ground round it lack, but no less and no more than guides give a tree with such a trunk',
        [
          leaf('It lacks', lacksMm, 'mm', { kind: 'worked out' }),
          explainGoneOf(grounds),
          guide('The least that guides give, as a depth', leastMm),
          guide('The most that guides give, as a depth', mostMm),
        ],
      ),
  };
};

/** Fills the balls of what was planted out; the ground round them is filled on its own round. */
const forPlugs = ({ ballMm }: DayFacts): Decision => ({
  code: 'plug',
  localMm: Math.max(LEAST_ON_TOP_MM, ballMm),
  because: () =>
    worked(
      'Depth where it falls',
      Math.max(LEAST_ON_TOP_MM, ballMm),
      'mm',
      'the water missing from the root balls of the young plants, which dry out before the soil around them',
      [leaf('Missing from a root ball, as a depth over it', ballMm, 'mm', { kind: 'worked out' })],
    ),
});

/** Seed is kept moist until it is up: where the top 50 mm would be so far from field capacity to wilting point by evening, it is watered that morning. Judgement. */
export const TOP_MAY_DRY = 0.95;
/** A top that lacks less has no room for a watering, mm. Judgement. */
const NO_ROOM_MM = 1;
/** Sown into ground as moist as this on top, it needs no more water that day. Judgement. */
const SOWN_MOIST = 0.15;
/** Least that is worth sprinkling on a seedbed or a plug, mm. Judgement. */
const LEAST_ON_TOP_MM = 3;
const wantsTop = ({ germinating, sownToday, topDryShare, topLacksMm, evening }: DayFacts): boolean =>
  germinating &&
  topLacksMm >= NO_ROOM_MM &&
  (evening.topDryShare > TOP_MAY_DRY ||
    (sownToday && topDryShare > SOWN_MOIST && evening.topDryShare > SOWN_MOIST));
const forSeed = (facts: DayFacts): Decision => {
  const localMm = Math.max(LEAST_ON_TOP_MM, facts.topLacksMm);
  return {
    code: 'seedbed',
    localMm,
    because: () =>
      worked(
        'Depth where it falls',
        localMm,
        'mm',
        'the water missing from the top 100 mm, the only place from which seed can drink before it comes up',
        [
          leaf('Missing from the top 100 mm', facts.topLacksMm, 'mm', { kind: 'worked out' }),
          leaf('Of the top 50 mm, dry by evening', facts.evening.topDryShare, 'share', {
            kind: 'worked out',
          }),
        ],
      ),
  };
};

/**
 * Fills what is gone, or the ball, less the rain that is likely before the next round; at the end of a gap no rain is waited
 * for, and a ball never waits. Wet ground gets nothing.
 */
function forced(facts: DayFacts, input: PlanBed): Decision | null {
  const { soak } = facts;
  const code = facts.forced;
  if (code === 'plug') return forPlugs(facts);
  if (!soak || !code) return null;
  const rainMm = code === 'ball' || soak.counted >= soak.gapDays - 1 ? 0 : facts.rainByThenMm;
  const wantedMm = (code === 'ball' ? Math.max(facts.depletionMm, facts.ballMm) : facts.depletionMm) - rainMm;
  const between = facts.rhythm?.between;
  if (wantedMm < (between ? NO_ROOM_MM : facts.leastMm)) return null;
  if (input.setMm !== undefined) return setDose(code, input.setMm, wantedMm);
  if (between) return inRhythm(code, wantedMm, between);
  const localMm = wantedMm;
  const told = (label: string, value: number, unit: 'd' | 'share'): Working =>
    leaf(label, value, unit, { kind: 'worked out' });
  return {
    code,
    localMm,
    because: (grounds) =>
      worked(
        'Depth to fill the root zone',
        localMm,
        'mm',
        code === 'gap'
          ? 'what is gone this morning − likely rain: its longest gap would be passed before the next round'
          : 'what its root ball lacks: the ball dries before the ground round it, and waits for no rain',
        [
          explainGoneOf(grounds),
          told('Days since its last soak', soak.days, 'd'),
          told('as parts of soaks and short days count them', soak.counted, 'd'),
          leaf('It is to stand at most', soak.gapDays, 'd', {
            kind: 'assumed',
            why: 'common practice: 7 days fine, 14 better, 21 the limit; less in its first years',
          }),
          ...(soak.ballGone === null ? [] : [told('Gone from its ball', soak.ballGone, 'share')]),
          leaf('Rain by then', rainMm, 'mm', { kind: 'worked out' }),
        ],
      ),
  };
}

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

/** What a rule by the calendar gives where it falls: the flat week's depth is over the whole bed, a tree's over its ring. */
const rhythmMm = ({ weekly, school }: DayFacts, { delivery }: PlanBed): number =>
  school.rhythm?.onRing ? weekly.mm : weekly.mm / wettedFractionOf(delivery);

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
      localMm: rhythmMm(f, input),
      because: () =>
        worked(
          'Depth where it falls',
          rhythmMm(f, input),
          'mm',
          'the flat rule’s depth − the week’s rain, on the share that gets wet; what the soil holds is not asked',
          [
            leaf('The flat rule gives', f.school.rhythm?.mm ?? 0, 'mm', {
              kind: 'assumed',
              why: f.school.rhythm?.onRing
                ? 'common practice: 50 mm a fortnight, or 75 mm a month'
                : 'common practice: an inch a week',
            }),
            leaf(f.school.rhythm?.onRing ? 'Rain since' : 'Rain of the week', f.weekly.rainMm, 'mm', {
              kind: 'worked out',
            }),
            leaf('Share that gets wet', wettedFractionOf(input.delivery), 'share', { kind: 'worked out' }),
          ],
        ),
    }),
  },
  {
    when: (f) => f.plantedOut,
    says: (f) => ({
      code: 'planting drench',
      localMm: Math.max(f.depletionMm, DRENCH_MM),
      because: (grounds) =>
        worked(
          'Depth where it falls',
          Math.max(f.depletionMm, DRENCH_MM),
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
  { when: wantsTop, says: forSeed },
  {
    when: (f) => f.soaks && f.depletionMm >= f.leastMm,
    says: (f) => ({
      code: 'after the dry spell',
      localMm: refillMm(f),
      because: filling('what is gone this morning: the dry spell is over, and a soak follows it', () => []),
    }),
  },
  {
    // The longest gap and the ball only force a watering; a rule by the calendar was chosen knowing that it passes them.
    when: (f) => f.forced !== null && f.school.rhythm === undefined,
    says: (f, input) => forced(f, input),
  },
  // A young tree that was watered so lately gets nothing yet, whatever the ground round it could take.
  { when: (f) => f.rhythm?.tooSoon === true, says: () => null },
  {
    when: (f) => f.shared && f.depletionMm >= f.leastMm,
    says: (f, input) => forGrowth({ ...f, rainByThenMm: 0 }, f.waiting?.due ?? 'growth', input),
  },
  { when: (f) => !f.asked, says: () => null },
  {
    when: (f) => f.school.line === 'growth',
    says: (f, input) => (f.waiting?.due ? forGrowth(f, f.waiting.due, input) : null),
  },
  // Succulents live on what their bodies store, and their ground stands dry for days between two soaks.
  { when: (f) => f.staysDry, says: () => null },
  { when: (f) => f.depletionMm < f.leastMm || f.evening.depletionMm <= f.lineMm, says: () => null },
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
