import { AsyncLocalStorage } from 'node:async_hooks';
import { Mutex } from 'async-mutex';
import { Sequelize, Transaction } from 'sequelize';
import { sqliteCode } from './raw.ts';

/** What belongs to one run of asynchronous work; the models' library looks up its transaction here. */
const local = new AsyncLocalStorage<Map<string, unknown>>();
Sequelize.useCLS({
  bind: () => undefined,
  get: (key: string) => local.getStore()?.get(key),
  set: (key: string, value: unknown) => local.getStore()?.set(key, value),
  run: (work: (context: unknown) => unknown) =>
    local.run(new Map(local.getStore()), () => work(local.getStore())),
} as Parameters<typeof Sequelize.useCLS>[0]);

export type Write = <T>(work: () => Promise<T>) => Promise<T>;
const WRITING = 'kibble.writing';
/** Another program may hold the file for a moment (a copy by hand, a look with a tool): tried again so often. */
const TRIES = 6;
const PAUSE_MS = 150;

const writers = new WeakMap<Sequelize, Write>();

/**
 * The one writer of a database. Work handed to it runs alone, inside one transaction that holds the right to write
 * from its first line, and stands or falls as a whole; what it reads cannot change under it. Work begun inside
 * other work of the writer belongs to that.
 */
export function writerOf(sequelize: Sequelize): Write {
  const known = writers.get(sequelize);
  if (known) return known;
  const turn = new Mutex();
  const once = <T>(work: () => Promise<T>): Promise<T> =>
    sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, () => {
      local.getStore()?.set(WRITING, sequelize);
      return work();
    });
  const write: Write = async (work) => {
    if (local.getStore()?.get(WRITING) === sequelize) return work();
    return turn.runExclusive(async () => {
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
