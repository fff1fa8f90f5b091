import { useSyncExternalStore } from 'react';

function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (listener) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', listener);
      return () => media.removeEventListener('change', listener);
    },
    () => window.matchMedia(query).matches,
  );
}

/** Whether the page is as narrow as a phone, below Tailwind's `md`. */
export const useNarrow = (): boolean => useMedia('(max-width: 767px)');

/** Whether two columns stand side by side, from Tailwind's `lg` on. */
export const useWide = (): boolean => useMedia('(min-width: 1024px)');
