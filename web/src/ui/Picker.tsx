import { useId, useState, type ReactNode } from 'react';

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
  const [at, setAt] = useState(0);
  const id = useId();
  const open = words !== null && words.trim().length >= leastLetters;
  const take = (option: Option<T> | undefined): void => {
    if (option) onTake(option.of);
    onWords(null);
    setAt(0);
  };
  return (
    <div className="relative flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        role="combobox"
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-activedescendant={open && options[at] ? `${id}-${options[at].key}` : undefined}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? `${id}-error` : undefined}
        autoComplete="off"
        className="min-h-11 w-full border border-ink bg-sheet px-3 py-2 aria-[invalid=true]:border-2 aria-[invalid=true]:border-brick"
        placeholder={placeholder}
        value={words ?? value}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          onWords(e.target.value);
          setAt(0);
        }}
        onBlur={() => {
          const left = words?.trim() ?? '';
          if (left !== '' && left !== value) onUnknown?.(left);
          onWords(null);
        }}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown') {
            e.preventDefault();
            onWords(words ?? '');
            setAt((i) => Math.min(options.length - 1, open ? i + 1 : 0));
          } else if (e.key === 'ArrowUp') {
            e.preventDefault();
            setAt((i) => Math.max(0, i - 1));
          } else if (e.key === 'Enter' && open) {
            e.preventDefault();
            take(options[at]);
          } else if (e.key === 'Escape' && open) {
            e.stopPropagation();
            onWords(null);
          }
        }}
      />
      {open ? (
        <ul
          id={`${id}-list`}
          role="listbox"
          aria-label={label}
          className="absolute inset-x-0 top-[4.6rem] z-10 border border-ink bg-sheet"
        >
          {options.length === 0 ? <li className="px-3 py-2 text-quiet">{none}</li> : null}
          {options.map((option, i) => (
            <li
              key={option.key}
              id={`${id}-${option.key}`}
              role="option"
              aria-selected={i === at}
              className={`min-h-11 cursor-pointer px-3 py-2 ${i === at ? 'bg-ink text-paper' : ''}`}
              onPointerDown={(e) => {
                e.preventDefault();
                take(option);
              }}
              onPointerEnter={() => setAt(i)}
            >
              {option.name}{' '}
              <span className={i === at ? 'text-sm' : 'text-sm text-quiet'}>{option.beside}</span>
            </li>
          ))}
        </ul>
      ) : null}
      {error ? (
        <p id={`${id}-error`} role="alert" className="font-semibold text-brick">
          {error}
        </p>
      ) : hint ? (
        <p className="text-sm text-quiet">{hint}</p>
      ) : null}
    </div>
  );
}
