import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useFocusKept } from './useFocusKept.ts';

interface Props {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
}

/** A sheet drawn out from the side, so that the number it explains stays in sight; from below on a phone. */
export function Drawer({ open, onClose, title, children }: Props) {
  const kept = useFocusKept();
  return (
    <Dialog.Root open={open} onOpenChange={(next) => (next ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/25" />
        <Dialog.Content
          {...kept}
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-20 max-h-[85vh] overflow-auto border-t-2 border-ink bg-paper p-5 md:inset-y-0 md:right-0 md:left-auto md:max-h-none md:w-[30rem] md:border-t-0 md:border-l-2 md:p-6"
        >
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="mb-2 text-2xl">{title}</Dialog.Title>
            <Dialog.Close className="-mt-1 min-h-11 min-w-11" aria-label="Close">
              <X aria-hidden className="mx-auto" size={20} />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
