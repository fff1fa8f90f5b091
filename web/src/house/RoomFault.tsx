import { useEffect } from 'react';
import type { FallbackProps } from 'react-error-boundary';
import { useLocation } from 'react-router';
import { Button } from '../ui/Button.tsx';

const RELOADED = 'kibble.reloaded';
/** A room's program that is not there any more: Kibble was updated while this page stood open. */
const isStale = (error: unknown): boolean =>
  error instanceof Error &&
  /dynamically imported module|module script failed|Failed to fetch|not there|404/i.test(error.message);

/** A room that failed: what happened, that nothing is lost, and a way to try again. A page older than Kibble begins anew by itself. */
export function RoomFault({ error }: Pick<FallbackProps, 'error'>) {
  const { pathname } = useLocation();
  const stale = isStale(error);
  const offline = stale && !navigator.onLine;
  useEffect(() => {
    if (!stale || offline || sessionStorage.getItem(RELOADED) === pathname) return;
    sessionStorage.setItem(RELOADED, pathname);
    window.location.reload();
  }, [stale, offline, pathname]);
  return (
    <div role="alert" className="m-4 max-w-prose border-l-4 border-brick pl-4">
      <p className="font-semibold">
        {stale
          ? 'This room has not been opened on this device yet, and cannot be fetched just now. Nothing is lost, and the rooms you had open still work.'
          : 'This room cannot be shown. Nothing is lost, and the other rooms are as they were.'}
      </p>
      {stale ? null : <p className="text-quiet">{error instanceof Error ? error.message : String(error)}</p>}
      <Button
        look="quiet"
        className="-ml-4"
        onClick={() => {
          sessionStorage.removeItem(RELOADED);
          window.location.reload();
        }}
      >
        Try again
      </Button>
    </div>
  );
}
