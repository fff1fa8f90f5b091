import { useEffect, useState } from 'react';

function kept<T>(key: string): T | null {
  try {
    const text = sessionStorage.getItem(key);
    return text === null ? null : (JSON.parse(text) as T);
  } catch {
    return null;
  }
}

/** State that a reload or a look into another room does not take away; it goes with the tab. */
export function useKept<T>(key: string, initial: T): [T, (next: T) => void] {
  const [value, setValue] = useState<T>(() => kept<T>(key) ?? initial);
  useEffect(() => {
    sessionStorage.setItem(key, JSON.stringify(value));
  }, [key, value]);
  return [value, setValue];
}
