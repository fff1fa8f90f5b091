import { onWaitingChanged } from '../outbox/acts.ts';

/** The worker that keeps the page and what was last seen; only a secure page may have one, a plain one works as long as it is open. */
export function beginWorker(): void {
  if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
  void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  // Where the browser can, it wakes the worker when there is a way again, also for a page that was closed meanwhile.
  onWaitingChanged(() => {
    void navigator.serviceWorker.ready
      .then((worker) =>
        (worker as unknown as { sync?: { register: (tag: string) => Promise<void> } }).sync?.register(
          'kibble-outbox',
        ),
      )
      .catch(() => undefined);
  });
}

/** What was kept of the garden for later is forgotten: this device is let in no longer. */
export const forgetSeen = (): void => navigator.serviceWorker?.controller?.postMessage('forget');
