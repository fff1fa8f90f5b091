import sqlite3 from 'sqlite3';

/** One plain connection to a SQLite file, beside the models: for looking, copying and locking. */
export interface RawDatabase {
  run(sql: string, values?: unknown[]): Promise<void>;
  all<T>(sql: string, values?: unknown[]): Promise<T[]>;
  close(): Promise<void>;
}

/** Opens a file. `create` makes it when it is missing; `patienceMs` is how long a lock of others is waited for. */
export async function openRaw(
  file: string,
  options: { create?: boolean; patienceMs?: number } = {},
): Promise<RawDatabase> {
  const mode = sqlite3.OPEN_READWRITE | (options.create ? sqlite3.OPEN_CREATE : 0);
  const database = await new Promise<sqlite3.Database>((done, failed) => {
    const made = new sqlite3.Database(file, mode, (error) => (error ? failed(error) : done(made)));
  });
  database.configure('busyTimeout', options.patienceMs ?? 5000);
  return {
    run: (sql, values = []) =>
      new Promise((done, failed) => database.run(sql, values, (error) => (error ? failed(error) : done()))),
    all: <T>(sql: string, values: unknown[] = []) =>
      new Promise<T[]>((done, failed) =>
        database.all<T>(sql, values, (error, rows) => (error ? failed(error) : done(rows))),
      ),
    close: () => new Promise((done, failed) => database.close((error) => (error ? failed(error) : done()))),
  };
}

/** SQLite's own name of what went wrong (SQLITE_FULL, SQLITE_BUSY…), also where the models' library has wrapped it. */
export function sqliteCode(error: unknown): string | null {
  for (let at = error as { code?: unknown; parent?: unknown; cause?: unknown } | undefined; at;) {
    if (typeof at.code === 'string' && at.code.startsWith('SQLITE_')) return at.code;
    at = (at.parent ?? at.cause) as typeof at;
  }
  return null;
}

/** A file's name as SQL text. */
export const sqlText = (text: string): string => `'${text.replaceAll("'", "''")}'`;
