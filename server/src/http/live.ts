import type { LiveMessage } from '@kibble/contract';
import type { Response } from 'express';

/** A line of silence so often keeps the way open through whatever lies between. */
const STILL_THERE_MS = 20_000;

/** Pages that listen for what others change (server-sent events). */
export class Live {
  private readonly pages = new Map<
    Response,
    { deviceId: string | null; gardens: readonly number[] | null }
  >();
  private readonly timer: NodeJS.Timeout;

  constructor() {
    this.timer = setInterval(() => this.write(': still there\n\n'), STILL_THERE_MS);
    this.timer.unref();
  }

  /** A page listens until it goes. @param deviceId null at this computer itself; `gardens` of which alone it hears, null for all */
  join(res: Response, deviceId: string | null, gardens: readonly number[] | null = null): void {
    // No-transform: what is packed to be sent at once arrives late.
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    res.flushHeaders();
    res.write('retry: 1000\n\n: listening\n\n');
    this.pages.set(res, { deviceId, gardens });
    res.on('close', () => this.pages.delete(res));
  }

  tell(message: LiveMessage): void {
    const text = `data: ${JSON.stringify(message)}\n\n`;
    for (const [res, { gardens }] of this.pages)
      if (!gardens || message.gardenId === undefined || gardens.includes(message.gardenId)) res.write(text);
  }

  /** Whoever is let in no longer hears no more. */
  dismiss(deviceId: string): void {
    for (const [res, page] of this.pages) if (page.deviceId === deviceId) res.end();
  }

  stop(): void {
    clearInterval(this.timer);
    for (const res of this.pages.keys()) res.end();
  }

  private write(text: string): void {
    for (const res of this.pages.keys()) res.write(text);
  }
}
