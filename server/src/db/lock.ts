import { AsyncLocalStorage } from 'node:async_hooks';
import { Mutex } from 'async-mutex';

/** Kinds of lock in the one order in which they may be taken: whoever holds a later one never waits for an earlier one. */
const ORDER = ['writer', 'plan'] as const;
export type LockKind = (typeof ORDER)[number];

/** How long anybody waits for a lock before being told so, ms. A test may shorten it. */
export const LOCK_PATIENCE = { ms: 10_000 };

/** Who has a lock just now, as the log names it. */
interface Holder {
  kind: LockKind;
  by: string;
  since: number;
  /** When it last reported progress; what is computing, importing or restoring is waited for as long as it goes on. */
  progressAt: number | null;
  open: boolean;
}

/** A lock was waited for too long. */
export class LockTimeout extends Error {
  /** What held the lock, and for how long by then, ms. */
  readonly holder: { by: string; heldMs: number };

  constructor(kind: LockKind, holder: { by: string; heldMs: number }) {
    super(
      `waited ${LOCK_PATIENCE.ms / 1000} s for the ${kind} lock, held by ${holder.by} for ${holder.heldMs} ms`,
    );
    this.name = 'LockTimeout';
    this.holder = holder;
  }
}

const holding = new AsyncLocalStorage<readonly Holder[]>();

/** What holds a lock and goes on with something long reports here that it does, so that those who wait keep waiting. */
export function reportProgress(): void {
  for (const holder of holding.getStore() ?? []) if (holder.open) holder.progressAt = performance.now();
}

/** Something long while a lock is held, with progress reported for it as long as it lasts. */
export async function whileReporting<T>(work: () => Promise<T>): Promise<T> {
  reportProgress();
  const timer = setInterval(reportProgress, LOCK_PATIENCE.ms / 10);
  try {
    return await work();
  } finally {
    clearInterval(timer);
  }
}

/** Work that runs alone. Locks are taken in the order of `ORDER`, whatever asks for them. */
export class Lock {
  private readonly kind: LockKind;
  private readonly mutex = new Mutex();
  private holder: Holder | null = null;

  constructor(kind: LockKind) {
    this.kind = kind;
  }

  /**
   * Runs work once the lock is free.
   * @param by what the work is, as the log would name it
   * @throws LockTimeout when it stays held for too long without progress
   */
  async run<T>(by: string, work: () => Promise<T>): Promise<T> {
    const others = (holding.getStore() ?? []).filter(({ open }) => open);
    const before = others.find(({ kind }) => ORDER.indexOf(kind) >= ORDER.indexOf(this.kind));
    if (before)
      throw new Error(
        `${by} may not wait for the ${this.kind} lock while ${before.by} holds the ${before.kind} lock`,
      );
    const release = await this.acquire();
    const holder: Holder = { kind: this.kind, by, since: performance.now(), progressAt: null, open: true };
    this.holder = holder;
    try {
      return await holding.run([...others, holder], work);
    } finally {
      holder.open = false;
      this.holder = null;
      release();
    }
  }

  private acquire(): Promise<() => void> {
    const began = performance.now();
    return new Promise((got, failed) => {
      let late: NodeJS.Timeout;
      let gaveUp = false;
      const wait = (ms: number): void => {
        late = setTimeout(() => {
          const now = performance.now();
          const { holder } = this;
          const left = Math.max(began, holder?.progressAt ?? 0) + LOCK_PATIENCE.ms - now;
          if (left > 0) {
            wait(left);
            return;
          }
          gaveUp = true;
          failed(
            new LockTimeout(this.kind, {
              by: holder?.by ?? 'others that came before',
              heldMs: holder ? Math.round(now - holder.since) : 0,
            }),
          );
        }, ms);
      };
      wait(LOCK_PATIENCE.ms);
      this.mutex.acquire().then(
        (release) => {
          clearTimeout(late);
          // Whoever gave up takes its turn all the same, and passes it on.
          if (gaveUp) release();
          else got(release);
        },
        (error: unknown) => {
          clearTimeout(late);
          failed(error);
        },
      );
    });
  }
}
