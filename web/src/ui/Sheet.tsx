import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useFocusKept } from './useFocusKept.ts';

/** A question laid over the page: escape or a click beside it leaves things as they were. */
export function Sheet({
  open,
  onClose,
  title,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
}) {
  const kept = useFocusKept();
  return (
    <Dialog.Root open={open} onOpenChange={(next) => (next ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/40" />
        <Dialog.Content
          {...kept}
          aria-describedby={undefined}
          className="fixed z-20 top-1/2 left-1/2 max-h-[90vh] w-[min(30rem,92vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto border border-ink bg-paper p-6"
        >
          <Dialog.Title className="mb-4 text-2xl">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
