import { useSyncExternalStore } from 'react';

/**
 * Where in time the section stands: days from the first of the ribbon, fractions between two days.
 * Kept outside React, so that a drag moves only what is drawn from it.
 */
type Listener = () => void;
let position: number | null = null;
const listeners = new Set<Listener>();

export const scrub = {
  get: (): number | null => position,
  /** null goes back to today. */
  set: (next: number | null): void => {
    if (next === position) return;
    position = next;
    for (const listener of listeners) listener();
  },
  subscribe: (listener: Listener): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};

/** The whole day the section stands on, for words; it changes only from day to day. */
export const useScrubbedDay = (): number | null =>
  useSyncExternalStore(scrub.subscribe, () => (position === null ? null : Math.round(position)));
