import { FINDING_FACTS, FINDING_SORTS, SETTING_KINDS, type Finding, type Setting } from '@kibble/core';

/**
 * What was stored is read by rules of its own, tolerant and versioned, never by those of entering it: what could be
 * entered once can be read for ever.
 */

type Json = Record<string, unknown>;
type Upcast = (old: Json) => Json;

/** What a change of the plan by hand is, read from what it holds. */
export function planWhat({ date, to, litres }: { date?: unknown; to?: unknown; litres?: unknown }) {
  if (to !== undefined && to !== date) return 'move' as const;
  return to === undefined && litres === undefined ? ('leave out' as const) : ('resize' as const);
}

/** From each version of a kind's stored text to the next, version 1 first. What a kind is stored as today is the version after its last. */
const UPCASTS: Readonly<Partial<Record<Finding['kind'] | Setting['kind'], readonly Upcast[]>>> = {
  // Until 007 what was done to the plan had to be guessed from which fields were there.
  plan: [(old) => ({ ...old, what: planWhat(old) })],
};

export const FINDING_SORTS_STORED = [...FINDING_SORTS, 'setting'] as const;

/** The version in which a kind is stored today. */
export const storedVersion = (kind: string): number => 1 + (upcastsOf(kind)?.length ?? 0);

const upcastsOf = (kind: string): readonly Upcast[] | undefined =>
  Object.hasOwn(UPCASTS, kind) ? UPCASTS[kind as keyof typeof UPCASTS] : undefined;

/** A stored text as the object of today; null when it is not understood, or was written by a newer Kibble. */
function read(kind: string, version: number, text: string): Json | null {
  const newest = storedVersion(kind);
  if (!(version >= 1 && version <= newest)) return null;
  try {
    const value = JSON.parse(text) as unknown;
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return null;
    return (upcastsOf(kind) ?? []).slice(version - 1).reduce<Json>((old, up) => up(old), value as Json);
  } catch {
    return null;
  }
}

/** A stored reading, observation, decision or change; null when it is not understood. */
export function entryFromStore(kind: string, version: number, text: string): Finding | null {
  const value = read(kind, version, text);
  return value && Object.hasOwn(FINDING_FACTS, kind) && value.kind === kind
    ? (value as unknown as Finding)
    : null;
}

const SETTINGS: ReadonlySet<string> = new Set(SETTING_KINDS);

const isText = (value: unknown): boolean => typeof value === 'string';
const isNumber = (value: unknown): boolean => typeof value === 'number' && Number.isFinite(value);
const isFlag = (value: unknown): boolean => typeof value === 'boolean';
const holds = (value: unknown, fields: Readonly<Record<string, (v: unknown) => boolean>>): boolean =>
  typeof value === 'object' &&
  value !== null &&
  Object.entries(fields).every(([name, fits]) => fits((value as Json)[name]));

/** What a stored setting must be to be read at all; wider than what may be entered. */
const FITS: { readonly [K in Setting['kind']]: (value: unknown) => boolean } = {
  area: isNumber,
  form: isText,
  cover: isFlag,
  shade: isFlag,
  mulched: (value) => value === null || holds(value, { material: isText, depthMm: isNumber }),
  goal: isText,
  watered: (value) => holds(value, { method: isText, litresPerMinute: isNumber, measured: isFlag }),
  tap: (value) => value === null || isNumber(value),
  tree: (value) =>
    value === null ||
    holds(value, {
      sort: isText,
      count: isNumber,
      canopyM: isNumber,
      depthMm: isNumber,
      part: isNumber,
      ring: (ring) => holds(ring, { innerM: isNumber, outerM: isNumber }),
      layout: (layout) => holds(layout, { by: isText }),
    }),
};

/** A stored setting; null when it is not understood. */
export function settingFromStore(kind: string, version: number, text: string): Setting | null {
  const value = read(kind, version, text);
  if (!value || !SETTINGS.has(kind) || !FITS[kind as Setting['kind']](value.value)) return null;
  return { kind, value: value.value } as Setting;
}

/** An entry or setting as it is stored today. */
export const toStore = (entry: Finding | Setting): { version: number; input: string } => {
  const { kind } = entry;
  const stored =
    SETTINGS.has(kind) && 'value' in entry && !Object.hasOwn(FINDING_FACTS, kind)
      ? { value: entry.value }
      : entry;
  return { version: storedVersion(kind), input: JSON.stringify(stored) };
};
