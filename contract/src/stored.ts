import {
  FELT,
  FINDING_FACTS,
  FOUND,
  GIVEN_HOW,
  HEATS,
  isSettingKind,
  METERS,
  RAINS,
  SIGNS,
  SKIES,
  WINDS,
  type EntryBody,
  type EntryKind,
  type Finding,
  type Setting,
  type SettingKind,
} from '@kibble/core';
import { holds, isFlag, isNumber, isOneOf, isText, maybe, type Fits } from './shape.ts';

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
const UPCASTS: Readonly<Partial<Record<EntryKind, readonly Upcast[]>>> = {
  // Until 007 what was done to the plan had to be guessed from which fields were there.
  plan: [(old) => ({ ...old, what: planWhat(old) })],
};

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

/** What a stored setting must be to be read at all; wider than what may be entered. */
const SETTING_FITS: { readonly [K in SettingKind]: Fits } = {
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

/** What the other entries must be to be read at all. */
const BODY_FITS: {
  readonly [K in Exclude<EntryKind, SettingKind | Finding['kind']>]: Readonly<Record<string, Fits>>;
} = {
  watering: {
    litres: maybe(isNumber),
    minutes: maybe(isNumber),
    depthMm: maybe(isNumber),
    asPlanned: maybe(isFlag),
    reason: maybe(isText),
  },
  skip: { reason: maybe(isText) },
  rain: { rainMm: isNumber },
  'manual forecast': {
    forecast: (value) =>
      value === null ||
      holds(value, {
        heat: maybe(isOneOf(HEATS)),
        sky: maybe(isOneOf(SKIES)),
        rain: maybe(isOneOf(RAINS)),
        wind: maybe(isOneOf(WINDS)),
        tMinC: maybe(isNumber),
        tMaxC: maybe(isNumber),
      }),
  },
  ph: { ph: isNumber, of: isOneOf(['tap', 'rain', 'batch']) },
  'task done': {
    key: maybe(isText),
    code: maybe(isText),
    act: maybe(isText),
    from: maybe(isText),
    until: maybe(isText),
    badness: maybe(isNumber),
  },
  vessel: {
    facts: (value) => typeof value === 'object' && value !== null,
    spot: isText,
    rootsFound: maybe(isText),
  },
  given: { millilitres: isNumber, how: isOneOf(GIVEN_HOW) },
  weighed: { kg: isNumber, full: maybe(isFlag) },
  heft: { felt: isOneOf(FELT), by: isOneOf(['hand', 'foot']) },
  meter: { pct: isNumber, meter: isOneOf(METERS) },
  finger: { found: isOneOf(FOUND) },
  seen: { sign: isOneOf(SIGNS) },
  'dry spell': { what: isText, days: isNumber },
  left: {},
};

/** Whether a body as it was stored is one of its kind. */
function fits(kind: string, body: Json): boolean {
  if (isSettingKind(kind)) return SETTING_FITS[kind](body.value);
  if (body.kind !== kind) return false;
  if (Object.hasOwn(FINDING_FACTS, kind)) return true;
  return Object.hasOwn(BODY_FITS, kind) && holds(body, BODY_FITS[kind as keyof typeof BODY_FITS]);
}

/**
 * What an entry says, as it lies in the file; null when it is not understood, or was written by a newer Kibble.
 * @param version the format in which it was stored
 */
export function bodyFromStore(kind: string, version: number, text: string): EntryBody | null {
  const body = read(kind, version, text);
  if (!body || !fits(kind, body)) return null;
  return (isSettingKind(kind) ? { kind, value: body.value } : body) as EntryBody;
}

/** The same of what was found on a bed or at a tap. */
export function findingFromStore(kind: string, version: number, text: string): Finding | null {
  return Object.hasOwn(FINDING_FACTS, kind) ? (bodyFromStore(kind, version, text) as Finding | null) : null;
}

/** The same of what a bed has been since a day. */
export function settingFromStore(kind: string, version: number, text: string): Setting | null {
  return isSettingKind(kind) ? (bodyFromStore(kind, version, text) as Setting | null) : null;
}

/** What an entry says, as it is stored today. */
export function bodyToStore(entry: EntryBody): { kind: EntryKind; version: number; body: string } {
  const { kind } = entry;
  const stored = isSettingKind(kind) ? { value: (entry as Setting).value } : entry;
  return { kind, version: storedVersion(kind), body: JSON.stringify(stored) };
}
