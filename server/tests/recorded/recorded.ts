import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { unzipSync } from 'fflate';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import type { Express } from 'express';
import { openDatabase } from '../../src/db/open.ts';
import { appHere } from '../appHere.ts';
import { closesInOrder } from '../fresh.ts';
import type { RecordedGarden } from './gardens.ts';

export const FOLDER = 'server/fixtures/recorded';
const archiveOf = (name: string): string => join(FOLDER, `${name}.zip`);
const viewsFile = (name: string): string => join(FOLDER, `${name}.json.gz`);

export const readArchive = (name: string): Uint8Array => readFileSync(archiveOf(name));
export const saveArchive = (name: string, bytes: Uint8Array): void => writeFileSync(archiveOf(name), bytes);
export const readViews = (name: string): Record<string, unknown> =>
  JSON.parse(gunzipSync(readFileSync(viewsFile(name))).toString('utf8')) as Record<string, unknown>;
export const saveViews = (name: string, views: Record<string, unknown>): void =>
  writeFileSync(viewsFile(name), gzipSync(JSON.stringify(views), { level: 9 }));

/** A recorded garden's file in a folder, as it was when it was recorded. */
export function unpackRecorded(name: string, folder: string): string {
  const file = join(folder, `${name}.sqlite`);
  const database = unzipSync(readArchive(name))['kibble.sqlite'];
  if (!database) throw new Error(`the archive of ${name} holds no database`);
  writeFileSync(file, database);
  return file;
}

/** A recorded garden under today's program, on the morning on which it was recorded. */
export async function openRecorded(
  { name, now }: RecordedGarden,
  folder: string,
): Promise<{ file: string; sequelize: Sequelize; app: Express }> {
  const file = unpackRecorded(name, folder);
  const sequelize = closesInOrder(await openDatabase(file));
  const app = appHere({ sequelize, wall: { now: () => new Date(now) }, log: pino({ level: 'silent' }) });
  return { file, sequelize, app };
}
