import { useId } from 'react';

interface Props<T extends string> {
  legend: string;
  /** The legend is read but not seen: what stands around says it. */
  quiet?: boolean;
  options: readonly (readonly [value: T, words: string])[];
  value: T | null;
  onChange: (value: T) => void;
  /** Chosen again, it is no longer said. */
  onClear?: () => void;
  error?: string;
  hint?: string;
}

/** A choice of few words, each a tap wide enough for a thumb. */
export function Taps<T extends string>({
  legend,
  quiet = false,
  options,
  value,
  onChange,
  onClear,
  error,
  hint,
}: Props<T>) {
  const name = useId();
  return (
    <fieldset aria-invalid={Boolean(error)} aria-describedby={error ? `${name}-error` : undefined}>
      <legend className={quiet ? 'sr-only' : 'mb-1 font-semibold'}>{legend}</legend>
      <div className="flex flex-wrap border border-ink">
        {options.map(([option, words]) => (
          <label
            key={option}
            className={`flex min-h-11 flex-auto cursor-pointer items-center justify-center border-ink px-3 py-1 text-center not-first:border-l has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink ${value === option ? 'bg-ink text-paper' : 'bg-sheet'}`}
          >
            <input
              type="radio"
              className="sr-only"
              name={name}
              checked={value === option}
              onChange={() => onChange(option)}
              onClick={() => {
                if (value === option) onClear?.();
              }}
            />
            {words}
          </label>
        ))}
      </div>
      {error ? (
        <p id={`${name}-error`} role="alert" className="mt-1 font-semibold text-brick">
          {error}
        </p>
      ) : hint ? (
        <p className="mt-1 text-sm text-quiet">{hint}</p>
      ) : null}
    </fieldset>
  );
}
