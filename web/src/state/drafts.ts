const nameOf = (key: string): string => `kibble.draft.${key}`;

/** What was typed under a key and not sent yet, on this device; null where there is nothing, or nothing that can be read. */
export function draftOf(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(nameOf(key)) ?? 'null');
  } catch {
    return null;
  }
}
export const keepDraft = (key: string, typed: unknown): void =>
  localStorage.setItem(nameOf(key), JSON.stringify(typed));
export const forgetDraft = (key: string): void => localStorage.removeItem(nameOf(key));
