import { useSyncExternalStore } from 'react';

const heard = new Set<() => void>();
const listen = (listener: () => void): (() => void) => {
  heard.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    heard.delete(listener);
    window.removeEventListener('storage', listener);
  };
};

/** A choice of this device, on or off, kept on it alone. */
export function usePref(name: string, initial: boolean): [boolean, (on: boolean) => void] {
  const key = `kibble.${name}`;
  const value = useSyncExternalStore(listen, () => localStorage.getItem(key));
  return [
    value === null ? initial : value === 'on',
    (on) => {
      localStorage.setItem(key, on ? 'on' : 'off');
      heard.forEach((listener) => listener());
    },
  ];
}
