import { bodyToStore } from '@kibble/contract';
import { kindFacts, type EntryBody, type EntrySource, type Subject } from '@kibble/core';
import type { CreationAttributes } from 'sequelize';
import { EntryRow } from '../db/models.ts';

/** An entry about to be made. */
export interface NewEntry {
  gardenId: number;
  subject: Subject;
  body: EntryBody;
  /** Local day at the garden, and the hour of it where that matters. */
  on: string;
  hour?: number | null;
  at: Date;
  note?: string | null;
  /** Of a reading of a ground or a tap: the bed on which it was made. */
  bedId?: number | null;
  /** How the bed was watered then. */
  method?: string | null;
  source?: EntrySource;
}

/** An entry as a row of the log. */
export function rowOf(entry: NewEntry): CreationAttributes<EntryRow> {
  const { subject, body, source, ...envelope } = entry;
  const facts = kindFacts(body.kind);
  if (!facts) throw new Error(`there is no kind of entry called ${body.kind}`);
  return {
    ...envelope,
    subjectKind: subject.kind,
    subjectId: subject.id,
    sort: facts.sort,
    ...bodyToStore(body),
    ...(source ? { source } : {}),
  };
}

/** Writes an entry down. Who makes it, and by which clock, is taken from what is being done just now. */
export const append = (entry: NewEntry): Promise<EntryRow> => EntryRow.create(rowOf(entry));

/** Writes many down at once; their numbers are not asked for. */
export const appendAll = async (entries: readonly NewEntry[]): Promise<void> => {
  await EntryRow.bulkCreate(entries.map(rowOf));
};

export const subjectOf = ({ subjectKind, subjectId }: EntryRow): Subject => ({
  kind: subjectKind,
  id: subjectId,
});

/** The bed that an entry is of, or on which it was made; null where it is of none. */
export const bedOf = ({ subjectKind, subjectId, bedId }: EntryRow): number | null =>
  subjectKind === 'bed' ? subjectId : (bedId ?? null);

/** Which entries are of some beds themselves. */
export const ofBeds = (ids: number | readonly number[]) => ({
  subjectKind: 'bed' as const,
  subjectId: typeof ids === 'number' ? ids : [...ids],
});
