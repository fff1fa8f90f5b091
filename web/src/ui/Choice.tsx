import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import {
  Children,
  Fragment,
  isValidElement,
  useId,
  useImperativeHandle,
  useRef,
  useState,
  type ReactNode,
  type Ref,
} from 'react';
import { Around, BOX, describedBy, type Frame, type LabelManner } from './Frame.tsx';

interface Option {
  value: string;
  words: string;
}

const textOf = (node: ReactNode): string =>
  Children.toArray(node)
    .map((part) => (typeof part === 'string' || typeof part === 'number' ? String(part) : ''))
    .join('');

/** The options among what stands between the tags, in their order. */
function optionsIn(children: ReactNode): Option[] {
  return Children.toArray(children).flatMap((child) => {
    if (!isValidElement<{ value?: string | number; children?: ReactNode }>(child)) return [];
    if (child.type === Fragment) return optionsIn(child.props.children);
    const words = textOf(child.props.children);
    return [{ value: String(child.props.value ?? words), words }];
  });
}

/** What a form holds of a choice: it reads and sets its value as it would a native one’s. */
export interface ChoiceHandle {
  name: string;
  type: 'text';
  value: string;
  focus: () => void;
}

interface Change {
  target: { name: string; value: string; type: 'text' };
  type: 'change';
}

type Props = Frame & {
  ref?: Ref<ChoiceHandle>;
  name?: string;
  value?: string | number;
  onChange?: (change: Change) => unknown;
  onBlur?: (event: { target: { name: string; value: string }; type: 'blur' }) => unknown;
  disabled?: boolean;
  className?: string;
  manner?: LabelManner;
  /** `option` elements, each with its value and its words. */
  children: ReactNode;
};

/** Where it is one of several in a line. */
const SMALL = 'min-h-11 md:min-h-9 border-b border-ink bg-paper px-1';

/** Radix takes no empty value; here one may mean “left open”. */
const inside = (value: string): string => `=${value}`;
const outside = (value: string): string => value.slice(1);

/** A labelled choice from a list; in a form it is registered as a native one would be. */
export function Choice({
  label,
  hint,
  error,
  unit,
  manner = 'above',
  children,
  className = 'w-full',
  ref,
  name = '',
  value,
  onChange,
  onBlur,
  disabled,
}: Props) {
  const id = useId();
  const options = optionsIn(children);
  const trigger = useRef<HTMLButtonElement>(null);
  const [own, setOwn] = useState<string | null>(null);
  const latest = useRef<string>('');
  const shown = value === undefined ? (own ?? options[0]?.value ?? '') : String(value);
  useImperativeHandle(
    ref,
    () => ({
      name,
      type: 'text' as const,
      get value() {
        return latest.current;
      },
      set value(next: string) {
        latest.current = String(next ?? '');
        setOwn(latest.current);
      },
      focus: () => trigger.current?.focus(),
    }),
    [name],
  );
  const choose = (taken: string): void => {
    latest.current = outside(taken);
    setOwn(latest.current);
    onChange?.({ target: { name, value: latest.current, type: 'text' }, type: 'change' });
  };
  return (
    <Around id={id} label={label} hint={hint} error={error} unit={unit} manner={manner}>
      <Select.Root
        value={inside(shown)}
        onValueChange={choose}
        disabled={disabled}
        onOpenChange={(open) => {
          if (!open) void onBlur?.({ target: { name, value: latest.current }, type: 'blur' });
        }}
      >
        <Select.Trigger
          ref={trigger}
          id={id}
          data-value={shown}
          aria-invalid={Boolean(error)}
          aria-describedby={describedBy(id, { unit, hint, error })}
          className={`${manner === 'above' ? BOX : SMALL} flex items-center justify-between gap-2 text-left ${className}`}
        >
          <Select.Value className="min-w-0">
            {options.find((o) => o.value === shown)?.words ?? ''}
          </Select.Value>
          <Select.Icon>
            <ChevronDown aria-hidden className="size-4 shrink-0" />
          </Select.Icon>
        </Select.Trigger>
        <Select.Portal>
          <Select.Content
            position="popper"
            className="z-50 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) overflow-hidden border border-ink bg-sheet"
          >
            <Select.Viewport>
              {options.map((option) => (
                <Select.Item
                  key={option.value}
                  value={inside(option.value)}
                  data-value={option.value}
                  className="flex min-h-11 cursor-pointer items-center justify-between gap-4 px-3 py-1 data-highlighted:bg-ink data-highlighted:text-paper data-highlighted:outline-none"
                >
                  <Select.ItemText>{option.words}</Select.ItemText>
                  <Select.ItemIndicator>
                    <Check aria-hidden className="size-4" />
                  </Select.ItemIndicator>
                </Select.Item>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      </Select.Root>
    </Around>
  );
}
