import { ChevronRight } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import { useState, type ReactNode } from 'react';

/** What is not needed at first sight, folded behind its heading. */
export function Fold({
  heading,
  begins = false,
  id,
  className = '',
  look = '',
  dense = false,
  onChange,
  children,
}: {
  heading: ReactNode;
  /** It begins opened. */
  begins?: boolean;
  id?: string;
  className?: string;
  /** How the heading looks. */
  look?: string;
  /** One line of many, no higher than its words. */
  dense?: boolean;
  onChange?: (open: boolean) => void;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(begins);
  return (
    <Collapsible.Root
      id={id}
      className={className}
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        onChange?.(next);
      }}
    >
      <Collapsible.Trigger
        className={`group flex items-center gap-1 text-left ${dense ? 'min-h-6' : 'min-h-11 py-1'} ${look}`}
      >
        <ChevronRight
          aria-hidden
          className="size-4 shrink-0 transition-transform group-data-[state=open]:rotate-90 motion-reduce:transition-none"
        />
        <span>{heading}</span>
      </Collapsible.Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
