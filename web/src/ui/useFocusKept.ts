import { useRef } from 'react';

/** What was focused when a dialog opened is focused again when it closes, also where no button of the dialog's own opened it. */
export function useFocusKept(): {
  onOpenAutoFocus: () => void;
  onCloseAutoFocus: (e: Event) => void;
  onEscapeKeyDown: (e: KeyboardEvent) => void;
} {
  const from = useRef<Element | null>(null);
  return {
    onOpenAutoFocus: () => {
      from.current = document.activeElement;
    },
    // A list that is open in it is closed first.
    onEscapeKeyDown: (e) => {
      if (document.activeElement?.matches('[role=combobox][aria-expanded=true]')) e.preventDefault();
    },
    onCloseAutoFocus: (e) => {
      if (!(from.current instanceof HTMLElement) || !from.current.isConnected) return;
      e.preventDefault();
      from.current.focus();
    },
  };
}
