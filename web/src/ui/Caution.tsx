import { SAFETY, type SafetyAct } from '@kibble/core';
import { TriangleAlert } from 'lucide-react';

/** What to mind with an act that can hurt somebody, beside the act; `lead` says first what is true of this very thing. */
export function Caution({ of, lead, className }: { of: SafetyAct; lead?: string; className?: string }) {
  return (
    <p role="note" data-caution={of} className={`flex gap-2 text-sm ${className ?? 'max-w-prose'}`}>
      <TriangleAlert aria-hidden className="mt-0.5 size-4 shrink-0" />
      <span>
        {lead ? `${lead} ` : ''}
        {SAFETY[of].text}
      </span>
    </p>
  );
}
