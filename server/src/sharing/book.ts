import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { RIGHTS } from '@kibble/contract';
import { z } from 'zod';

const device = z.object({
  id: z.string(),
  name: z.string(),
  rights: z.enum(RIGHTS),
  /** Of a helper: the gardens it was invited to, and the id of the file in which they bear these numbers. */
  gardens: z.array(z.number()).optional(),
  house: z.string().optional(),
  /** What it shows is kept as its SHA-256 alone. */
  proof: z.string(),
  pairedAt: z.string(),
  seenAt: z.string(),
});
const feed = z.object({
  gardenId: z.number(),
  /** Secret part of the calendar's address. */
  secret: z.string(),
  /** The device it was shown on, with which it ends; null for this computer. */
  deviceId: z.string().nullable(),
});
const pages = z.object({
  version: z.literal(1),
  on: z.boolean(),
  proxy: z.string().nullable(),
  /** Signs the cookies. */
  secret: z.string(),
  devices: z.array(device),
  /** Calendar addresses that were given out. */
  feeds: z.array(feed).default([]),
  /** Addresses from when a garden had one for everybody: they go on as this computer's until a new one is made. */
  calendars: z.record(z.string(), z.string()).default({}),
});
export type Device = z.infer<typeof device>;
export type Pages = z.infer<typeof pages>;

const blank = (): Pages => ({
  version: 1,
  on: false,
  proxy: null,
  secret: randomBytes(32).toString('base64url'),
  devices: [],
  feeds: [],
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
    for (const [gardenId, secret] of Object.entries(this.pages.calendars))
      this.pages.feeds.push({ gardenId: Number(gardenId), secret, deviceId: null });
    this.pages.calendars = {};
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
