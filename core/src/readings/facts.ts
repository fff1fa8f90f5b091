import type { Change, Decision, FindingKind, Observation, Reading } from './entries.ts';
import { READINGS } from './kinds/index.ts';
import type { ReadingFacts } from './reading.ts';

/** The four sorts of entries: each is stored, shown and outlived in its own way. */
export const FINDING_SORTS = ['reading', 'observation', 'decision', 'change'] as const;
export type FindingSort = (typeof FINDING_SORTS)[number];

export interface FindingFacts extends Omit<ReadingFacts, 'about'> {
  sort: FindingSort;
  about: 'ground' | 'water' | 'check' | 'plant' | 'plan';
}

type Short = Pick<FindingFacts, 'label' | 'about' | 'minutes'>;

const OBSERVATIONS: Readonly<Record<Observation['kind'], Short>> = {
  depth: { label: 'Depth reached', about: 'check', minutes: 5 },
  look: { label: 'Look', about: 'check', minutes: 3 },
  stage: { label: 'Stage seen', about: 'plant', minutes: 1 },
  stand: { label: 'Stand', about: 'plant', minutes: 3 },
  up: { label: 'Seedlings up', about: 'plant', minutes: 1 },
  mulch: { label: 'Mulch', about: 'plant', minutes: 1 },
  wilt: { label: 'Wilting', about: 'plant', minutes: 1 },
};

const DECISIONS: Readonly<Record<Decision['kind'], Short>> = {
  toughen: { label: 'Dry spell', about: 'plant', minutes: 1 },
  'own line': { label: 'Own line', about: 'plant', minutes: 1 },
  plan: { label: 'Plan changed', about: 'plan', minutes: 1 },
};

const CHANGES: Readonly<Record<Change['kind'], Short>> = {
  amended: { label: 'Amendment', about: 'ground', minutes: 2 },
  changed: { label: 'Change', about: 'water', minutes: 1 },
};

const sorted = <K extends FindingKind>(
  sort: FindingSort,
  facts: Readonly<Record<K, Omit<FindingFacts, 'sort'>>>,
): Record<K, FindingFacts> =>
  Object.fromEntries(
    Object.entries<Omit<FindingFacts, 'sort'>>(facts).map(([kind, of]) => [kind, { ...of, sort }]),
  ) as Record<K, FindingFacts>;

const readingFacts = Object.fromEntries(
  Object.values(READINGS).map(({ kind, facts }) => [kind, facts]),
) as Record<Reading['kind'], ReadingFacts>;

/** Common practice asks for a new flow each season and a new look at the soil each year or after compost; days are judgements. */
export const FINDING_FACTS: Readonly<Record<FindingKind, FindingFacts>> = {
  ...sorted('reading', readingFacts),
  ...sorted('observation', OBSERVATIONS),
  ...sorted('decision', DECISIONS),
  ...sorted('change', CHANGES),
};

export const isReading = (entry: { kind: FindingKind }): entry is Reading =>
  FINDING_FACTS[entry.kind].sort === 'reading';
