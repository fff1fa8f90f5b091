import { Switch } from 'radix-ui';
import { useId, type ReactNode } from 'react';

/** Something that is on or off on this device, at once. */
export function Toggle({
  on,
  onChange,
  className = '',
  children,
}: {
  on: boolean;
  onChange: (on: boolean) => void;
  className?: string;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <div className={`flex min-h-11 items-center gap-3 ${className}`}>
      <Switch.Root
        id={id}
        checked={on}
        onCheckedChange={onChange}
        className="h-7 w-12 shrink-0 border-2 border-ink bg-sheet data-[state=checked]:bg-ink"
      >
        <Switch.Thumb className="block size-5 translate-x-0.5 bg-ink transition-transform data-[state=checked]:translate-x-[1.3rem] data-[state=checked]:bg-paper motion-reduce:transition-none" />
      </Switch.Root>
      <label htmlFor={id} className="cursor-pointer py-2">
        {children}
      </label>
    </div>
  );
}
