import { findingFromStore, type FindingView } from '@kibble/contract';
import type { EntryRow } from '../db/models.ts';
import { bedOf } from '../record/log.ts';

/** What a row that cannot be read was, and why it is set aside. */
export interface SetAside {
  what: string;
  id: number;
  why: string;
}

/** Stored entries as they are shown; what cannot be read is set aside and named, and locks nothing. */
export function entriesToView(rows: readonly EntryRow[], setAside: SetAside[]): FindingView[] {
  return rows.flatMap((row) => {
    const input = findingFromStore(row.kind, row.version, row.body);
    if (input)
      return [
        {
          id: row.id,
          bedId: bedOf(row),
          tapId: row.subjectKind === 'tap' ? row.subjectId : null,
          on: row.on,
          method: (row.method ?? null) as FindingView['method'],
          input,
          note: row.note ?? null,
        },
      ];
    setAside.push({
      what: `a ${row.sort} (${row.kind}) of ${row.on}`,
      id: row.id,
      why: 'its text is not understood',
    });
    return [];
  });
}

/** An entry that was just written or changed. */
export function entryToView(row: EntryRow): FindingView {
  const [view] = entriesToView([row], []);
  if (!view) throw new Error(`entry ${row.id} cannot be read`);
  return view;
}
