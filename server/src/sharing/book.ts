import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { RIGHTS } from '@kibble/contract';
import { z } from 'zod';

const device = z.object({
  id: z.string(),
  name: z.string(),
  rights: z.enum(RIGHTS),
  /** What it shows is kept as its SHA-256 alone. */
  proof: z.string(),
  pairedAt: z.string(),
  seenAt: z.string(),
});
const pages = z.object({
  version: z.literal(1),
  on: z.boolean(),
  proxy: z.string().nullable(),
  /** Signs the cookies. */
  secret: z.string(),
  devices: z.array(device),
  /** Secret part of each garden's calendar address. */
  calendars: z.record(z.string(), z.string()),
});
export type Device = z.infer<typeof device>;
export type Pages = z.infer<typeof pages>;

const blank = (): Pages => ({
  version: 1,
  on: false,
  proxy: null,
  secret: randomBytes(32).toString('base64url'),
  devices: [],
  calendars: {},
});

/** Folder of what belongs to this machine and not to the garden: no archive and no copy takes a device or a key along. */
export const sharingFolder = (folder: string): string => join(folder, 'sharing');

/** Writes a file that only its owner may read, whole or not at all. */
export function writePrivately(file: string, text: string): void {
  writeFileSync(`${file}.new`, text, { mode: 0o600 });
  renameSync(`${file}.new`, file);
}

/** Which devices were let in, and how this machine shares. */
export class Book {
  private readonly file: string;
  readonly pages: Pages;

  /** A book that cannot be read lets nobody in: it is begun anew, and every device pairs again. */
  constructor(folder: string) {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    this.file = join(folder, 'devices.json');
    this.pages = this.read() ?? blank();
  }

  private read(): Pages | null {
    if (!existsSync(this.file)) return null;
    try {
      return pages.parse(JSON.parse(readFileSync(this.file, 'utf8')));
    } catch {
      renameSync(this.file, `${this.file}.unread`);
      return null;
    }
  }

  keep(): void {
    writePrivately(this.file, JSON.stringify(this.pages, null, 1));
  }
}
