import type { ReactNode } from 'react';

export const BOX =
  'min-h-11 border border-ink bg-sheet px-3 py-2 aria-[invalid=true]:border-2 aria-[invalid=true]:border-brick';

export interface Frame {
  label: string;
  hint?: ReactNode;
  error?: string;
  unit?: string;
}

/** What is read out with a field besides its name: its unit, and its refusal or its hint. */
export const describedBy = (id: string, { unit, hint, error }: Omit<Frame, 'label'>): string | undefined =>
  [unit ? `${id}-unit` : '', error ? `${id}-error` : hint ? `${id}-hint` : ''].filter(Boolean).join(' ') ||
  undefined;

/** Where a field’s label is: above it, beside it, or only read out. */
export type LabelManner = 'above' | 'beside' | 'unseen';
const LABELS: Readonly<Record<LabelManner, string>> = {
  above: 'font-semibold',
  beside: 'text-quiet',
  unseen: 'sr-only',
};

/** What stands beneath a field: what is wrong with it, or else its hint. */
export function Beneath({ id, hint, error }: Pick<Frame, 'hint' | 'error'> & { id: string }) {
  if (error)
    return (
      <p id={`${id}-error`} role="alert" className="font-semibold text-brick">
        {error}
      </p>
    );
  return hint ? (
    <p id={`${id}-hint`} className="text-sm text-quiet">
      {hint}
    </p>
  ) : null;
}

/** The label of a field, its unit beside it, and its refusal or its hint below. */
export function Around({
  id,
  label,
  hint,
  error,
  unit,
  manner = 'above',
  children,
}: Frame & { id: string; manner?: LabelManner; children: ReactNode }) {
  return (
    <div className={manner === 'beside' ? 'flex items-center gap-2' : 'flex flex-col gap-1'}>
      <label htmlFor={id} className={LABELS[manner]}>
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
      <Beneath id={id} hint={hint} error={error} />
    </div>
  );
}
