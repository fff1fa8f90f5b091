import type { IsoDate } from '../units/dates.ts';

/** What an entry can be of. Beds and pots have numbers of their own: only kind and number together name a thing. */
export const SUBJECT_KINDS = ['garden', 'bed', 'pot', 'ground', 'tap'] as const;
export type SubjectKind = (typeof SUBJECT_KINDS)[number];

export interface Subject {
  kind: SubjectKind;
  id: number;
}

/** Where an entry comes from: somebody made it, or it came by itself. */
export const ENTRY_SOURCES = ['person', 'timer', 'station', 'import', 'job'] as const;
export type EntrySource = (typeof ENTRY_SOURCES)[number];

/**
 * Everything on record is an entry: an append-only fact of a day. Undoing marks it as removed, and undoing that unmarks
 * it; nothing is ever written over.
 */
export interface Entry<Body = unknown> {
  id: number;
  /** Local day at the garden of which it tells; of a setting, the day from which it holds. */
  on: IsoDate;
  /** Hour of that day by the garden's clock, 0–24, where one matters. */
  hour: number | null;
  /** When it was entered, UTC by the server's clock. */
  at: Date;
  /** When that was by the clock of the device it was entered on, and how far the server's clock was ahead of that, ms. */
  enteredAt: Date | null;
  clockOffsetMs: number | null;
  subject: Subject;
  kind: string;
  /** Format of the body, and nothing else. */
  version: number;
  body: Body;
  note: string | null;
  by: { device: string | null; person: string | null };
  source: EntrySource;
  removedAt: Date | null;
  /** Id of the entry that took its place. */
  supersededBy: number | null;
}

/** Whether two name the same thing. */
export const isSameSubject = (a: Subject, b: Subject): boolean => a.kind === b.kind && a.id === b.id;
