import { useSyncExternalStore } from 'react';

/** Tailwind's `md`: below it the phone's layout holds. */
const QUERY = '(max-width: 767px)';

const subscribe = (listener: () => void): (() => void) => {
  const media = window.matchMedia(QUERY);
  media.addEventListener('change', listener);
  return () => media.removeEventListener('change', listener);
};

/** Whether the page is as narrow as a phone. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(subscribe, () => window.matchMedia(QUERY).matches);
