import type { TreeNow } from '@kibble/contract';
import {
  LAYOUT_FACTS,
  RING_FORTNIGHT_MM,
  TRUNK_L_PER_CM,
  type Beneath,
  type CameAs,
  type Ring,
  type SoakBy,
  type TreePhase,
  type TreePlan,
  type TreeSeason,
  type TreeSort,
  type TreeTask,
} from '@kibble/core';
import { minutesText, type Units } from './units.ts';
import { days, dayMonth } from './words.ts';

export const CAME_WORDS: Readonly<Record<CameAs, string>> = {
  'bare-root': 'with bare roots',
  potted: 'in a pot',
  balled: 'with a ball, dug from a field',
  'not known': 'nobody knows',
};
export const BENEATH_WORDS: Readonly<Record<Beneath, string>> = {
  bare: 'bare soil',
  mulch: 'mulch',
  lawn: 'lawn that is watered',
  'lawn, unwatered': 'lawn that gets no water',
  planting: 'other plants',
};
export const PHASE_WORDS: Readonly<Record<TreePhase, string>> = {
  'first weeks': 'in its first weeks',
  'first year': 'in its first year',
  'rooting out': 'still rooting out',
  established: 'established',
};

/** Litres for each unit of trunk, as people measure a trunk. @param lPerCm litres for each centimetre */
export function perTrunk(lPerCm: number, units: Units): string {
  const span = units.of('span');
  const cmAUnit = 100 / span.fromSi(1);
  return `${units.text('volume', lPerCm * cmAUnit)} for each ${span.unit} of trunk`;
}

/** A way of measuring a soak by its name. */
export const soakByWords = (by: SoakBy, units: Units): string =>
  by === 'ground'
    ? 'what its ground lacks'
    : by === 'trunk'
      ? `by its trunk, ${perTrunk(TRUNK_L_PER_CM, units)}`
      : `over its ring, ${units.text('depth', RING_FORTNIGHT_MM)}`;

/** Metres from the trunk, as one figure or two. */
export const ringText = ({ innerM, outerM }: Ring, units: Units): string =>
  innerM < 0.05
    ? `out to ${units.text('length', outerM)}`
    : `${units.number('length', innerM)} to ${units.text('length', outerM)}`;

/** Where a ring lies. */
export const ringWords = (ring: Ring, units: Units, hedge = false): string =>
  ring.innerM < 0.05
    ? `from ${hedge ? 'the stems' : 'the trunk'} ${ringText(ring, units)}`
    : `${ringText(ring, units)} from ${hedge ? 'the middle of the hedge' : 'the trunk'}`;

/** A way of watering by its name, as it lies at this plant. */
export const layoutLabel = ({ laid }: Pick<TreePlan, 'laid'>, sort: TreeSort): string =>
  laid.by === 'soaker ring' && sort === 'hedge' ? 'soaker hose on both sides' : LAYOUT_FACTS[laid.by].label;

/** A line is cut to a hand’s breadth. */
export const tenth = (m: number): number => Math.round(10 * m) / 10;

/** How a soak is given: 6 spots, 40 min each. */
export function layoutWords(plan: TreePlan, count: number, units: Units): string {
  const { laid } = plan;
  const each = count > 1 ? ' at each plant' : '';
  switch (laid.by) {
    case 'bubbler stops':
    case 'trickle':
      return plan.moves > 1
        ? `${plan.moves} spots, ${minutesText(plan.eachMinutes)} at each`
        : `one spot, ${minutesText(plan.eachMinutes)}`;
    case 'buckets':
      return `${laid.pieces} ${laid.pieces === 1 ? 'bucket' : 'buckets'}${each}, empty in ${minutesText(plan.minutes)}`;
    case 'basin':
      return `the basin filled ${laid.pieces === 1 ? 'once' : `${laid.pieces} times`}${each}${laid.holdsL ? `; it holds ${units.text('volume', laid.holdsL)} to its rim` : ''}`;
    case 'soaker ring':
      return `${units.text('length', tenth(laid.lineM * count))} of soaker hose, ${minutesText(plan.minutes)}`;
    case 'tube spiral':
      return `${units.text('length', tenth(laid.lineM * count))} of tube, ${laid.pieces * count} emitters, ${units.text('flow', plan.flowLPerMin)} in all, ${minutesText(plan.minutes)}`;
    case 'emitters':
    case 'micro-sprays':
      return `${laid.pieces} ${LAYOUT_FACTS[laid.by].piece}${each}, ${units.text('flow', plan.flowLPerMin)} in all, ${minutesText(plan.minutes)}`;
  }
}

