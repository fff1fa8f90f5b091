import { useState } from 'react';
import { useCalendarQuery, useNewCalendarMutation, useSharingQuery } from '../../api/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { Refused } from '../../ui/Refused.tsx';

/** The rounds in any calendar program: a secret address to subscribe to. */
export function CalendarFeed({ gardenId }: { gardenId: number }) {
  const { data } = useCalendarQuery(gardenId);
  const { data: sharing } = useSharingQuery(null);
  const [anew, { isLoading, error }] = useNewCalendarMutation();
  const [copied, setCopied] = useState(false);
  if (!data) return null;
  const at = sharing?.proxy ? `https://${sharing.proxy}` : (sharing?.plain[0] ?? window.location.origin);
  const address = at + data.path;
  return (
    <section className="mt-10 max-w-xl" aria-labelledby="calendar">
      <h2 id="calendar" className="mb-1 text-2xl">
        In your calendar
      </h2>
      <div className="flex flex-col gap-2 border-t border-ink pt-2">
        <p>
          Subscribe to this address in any calendar program: the fortnight’s rounds stand in it, with beds and
          minutes. Whoever knows it can read them, so give it to nobody.
          {sharing?.on ? '' : ' While nothing is shared, only a program on this machine reaches it.'}
        </p>
        <p className="bg-sheet p-2 text-sm wrap-anywhere" data-testid="calendar-address">
          {address}
        </p>
        <div className="flex flex-wrap gap-x-4">
          <Button
            look="quiet"
            className="px-0"
            onClick={() =>
              void navigator.clipboard
                ?.writeText(address)
                .then(() => setCopied(true))
                .catch(() => undefined)
            }
          >
            {copied ? 'Copied' : 'Copy it'}
          </Button>
          <Button look="quiet" className="px-0" disabled={isLoading} onClick={() => void anew(gardenId)}>
            Make a new address; the old one ends
          </Button>
        </div>
        <Refused error={error} />
      </div>
    </section>
  );
}
