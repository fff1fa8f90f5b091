import { item } from './at.ts';
import type { IsoDate } from './dates.ts';

/** A value and the day from which it holds. */
export interface From<T> {
  from: IsoDate;
  value: T;
}

/** What something was, day by day: each value holds until the next one. Oldest first; the first also holds before its day. */
export type Dated<T> = readonly From<T>[];

/** The value that holds on a day. */
export function valueOn<T>(dated: Dated<T>, date: IsoDate): T {
  return entryOn(dated, date).value;
}

/** The value that holds on a day, with the day from which it does. */
export function entryOn<T>(dated: Dated<T>, date: IsoDate): From<T> {
  let found = item(dated, 0);
  for (const entry of dated) if (entry.from <= date) found = entry;
  return found;
}
