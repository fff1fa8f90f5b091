import type { IsoDate } from '../units/dates.ts';

/** How a value is known. A value with inputs is worked out from them. */
export type Provenance =
  | { kind: 'worked out' }
  | { kind: 'measured'; on?: IsoDate }
  | { kind: 'told' }
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

/** A value that is simply known, and how. */
export const leaf = (label: string, value: number, unit: string, provenance: Provenance): Working => ({
  label,
  value,
  unit,
  inputs: [],
  provenance,
});

/** Every leaf of a tree, left to right. */
export function leaves(working: Working): Working[] {
  return working.inputs.length === 0 ? [working] : working.inputs.flatMap(leaves);
}
