import type { IsoDate } from '../units/dates.ts';
import type { Tellable } from './tellable.ts';

/** Why a reading should be made again. */
export type StaleReason = 'old' | 'ground amended since' | 'nozzle, pressure or line changed since';

/** How a value is known. A value with inputs is worked out from them. */
export type Provenance =
  | { kind: 'worked out' }
  | { kind: 'measured'; on?: IsoDate; stale?: StaleReason }
  | { kind: 'told'; on?: IsoDate }
  | { kind: 'table'; name: string }
  | { kind: 'assumed'; why: string };

/** A number with its working: every one can be opened until only leaves are left. */
export interface Working {
  label: string;
  value: number;
  unit: string;
  /** In words a gardener can follow; absent on a leaf. */
  formula?: string;
  inputs: Working[];
  provenance: Provenance;
  /** The gardener may put another figure in its place. */
  tell?: Tellable;
  /** Which of a place's numbers it is: the rooms open a tree at one of its branches by this name. */
  of?: string;
}

/** A value worked out from others. */
export const worked = (
  label: string,
  value: number,
  unit: string,
  formula: string,
  inputs: Working[],
): Working => ({
  label,
  value,
  unit,
  formula,
  inputs,
  provenance: { kind: 'worked out' },
});

/** A value that is simply known, and how; `tell` names it when the gardener may put another in its place. */
export const leaf = (
  label: string,
  value: number,
  unit: string,
  provenance: Provenance,
  tell?: Tellable,
): Working => ({ label, value, unit, inputs: [], provenance, tell });

/** A value under the name by which the rooms open it. */
export const named = (of: string, working: Working): Working => ({ ...working, of });

/** The first branch of a tree by that name, or null. */
export function findWorking(working: Working, of: string): Working | null {
  if (working.of === of) return working;
  for (const input of working.inputs) {
    const found = findWorking(input, of);
    if (found) return found;
  }
  return null;
}

/** Every leaf of a tree, left to right. */
export function leaves(working: Working): Working[] {
  return working.inputs.length === 0 ? [working] : working.inputs.flatMap(leaves);
}

/** A total with its parts as the working. */
export const summed = (
  label: string,
  unit: string,
  parts: readonly { label: string; value: number }[],
): Working =>
  worked(
    label,
    parts.reduce((sum, part) => sum + part.value, 0),
    unit,
    'added up',
    parts.map((part) => leaf(part.label, part.value, unit, { kind: 'worked out' })),
  );
