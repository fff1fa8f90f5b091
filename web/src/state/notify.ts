/** Whether the browser would ring: it was allowed, could be asked, was forbidden, or cannot at all on this page. */
export type MayRing = 'yes' | 'ask' | 'no' | 'cannot';
export const mayRing = (): MayRing =>
  !('Notification' in window) || !window.isSecureContext
    ? 'cannot'
    : ({ granted: 'yes', default: 'ask', denied: 'no' } as const)[Notification.permission];

export const askToRing = async (): Promise<void> => {
  if (mayRing() === 'ask') await Notification.requestPermission();
};

/** Rings through the browser; phones want it done by the worker. Nothing happens where it was not allowed. */
export function notify(title: string, { body, tag }: { body?: string; tag: string }): void {
  if (mayRing() !== 'yes') return;
  void (async () => {
    const worker = await navigator.serviceWorker?.getRegistration();
    if (worker?.active) await worker.showNotification(title, { body, tag, icon: '/icon-192.png' });
    else new Notification(title, { body, tag });
  })().catch(() => undefined);
}
