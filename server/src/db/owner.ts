import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { openRaw, sqliteCode } from './raw.ts';
import { StartRefusal } from './startRefusal.ts';

const ownerNote = z.object({ pid: z.number(), since: z.string() });

/**
 * Makes this process the one owner of a data folder. The lock is an open transaction in a small file of its own:
 * the system lets go of it when the process ends, however it ends, so that a crash leaves nothing stale behind.
 * @throws StartRefusal when another Kibble has the folder
 */
export async function ownFolder(folder: string, now: Date): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true });
  const lock = await openRaw(join(folder, 'kibble.lock'), { create: true, patienceMs: 500 });
  try {
    await lock.run('BEGIN IMMEDIATE');
  } catch (error) {
    await lock.close();
    if (sqliteCode(error) !== 'SQLITE_BUSY') throw error;
    throw new StartRefusal(
      `Another Kibble has ${folder} open${ownerWords(folder)}. Two at once would not see each other’s waterings: stop it first, or choose another folder with KIBBLE_DATA.`,
    );
  }
  writeFileSync(
    join(folder, 'kibble.owner.json'),
    JSON.stringify({ pid: process.pid, since: now.toISOString() }),
  );
  return async () => {
    await lock.run('ROLLBACK').catch(() => undefined);
    await lock.close();
  };
}

function ownerWords(folder: string): string {
  try {
    const { pid, since } = ownerNote.parse(
      JSON.parse(readFileSync(join(folder, 'kibble.owner.json'), 'utf8')),
    );
    return ` (process ${pid}, since ${since.slice(0, 16).replace('T', ' ')} UTC)`;
  } catch {
    return '';
  }
}
