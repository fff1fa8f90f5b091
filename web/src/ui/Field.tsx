import type { InputHTMLAttributes, Ref } from 'react';
import { useId } from 'react';
import { Around, BOX, describedBy, type Frame } from './Frame.tsx';

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
