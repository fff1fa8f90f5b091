import type { PlanBed } from '../follow/types.ts';
import { newClockBook, type ClockBook } from '../share/clockBook.ts';
import type { Tries } from '../share/follower.ts';
import { newZoneMemo, type ZoneMemo } from '../share/zones.ts';
import type { RoundPlace } from './gardenRounds.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';

/** What is kept of a place between two plans: with which facts it was followed, and what came of it on the days it was tried on. */
interface Remembered {
  of: PlanBed;
  place: RoundPlace;
}

/**
 * What was followed before. A plan made with it follows only the places whose own facts, or the weather or limits they
 * stand under, have changed.
 */
export interface PlanMemo {
  /** Weather, and day, limits and horizon as text, under which everything in it was followed. */
  weather: readonly SourcedDay[] | null;
  under: string;
  places: Map<number, Remembered>;
  tries: Tries;
  zones: ZoneMemo;
  book: ClockBook;
}

export const newMemo = (): PlanMemo => ({
  weather: null,
  under: '',
  places: new Map(),
  tries: new WeakMap(),
  zones: newZoneMemo(),
  book: newClockBook(),
});

/** What is remembered, for a plan that is only tried: it finds what stands in it and leaves nothing behind. */
export const triedOn = (memo: PlanMemo): PlanMemo => ({
  ...memo,
  places: new Map(memo.places),
  book: { ...memo.book, days: new Map(memo.book.days) },
});
