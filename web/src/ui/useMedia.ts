import { useSyncExternalStore } from 'react';

/** A hook that tells whether the page is of a kind, and is told when that changes. */
function mediaHook(query: string): () => boolean {
  const subscribe = (listener: () => void): (() => void) => {
    const media = window.matchMedia(query);
    media.addEventListener('change', listener);
    return () => media.removeEventListener('change', listener);
  };
  return function useMedia() {
    return useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
  };
}

/** Whether the page is as narrow as a phone, below Tailwind's `md`. */
export const useNarrow = mediaHook('(max-width: 767px)');

/** Whether two columns stand side by side, from Tailwind's `lg` on. */
export const useWide = mediaHook('(min-width: 1024px)');
