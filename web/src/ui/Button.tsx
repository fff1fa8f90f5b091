import { clsx } from 'clsx';
import type { ButtonHTMLAttributes } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** `act` does the thing asked for; `quiet` is a way round it; `plain` stands in a frame of its own. */
  look?: 'act' | 'quiet' | 'plain';
}

/** Every button of the application. */
export function Button({ look = 'act', className, type = 'button', ...rest }: Props) {
  return (
    <button
      type={type}
      className={clsx(
        'min-h-11 px-4 py-2 text-base font-semibold disabled:opacity-50',
        look === 'act' && 'bg-ink text-paper',
        look === 'quiet' && 'underline decoration-1 underline-offset-4',
        className,
      )}
      {...rest}
    />
  );
}
