import { Button } from './Button.tsx';

/** Over a form that was left half typed: it is here again, and is thrown away only by a word. */
export function DraftNote({ draft }: { draft: { beginAnew: () => void } | null }) {
  if (!draft) return null;
  return (
    <p role="status" className="flex flex-wrap items-center gap-x-3 border-l-4 border-rule pl-3 text-sm">
      What you had typed before is here again.
      <Button look="quiet" className="px-0 text-sm" onClick={draft.beginAnew}>
        Begin anew
      </Button>
    </p>
  );
}
