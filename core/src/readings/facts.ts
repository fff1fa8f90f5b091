import type { Change, Decision, EntryKind, Observation, Reading } from './entries.ts';
import { READINGS } from './kinds/index.ts';
import type { ReadingFacts } from './reading.ts';

/** The four sorts of entries: each is stored, shown and outlived in its own way. */
export const ENTRY_SORTS = ['reading', 'observation', 'decision', 'change'] as const;
export type EntrySort = (typeof ENTRY_SORTS)[number];

export interface EntryFacts extends Omit<ReadingFacts, 'about'> {
  sort: EntrySort;
  about: 'ground' | 'water' | 'check' | 'plant' | 'plan';
}

type Short = Pick<EntryFacts, 'label' | 'about' | 'minutes'>;

const OBSERVATIONS: Readonly<Record<Observation['kind'], Short>> = {
  depth: { label: 'Depth reached', about: 'check', minutes: 5 },
  look: { label: 'Look', about: 'check', minutes: 3 },
  stage: { label: 'Stage seen', about: 'plant', minutes: 1 },
  stand: { label: 'Stand', about: 'plant', minutes: 3 },
  mulch: { label: 'Mulch', about: 'plant', minutes: 1 },
  wilt: { label: 'Wilting', about: 'plant', minutes: 1 },
};

const DECISIONS: Readonly<Record<Decision['kind'], Short>> = {
  toughen: { label: 'Dry spell', about: 'plant', minutes: 1 },
  plan: { label: 'Plan changed', about: 'plan', minutes: 1 },
};

const CHANGES: Readonly<Record<Change['kind'], Short>> = {
  amended: { label: 'Amendment', about: 'ground', minutes: 2 },
  changed: { label: 'Change', about: 'water', minutes: 1 },
};

const sorted = <K extends EntryKind>(
  sort: EntrySort,
  facts: Readonly<Record<K, Omit<EntryFacts, 'sort'>>>,
): Record<K, EntryFacts> =>
  Object.fromEntries(
    Object.entries<Omit<EntryFacts, 'sort'>>(facts).map(([kind, of]) => [kind, { ...of, sort }]),
  ) as Record<K, EntryFacts>;

const readingFacts = Object.fromEntries(
  Object.values(READINGS).map(({ kind, facts }) => [kind, facts]),
) as Record<Reading['kind'], ReadingFacts>;

/** Common practice asks for a new flow each season and a new look at the soil each year or after compost; days are judgements. */
export const ENTRY_FACTS: Readonly<Record<EntryKind, EntryFacts>> = {
  ...sorted('reading', readingFacts),
  ...sorted('observation', OBSERVATIONS),
  ...sorted('decision', DECISIONS),
  ...sorted('change', CHANGES),
};

export const isReading = (entry: { kind: EntryKind }): entry is Reading =>
  ENTRY_FACTS[entry.kind].sort === 'reading';
