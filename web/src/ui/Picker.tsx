import { Command } from 'cmdk';
import { useId, useRef, type ReactNode } from 'react';
import { Beneath, BOX, describedBy } from './Frame.tsx';

export interface Option<T> {
  key: string;
  /** Its name, and what stands small beside it. */
  name: string;
  beside: string;
  of: T;
}

interface Props<T> {
  label: string;
  /** What is taken now, in words. */
  value: string;
  placeholder?: string;
  /** What was typed; null while nothing is. */
  words: string | null;
  onWords: (words: string | null) => void;
  /** The list stands open only from so many letters on. */
  leastLetters?: number;
  options: readonly Option<T>[];
  /** Told in the place of an empty list. */
  none: string;
  onTake: (taken: T) => void;
  /** It was left with words that are none of the options. */
  onUnknown?: (words: string) => void;
  error?: string;
  hint?: ReactNode;
}

/** One of many, found by typing part of its name. Arrows and Enter choose, escape leaves things as they were. */
export function Picker<T>({
  label,
  value,
  placeholder,
  words,
  onWords,
  leastLetters = 0,
  options,
  none,
  onTake,
  onUnknown,
  error,
  hint,
}: Props<T>) {
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const open = words !== null && words.trim().length >= leastLetters;
  const take = (option: Option<T>): void => {
    onTake(option.of);
    onWords(null);
  };
  return (
    <Command shouldFilter={false} loop={false} label={label} className="relative flex flex-col gap-1">
      <span aria-hidden className="font-semibold" onClick={() => input.current?.focus()}>
        {label}
      </span>
      <Command.Input asChild value={words ?? value} onValueChange={onWords}>
        <input
          ref={input}
          aria-invalid={Boolean(error)}
          aria-expanded={open}
          aria-describedby={describedBy(id, { hint, error })}
          className={`${BOX} w-full`}
          placeholder={placeholder}
          onFocus={(e) => e.target.select()}
          onBlur={() => {
            const left = words?.trim() ?? '';
            if (left !== '' && left !== value) onUnknown?.(left);
            onWords(null);
          }}
          onKeyDown={(e) => {
            const opens = e.key === 'ArrowDown' && !open;
            // What is not for the list does what it does in any other field.
            if (opens || !open || ['Escape', 'Home', 'End'].includes(e.key)) e.stopPropagation();
            if (opens) onWords(words ?? '');
            if (e.key === 'Escape') onWords(null);
          }}
        />
      </Command.Input>
      <Command.List
        label="What was found"
        hidden={!open}
        className="absolute inset-x-0 top-[4.6rem] z-10 max-h-96 overflow-y-auto border border-ink bg-sheet"
      >
        {open && options.length === 0 ? (
          <Command.Empty className="px-3 py-2 text-quiet">{none}</Command.Empty>
        ) : null}
        {open
          ? options.map((option) => (
              <Command.Item
                key={option.key}
                value={option.key}
                className="group min-h-11 cursor-pointer px-3 py-2 data-[selected=true]:bg-ink data-[selected=true]:text-paper"
                // The field keeps the focus, so that leaving it is not taken for words that are none of these.
                onPointerDown={(e) => e.preventDefault()}
                onSelect={() => take(option)}
              >
                {option.name}{' '}
                <span className="text-sm text-quiet group-data-[selected=true]:text-paper">
                  {option.beside}
                </span>
              </Command.Item>
            ))
          : null}
      </Command.List>
      <Beneath id={id} hint={hint} error={error} />
    </Command>
  );
}
