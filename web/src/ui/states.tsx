import type { ReactNode } from 'react';
import { refusal } from '../api/api.ts';
import { Button } from './Button.tsx';

export function Loading({ what }: { what: string }) {
  return <p className="p-6 text-quiet">Working out {what}…</p>;
}

/** Something went wrong: what, and a way to try again. */
export function Trouble({ error, onRetry }: { error: unknown; onRetry?: () => void }) {
  return (
    <div role="alert" className="m-6 border-l-4 border-brick pl-4">
      <p className="font-semibold">{refusal(error).message}</p>
      {onRetry ? (
        <Button look="quiet" className="-ml-4" onClick={onRetry}>
          Try again
        </Button>
      ) : null}
    </div>
  );
}

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="max-w-prose py-10">
      <h2 className="mb-2 text-2xl">{title}</h2>
      {children}
    </div>
  );
}
