import { afterEach, describe, expect, test } from '@jest/globals';
import { Lock, LOCK_PATIENCE, LockTimeout, reportProgress, whileReporting } from './lock.ts';

const USUAL = LOCK_PATIENCE.ms;
afterEach(() => {
  LOCK_PATIENCE.ms = USUAL;
});
const pause = (ms: number): Promise<void> => new Promise((after) => setTimeout(after, ms));

describe('locks', () => {
  test('the usual patience is ten seconds', () => {
    expect(USUAL).toBe(10_000);
  });

  test('work of one lock runs one after another, in the order in which it came', async () => {
    const lock = new Lock('writer');
    const order: number[] = [];
    await Promise.all(
      [1, 2, 3].map((n) =>
        lock.run(`work ${n}`, async () => {
          order.push(n);
          await pause(5);
          order.push(n);
        }),
      ),
    );
    expect(order).toEqual([1, 1, 2, 2, 3, 3]);
  });

  test('whoever waits too long is told who holds it; the others go on when it is free', async () => {
    LOCK_PATIENCE.ms = 60;
    const lock = new Lock('writer');
    const held = lock.run('a long write', () => pause(200));
    const failed = await lock.run('a second write', () => pause(1)).catch((error: unknown) => error);
    expect(failed).toBeInstanceOf(LockTimeout);
    expect((failed as LockTimeout).holder.by).toBe('a long write');
    expect((failed as LockTimeout).holder.heldMs).toBeGreaterThanOrEqual(50);
    await held;
    await expect(lock.run('a third', () => Promise.resolve('done'))).resolves.toBe('done');
  });

  test('what reports its progress is waited for as long as it goes on', async () => {
    LOCK_PATIENCE.ms = 60;
    const lock = new Lock('plan');
    const held = lock.run('a restore', async () => {
      for (let i = 0; i < 6; i += 1) {
        await pause(30);
        reportProgress();
      }
      await whileReporting(() => pause(150));
    });
    await expect(lock.run('a round', () => Promise.resolve('done'))).resolves.toBe('done');
    await held;
  });

  test('the writer is never waited for while a plan is held, nor a lock of its own kind', async () => {
    const [writer, plan, other] = [new Lock('writer'), new Lock('plan'), new Lock('plan')];
    await expect(
      plan.run('a view', () => writer.run('a write in it', () => Promise.resolve())),
    ).rejects.toThrow('a write in it may not wait for the writer lock while a view holds the plan lock');
    await expect(plan.run('a view', () => other.run('another', () => Promise.resolve()))).rejects.toThrow(
      'may not wait',
    );
    await expect(
      writer.run('a write', () => plan.run('a view in it', () => Promise.resolve('in order'))),
    ).resolves.toBe('in order');
    // What was begun under a lock and goes on after it holds nothing any more.
    const late: Promise<string>[] = [];
    await plan.run('a view', () => {
      late.push(pause(10).then(() => writer.run('afterwards', () => Promise.resolve('free'))));
      return Promise.resolve();
    });
    await expect(Promise.all(late)).resolves.toEqual(['free']);
  });
});
