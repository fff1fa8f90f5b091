import { AsyncLocalStorage } from 'node:async_hooks';
import { existsSync } from 'node:fs';
import { Sequelize, Transaction } from 'sequelize';
import { Lock } from './lock.ts';
import { sqliteCode } from './raw.ts';

/** What belongs to one run of asynchronous work; the models' library looks up its transaction here. */
const local = new AsyncLocalStorage<Map<string, unknown>>();
Sequelize.useCLS({
  bind: () => undefined,
  get: (key: string) => local.getStore()?.get(key),
  set: (key: string, value: unknown) => local.getStore()?.set(key, value),
  run: (work: (context: unknown) => unknown) =>
    local.run(new Map(local.getStore()), () => work(local.getStore())),
});

/** @param by what is written, as the log names it when others wait for it too long */
export type Write = <T>(work: () => Promise<T>, by?: string) => Promise<T>;
const WRITING = 'kibble.writing';
/** Another program may hold the file for a moment (a copy by hand, a look with a tool): tried again so often. */
const TRIES = 6;
const PAUSE_MS = 150;
/** After so long without a write, what was written is brought from SQLite's log beside the file into the file itself. */
const SETTLE_MS = 200;

/** The file behind a database; :memory: for none. */
const fileOf = (sequelize: Sequelize): string =>
  (sequelize as unknown as { options: { storage?: string } }).options.storage ?? ':memory:';

const writers = new WeakMap<Sequelize, Write>();

/**
 * The one writer of a database. Work handed to it runs alone, inside one transaction that holds the right to write
 * from its first line, and stands or falls as a whole; what it reads cannot change under it. Work begun inside
 * other work of the writer belongs to that.
 */
export function writerOf(sequelize: Sequelize): Write {
  const known = writers.get(sequelize);
  if (known) return known;
  const turn = new Lock('writer');
  const file = fileOf(sequelize);
  const once = <T>(work: () => Promise<T>): Promise<T> =>
    sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, () => {
      local.getStore()?.set(WRITING, sequelize);
      return work();
    });
  // Whoever copies the one file, as people do, then has everything in it.
  let settling: NodeJS.Timeout | null = null;
  const settle = (): void => {
    if (settling) clearTimeout(settling);
    settling = setTimeout(() => {
      if (!existsSync(file)) return;
      turn
        .run('settling the file', () =>
          sequelize.query('PRAGMA wal_checkpoint(PASSIVE)', { transaction: null }),
        )
        .catch(() => undefined);
    }, SETTLE_MS);
    settling.unref();
  };
  const write: Write = async (work, by = 'a write') => {
    if (local.getStore()?.get(WRITING) === sequelize) return work();
    settle();
    return turn.run(by, async () => {
      for (let left = TRIES; ; left -= 1) {
        try {
          return await once(work);
        } catch (error) {
          if (sqliteCode(error) !== 'SQLITE_BUSY' || left <= 1) throw error;
          await new Promise((after) => setTimeout(after, PAUSE_MS));
        }
      }
    });
  };
  writers.set(sequelize, write);
  return write;
}
