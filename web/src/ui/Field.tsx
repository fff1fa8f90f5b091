import type { InputHTMLAttributes, ReactNode, Ref, SelectHTMLAttributes } from 'react';
import { useId } from 'react';

const BOX =
  'min-h-11 border border-ink bg-sheet px-3 py-2 aria-[invalid=true]:border-2 aria-[invalid=true]:border-brick';

interface Frame {
  label: string;
  hint?: ReactNode;
  error?: string;
  unit?: string;
}

/** What is read out with a field besides its name: its unit, and its refusal or its hint. */
const describedBy = (id: string, { unit, hint, error }: Omit<Frame, 'label'>): string | undefined =>
  [unit ? `${id}-unit` : '', error ? `${id}-error` : hint ? `${id}-hint` : ''].filter(Boolean).join(' ') ||
  undefined;

function Around({ id, label, hint, error, unit, children }: Frame & { id: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <div className="flex items-center gap-2">
        {children}
        {unit ? (
          <span id={`${id}-unit`} className="whitespace-nowrap text-quiet">
            {unit}
          </span>
        ) : null}
      </div>
      {error ? (
        <p id={`${id}-error`} role="alert" className="font-semibold text-brick">
          {error}
        </p>
      ) : hint ? (
        <p id={`${id}-hint`} className="text-sm text-quiet">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

type InputProps = Frame & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> };

/** A labelled input with its unit, hint and refusal. */
export function Field({ label, hint, error, unit, className = 'w-full', ...rest }: InputProps) {
  const id = useId();
  return (
    <Around id={id} label={label} hint={hint} error={error} unit={unit}>
      <input
        id={id}
        className={`${BOX} ${className}`}
        aria-invalid={Boolean(error)}
        aria-describedby={describedBy(id, { unit, hint, error })}
        {...rest}
      />
    </Around>
  );
}

type SelectProps = Frame & SelectHTMLAttributes<HTMLSelectElement> & { ref?: Ref<HTMLSelectElement> };

/** A labelled choice from a list. */
export function Choice({ label, hint, error, unit, children, className = 'w-full', ...rest }: SelectProps) {
  const id = useId();
  return (
    <Around id={id} label={label} hint={hint} error={error} unit={unit}>
      <select
        id={id}
        className={`${BOX} ${className}`}
        aria-invalid={Boolean(error)}
        aria-describedby={describedBy(id, { unit, hint, error })}
        {...rest}
      >
        {children}
      </select>
    </Around>
  );
}
