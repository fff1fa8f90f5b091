import { SETTING_KINDS, type FindingKind, type SettingKind } from '../readings/entries.ts';
import { FINDING_FACTS } from '../readings/facts.ts';
import type { PotEntryKind } from '../pots/entries.ts';
import type { SubjectKind } from './entry.ts';
import type { EntryKind } from './bodies.ts';

/** What an entry is to whoever reads the log: each sort is stored alike, and is shown, counted and undone in its own way. */
export const ENTRY_SORTS = [
  'reading',
  'observation',
  'decision',
  'change',
  'setting',
  'watering',
  'weather',
  'task',
] as const;
export type EntrySort = (typeof ENTRY_SORTS)[number];

/**
 * What undoing an entry does besides marking it: nothing; or, of what can stand once a day only, bringing one back
 * removes the other; or, of a setting, what it had superseded holds again.
 */
export type UndoRule = 'mark' | 'one a day' | 'setting';

export interface EntryKindFacts {
  /** What the log calls it. */
  label: string;
  sort: EntrySort;
  /** What it can be of. */
  subjects: readonly SubjectKind[];
  undo: UndoRule;
  /** A device that was connected for the round only may enter it. */
  onRound?: true;
}

const SETTING_LABELS: Readonly<Record<SettingKind, string>> = {
  area: 'Area',
  form: 'Form of the bed',
  cover: 'Under cover',
  shade: 'Shade cloth',
  mulched: 'Mulch',
  goal: 'Goal',
  watered: 'Way of watering',
  tap: 'Tap',
  tree: 'Tree and ring',
};

const POT_FACTS: Readonly<Record<PotEntryKind, Pick<EntryKindFacts, 'label' | 'sort'>>> = {
  given: { label: 'Watered', sort: 'watering' },
  left: { label: 'Left', sort: 'watering' },
  weighed: { label: 'Weight', sort: 'reading' },
  heft: { label: 'Heft', sort: 'reading' },
  meter: { label: 'Meter', sort: 'reading' },
  finger: { label: 'Finger', sort: 'reading' },
  seen: { label: 'Seen', sort: 'observation' },
  'dry spell': { label: 'Dry spell', sort: 'decision' },
};

/** What a device for the round may enter of what is found: how the soil looked. */
const FOUND_ON_ROUND: ReadonlySet<FindingKind> = new Set(['look']);
/** What is found at a tap; everything else is found on a bed, or holds for its ground. */
const AT_TAP: ReadonlySet<FindingKind> = new Set(['bucket', 'changed']);

const subjectsOf = (kind: FindingKind, ofGround: boolean): SubjectKind[] =>
  ofGround ? ['ground'] : AT_TAP.has(kind) ? ['bed', 'tap'] : ['bed'];

const mapped = <K extends EntryKind, F>(
  facts: Readonly<Record<K, F>>,
  of: (facts: F, kind: K) => EntryKindFacts,
): Record<K, EntryKindFacts> =>
  Object.fromEntries(Object.entries<F>(facts).map(([kind, one]) => [kind, of(one, kind as K)])) as Record<
    K,
    EntryKindFacts
  >;

/** Every kind of entry there is. A new one is a line here, its schema in the contract and its words on the surface. */
export const ENTRY_KINDS: Readonly<Record<EntryKind, EntryKindFacts>> = {
  watering: { label: 'Watering', sort: 'watering', subjects: ['bed'], undo: 'mark', onRound: true },
  skip: { label: 'Skip', sort: 'watering', subjects: ['bed'], undo: 'mark', onRound: true },
  rain: { label: 'Rain gauge', sort: 'weather', subjects: ['garden'], undo: 'one a day' },
  'manual forecast': { label: 'Weather', sort: 'weather', subjects: ['garden'], undo: 'mark' },
  ph: { label: 'pH', sort: 'reading', subjects: ['garden'], undo: 'mark' },
  'task done': {
    label: 'Task',
    sort: 'task',
    subjects: ['garden', 'bed', 'pot'],
    undo: 'mark',
  },
  vessel: { label: 'Pot and place', sort: 'setting', subjects: ['pot'], undo: 'setting' },
  ...mapped(POT_FACTS, (facts) => ({ ...facts, subjects: ['pot'], undo: 'mark', onRound: true })),
  ...mapped(FINDING_FACTS, ({ label, sort, ofGround }, kind) => ({
    label,
    sort,
    subjects: subjectsOf(kind, ofGround === true),
    undo: 'mark',
    ...(FOUND_ON_ROUND.has(kind) ? { onRound: true } : {}),
  })),
  ...mapped(SETTING_LABELS, (label) => ({ label, sort: 'setting', subjects: ['bed'], undo: 'setting' })),
};

/** Facts of a kind by its name; null for a kind that this Kibble does not know. */
export const kindFacts = (kind: string): EntryKindFacts | null =>
  Object.hasOwn(ENTRY_KINDS, kind) ? ENTRY_KINDS[kind as EntryKind] : null;

export const isSettingKind = (kind: string): kind is SettingKind =>
  (SETTING_KINDS as readonly string[]).includes(kind);
