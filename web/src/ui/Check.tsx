import { Check as Mark } from 'lucide-react';
import { Checkbox } from 'radix-ui';
import { useId, useImperativeHandle, useRef, useState, type ReactNode, type Ref } from 'react';

/** What a form holds of a tick: it reads and sets it as it would a native one’s. */
export interface CheckHandle {
  name: string;
  type: 'checkbox';
  checked: boolean;
  /** None: a form that is given another tick to begin with has not been edited. */
  defaultChecked: false;
  value: string;
  focus: () => void;
}

interface Change {
  target: { name: string; checked: boolean; value: boolean; type: 'checkbox' };
  type: 'change';
}

interface Props {
  ref?: Ref<CheckHandle>;
  name?: string;
  checked?: boolean;
  onChange?: (change: Change) => unknown;
  onBlur?: (event: { target: Change['target']; type: 'blur' }) => unknown;
  disabled?: boolean;
  /** Read in the place of the words beside it. */
  'aria-label'?: string;
  className?: string;
  children?: ReactNode;
}

/** A tick with its words; in a form it is registered as a native one would be. */
export function Check({
  ref,
  name = '',
  checked,
  onChange,
  onBlur,
  disabled,
  className = '',
  children,
  'aria-label': ariaLabel,
}: Props) {
  const id = useId();
  const box = useRef<HTMLButtonElement>(null);
  const latest = useRef(false);
  const [own, setOwn] = useState(false);
  useImperativeHandle(
    ref,
    () => ({
      name,
      type: 'checkbox' as const,
      value: 'on',
      defaultChecked: false as const,
      get checked() {
        return latest.current;
      },
      set checked(next: boolean) {
        latest.current = next;
        setOwn(next);
      },
      focus: () => box.current?.focus(),
    }),
    [name],
  );
  // A form reads a blurred field as well as a changed one.
  const target = (): Change['target'] => ({
    name,
    checked: latest.current,
    value: latest.current,
    type: 'checkbox',
  });
  const tick = (state: boolean | 'indeterminate'): void => {
    latest.current = state === true;
    setOwn(latest.current);
    onChange?.({ target: target(), type: 'change' });
  };
  return (
    // The label is beside the tick and not round it: the tick’s own hidden input would press it once more.
    <div className={`flex min-h-11 items-center gap-3 ${className}`}>
      <Checkbox.Root
        id={id}
        ref={box}
        checked={checked ?? own}
        onCheckedChange={tick}
        onBlur={() => void onBlur?.({ target: target(), type: 'blur' })}
        disabled={disabled}
        aria-label={ariaLabel}
        // As large to a thumb as the line it is in.
        className="relative flex size-6 shrink-0 after:absolute after:-inset-2.5 items-center justify-center border-2 border-ink bg-sheet disabled:opacity-50 data-[state=checked]:bg-ink data-[state=checked]:text-paper"
      >
        <Checkbox.Indicator>
          <Mark aria-hidden className="size-4" strokeWidth={3} />
        </Checkbox.Indicator>
      </Checkbox.Root>
      {children ? (
        <label htmlFor={id} className="flex-1 cursor-pointer py-2">
          {children}
        </label>
      ) : null}
    </div>
  );
}
