import { existsSync, statSync } from 'node:fs';
import { openRaw, type RawDatabase } from './raw.ts';
import { StartRefusal } from './startRefusal.ts';

/** Whose garden a file holds, written into its head: the demo never opens another's, and only a demo is begun afresh. */
export const HOUSE_KINDS = { own: 0x4b49424f, demo: 0x4b494244 } as const;
export type HouseKind = keyof typeof HOUSE_KINDS;

export interface FileFacts {
  /** Nothing in it yet: missing, empty, or a first start that was cut short. */
  blank: boolean;
  kind: HouseKind | null;
  /** Names of the migrations that it has been through. */
  applied: string[];
}

const has = async (database: RawDatabase, table: string): Promise<boolean> =>
  (await database.all(`SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?`, [table])).length > 0;

async function kindOf(database: RawDatabase): Promise<HouseKind | null> {
  const [head] = await database.all<{ application_id: number }>('PRAGMA application_id');
  const named = (Object.keys(HOUSE_KINDS) as HouseKind[]).find(
    (kind) => HOUSE_KINDS[kind] === head?.application_id,
  );
  if (named) return named;
  if (head?.application_id !== 0)
    throw new StartRefusal('It belongs to another program: it bears another program’s mark.');
  // Files from before the mark was written tell by their gardens.
  if (!(await has(database, 'gardens'))) return null;
  const [demo] = await database.all<{ n: number }>('SELECT count(*) AS n FROM gardens WHERE isDemo = 1');
  const [all] = await database.all<{ n: number }>('SELECT count(*) AS n FROM gardens');
  return (demo?.n ?? 0) > 0 ? 'demo' : (all?.n ?? 0) > 0 ? 'own' : null;
}

/**
 * Looks at a file without changing it.
 * @throws StartRefusal on a file that is sound but not Kibble's; SQLite's own error on one that is no database or damaged
 */
export async function inspectFile(file: string): Promise<FileFacts> {
  if (!existsSync(file) || statSync(file).size === 0) return { blank: true, kind: null, applied: [] };
  const database = await openRaw(file);
  try {
    const check = await database.all<{ quick_check: string }>('PRAGMA quick_check(1)');
    if (check[0]?.quick_check !== 'ok') {
      throw Object.assign(new Error(check[0]?.quick_check ?? 'the check gave no answer'), {
        code: 'SQLITE_CORRUPT',
      });
    }
    const tables = await database.all<{ name: string }>(
      `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`,
    );
    const kind = await kindOf(database);
    if (
      tables.length > 0 &&
      kind === null &&
      !tables.some((t) => ['SequelizeMeta', 'gardens'].includes(t.name))
    )
      throw new StartRefusal('It belongs to another program: none of its tables is Kibble’s.');
    const applied = (await has(database, 'SequelizeMeta'))
      ? (await database.all<{ name: string }>('SELECT name FROM SequelizeMeta ORDER BY name')).map(
          (row) => row.name,
        )
      : [];
    const gardens = (await has(database, 'gardens'))
      ? ((await database.all<{ n: number }>('SELECT count(*) AS n FROM gardens'))[0]?.n ?? 0)
      : 0;
    return { blank: gardens === 0, kind, applied };
  } finally {
    await database.close();
  }
}
