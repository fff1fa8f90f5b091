import type { Tellable } from '../checks/findings.ts';
import type { StaleReason } from '../checks/staleness.ts';
import type { IsoDate } from '../units/dates.ts';

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

/** The first node of a tree with this label, or null. */
export function findWorking(working: Working, label: string): Working | null {
  if (working.label === label) return working;
  for (const input of working.inputs) {
    const found = findWorking(input, label);
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
