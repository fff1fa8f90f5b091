import type { FindingView } from '@kibble/contract';
import { FINDING_FACTS, type FindingInput } from '@kibble/core';
import type { FindingRow } from '../db/models.ts';

/** What a row that cannot be read was, and why it is set aside. */
export interface SetAside {
  what: string;
  id: number;
  why: string;
}

/** A stored reading as it was written, whatever may be entered today; null when it cannot be understood at all. */
function storedInput(text: string): FindingInput | null {
  try {
    const value = JSON.parse(text) as { kind?: unknown } | null;
    return typeof value?.kind === 'string' && value.kind in FINDING_FACTS ? (value as FindingInput) : null;
  } catch {
    return null;
  }
}

const viewOf = (row: FindingRow, input: FindingInput): FindingView => ({
  id: row.id,
  bedId: row.bedId,
  tapId: row.tapId,
  on: row.date,
  method: row.method as FindingView['method'],
  input,
  note: row.note,
});

/** A finding that was just written or changed. */
export function findingToView(row: FindingRow): FindingView {
  const input = storedInput(row.input);
  if (!input) throw new Error(`finding ${row.id} cannot be read`);
  return viewOf(row, input);
}

/** Stored findings as they are shown; what cannot be read is set aside and named, and locks nothing. */
export function findingsToView(rows: readonly FindingRow[], setAside: SetAside[]): FindingView[] {
  return rows.flatMap((row) => {
    const input = storedInput(row.input);
    if (input) return [viewOf(row, input)];
    setAside.push({
      what: `a reading (${row.kind}) of ${row.date}`,
      id: row.id,
      why: 'its text is not understood',
    });
    return [];
  });
}
