import { RadioGroup } from 'radix-ui';
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
      <legend id={`${name}-legend`} className={quiet ? 'sr-only' : 'mb-1 font-semibold'}>
        {legend}
      </legend>
      <RadioGroup.Root
        aria-labelledby={`${name}-legend`}
        className="flex flex-wrap border border-ink"
        value={value ?? ''}
        onValueChange={(chosen) => onChange(chosen as T)}
      >
        {options.map(([option, words]) => (
          <RadioGroup.Item
            key={option}
            value={option}
            className="min-h-11 flex-auto border-ink bg-sheet px-3 py-1 text-center not-first:border-l data-[state=checked]:bg-ink data-[state=checked]:text-paper"
            onClick={() => {
              if (value === option) onClear?.();
            }}
          >
            {words}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
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
