import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { openRaw, sqlText } from './raw.ts';

/** Why a copy was made. */
export const COPY_REASONS = ['update', 'nightly', 'restore', 'reset', 'asked'] as const;
export type CopyReason = (typeof COPY_REASONS)[number];

/** Copies kept of each reason. */
const KEPT = 5;
const NAME = /^kibble-(\d{8}T\d{9}Z)-(update|nightly|restore|reset|asked)\.sqlite$/;

export interface Copy {
  name: string;
  madeAt: string;
  reason: CopyReason;
  bytes: number;
}

export const copiesFolder = (file: string): string => join(dirname(file), 'copies');

const stamp = (at: Date): string => at.toISOString().replace(/[-:.]/g, '');
const unstamp = (text: string): string =>
  text.replace(/^(\d{4})(\d{2})(\d{2})T(\d{2})(\d{2})(\d{2})(\d{3})Z$/, '$1-$2-$3T$4:$5:$6.$7Z');

/** The copies beside a database, newest first. */
export function copiesOf(file: string): Copy[] {
  const folder = copiesFolder(file);
  if (file === ':memory:' || !existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): Copy[] => {
      const [, at, reason] = NAME.exec(name) ?? [];
      if (!at || !reason) return [];
      const { size } = statSync(join(folder, name));
      return [{ name, madeAt: unstamp(at), reason: reason as CopyReason, bytes: size }];
    })
    .sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
}

/** Where a copy of this name lies; null for a name that is none. */
export function copyNamed(file: string, name: string): string | null {
  return copiesOf(file).some((copy) => copy.name === name) ? join(copiesFolder(file), name) : null;
}

/** Puts a file's bytes on the disk before anything relies on them. */
export function flush(path: string): void {
  const handle = openSync(path, 'r');
  fsyncSync(handle);
  closeSync(handle);
}

/**
 * Copies a database as it stands at this moment into a file, whole or not at all: what is written on meanwhile is
 * not in it, and a copy cut short never bears the name of one.
 */
export async function copyInto(file: string, target: string): Promise<void> {
  const part = `${target}.part`;
  rmSync(part, { force: true });
  const database = await openRaw(file);
  try {
    await database.run(`VACUUM INTO ${sqlText(part)}`);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  } finally {
    await database.close();
  }
  flush(part);
  renameSync(part, target);
  flush(dirname(target));
}

/** A dated copy beside the database; of each reason the last five are kept. Null for a database in memory. */
export async function makeCopy(file: string, reason: CopyReason, now: Date): Promise<Copy | null> {
  if (file === ':memory:') return null;
  const folder = copiesFolder(file);
  mkdirSync(folder, { recursive: true });
  for (const name of readdirSync(folder))
    if (name.endsWith('.part')) rmSync(join(folder, name), { force: true });
  const name = `kibble-${stamp(now)}-${reason}.sqlite`;
  await copyInto(file, join(folder, name));
  const all = copiesOf(file);
  for (const old of all.filter((copy) => copy.reason === reason).slice(KEPT))
    rmSync(join(folder, old.name), { force: true });
  return all.find((copy) => copy.name === name) ?? null;
}
