import { useCallback, useState } from 'react';
import { draftOf, forgetDraft, keepDraft } from '../state/drafts.ts';

/**
 * What is typed into a sheet of a field or two: it outlives a reload and a closed sheet, on this device, until it was sent.
 * A longer form keeps itself with `useKeptForm`.
 * @returns the value, how it is set, and what is called when it was sent
 */
export function useDraft<T extends string | null = string>(
  key: string,
  plain: NoInfer<T>,
): [value: T, set: (value: T) => void, sent: () => void] {
  const [value, setValue] = useState<T>(() => {
    const kept = draftOf(key);
    return typeof kept === 'string' ? (kept as T) : plain;
  });
  const set = useCallback(
    (next: T): void => {
      setValue(next);
      if (next === plain) forgetDraft(key);
      else keepDraft(key, next);
    },
    [key, plain],
  );
  const sent = useCallback((): void => {
    forgetDraft(key);
    setValue(plain);
  }, [key, plain]);
  return [value, set, sent];
}