export const SEASON_WORDS: Readonly<Record<TreeSeason, string>> = {
  'leafing out':
    'Spring: it leafs out from last year’s reserves and drinks for the new growth. Water it first now.',
  'making food': 'Summer: its leaves make the food it lives on. Steady soaks, and none of them shallow.',
  autumn:
    'Autumn: less as the days shorten and leaves go, not nothing: roots and next year’s buds are fed now.',
  bare: 'Bare: it drinks little. It should go into frost with moist soil.',
  'evergreen winter': 'Winter: an evergreen loses water in every wind. Keep its soil moist until it freezes.',
  frozen: 'The ground is frozen: no water until it thaws.',
};

/** A clock in words: days since, as counted, and the day of the limit. */
export function gapWords({ soak }: TreeNow): string {
  if (!soak) return '';
  const since = !soak.onRecord
    ? `No soak is on record yet. Going by how moist its ground was, it counts as ${soak.days === 0 ? 'soaked today' : `soaked ${days(soak.days)} ago`}.`
    : soak.days === 0
      ? 'Soaked today.'
      : `${days(soak.days)} since its last soak.`;
  const counted = Math.round(soak.counted);
  const runs =
    Math.abs(counted - soak.days) < 1
      ? ''
      : counted > soak.days
        ? ` They count as ${counted}, because its last watering was not a full one.`
        : ` They count as ${counted}, because of rain, a part of a watering, or short days.`;
  const ends =
    soak.counted >= soak.gapDays
      ? ` That is past the ${days(soak.gapDays)} it should stand.`
      : soak.limitOn
        ? ` It should not stand past ${dayMonth(soak.limitOn)}.`
        : '';
  return `${since}${runs}${ends}`;
}

/** What a task at a tree says. */
export function treeTaskText(task: TreeTask, units: Units): string {
  switch (task.code) {
    case 'move the water outward':
      return `Move the water outward: it lies ${ringText(task.from, units)} from the trunk, and the roots want it ${ringText(task.to, units)}. That draws them out and steadies the tree.`;
    case 'widen the clearing':
      return `With it goes the circle kept clear of grass: out to ${units.text('length', task.toM)} from the trunk, ${units.text('volume', task.mulchL)} of mulch for each, none against the bark.`;
    case 'icy wind':
      return `Icy wind from ${dayMonth(task.on)}: it dries leaves and young twigs over hard ground. Water while the soil still takes it, and give it a screen.`;
    case 'moist into the frost':
      return 'The ground is about to freeze, and it is dry: one last soak, so that it goes into frost with moist soil.';
    case 'a dry tree by a wall':
      return `A large tree this dry is less stable in wind, and it is close to a ${task.near}: keep away from it in storms.`;
    case 'no feed this summer':
      return 'Water is short: no feed this summer. Feed drives growth that then wants water.';
    case 'it hangs first':
      return 'Its big leaves hang before the others do: look at it at noon. When it does not lift by evening, its neighbours are next.';
    case 'past its gap':
      return `${days(task.days)} without a soak is longer than it should stand.`;
  }
}
export const TREE_TASK_SHORT: Readonly<Record<TreeTask['code'], string>> = {
  'move the water outward': 'Move the water outward',
  'widen the clearing': 'Widen the clearing',
  'icy wind': 'Icy wind',
  'moist into the frost': 'Moist into the frost',
  'a dry tree by a wall': 'Dry, by a wall or path',
  'no feed this summer': 'No feed',
  'it hangs first': 'Look at it at noon',
  'past its gap': 'Past its gap',
};
