import type { ReactNode } from 'react';
import { Button } from './Button.tsx';

/** How a form ends: it is kept, under what that is called there, or left. */
export function KeepOrLeave({
  busy,
  onLeave,
  children = 'Keep',
}: {
  busy: boolean;
  onLeave: () => void;
  children?: ReactNode;
}) {
  return (
    <div className="flex gap-2">
      <Button type="submit" disabled={busy}>
        {children}
      </Button>
      <Button look="quiet" onClick={onLeave}>
        Leave it
      </Button>
    </div>
  );
}
