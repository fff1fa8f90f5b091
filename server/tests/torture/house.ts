import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { openRaw } from '../../src/db/raw.ts';

const root = fileURLToPath(new URL('../../..', import.meta.url));
const PATIENCE_MS = 60_000;

export const pause = (ms: number): Promise<void> => new Promise((after) => setTimeout(after, ms));

/** A folder of its own, to be thrown away. */
export const newFolder = (): string => mkdtempSync(join(tmpdir(), 'kibble-torture-'));

/** Every process that was begun and has not ended: none of them outlives the run, however it ends. */
const running = new Set<ChildProcess>();
process.on('exit', () => {
  for (const child of running) child.kill('SIGKILL');
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => process.exit(1));

/** A Kibble as a process of its own, that can be killed like one. */
export class House {
  readonly folder: string;
  private readonly args: string[];
  private child: ChildProcess | null = null;
  url = '';
  /** What it said last on its way out. */
  words = '';

  constructor(folder: string, args: string[] = []) {
    this.folder = folder;
    this.args = args;
  }

  get file(): string {
    return resolve(this.folder, 'kibble.sqlite');
  }

  /** Starts the process without waiting for it to answer. */
  spawn(): void {
    this.words = '';
    this.child = spawn(process.execPath, ['server/dist/main.mjs', ...this.args], {
      cwd: root,
      env: { ...process.env, KIBBLE_DATA: this.folder, PORT: '0' },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const { child } = this;
    running.add(child);
    child.once('exit', () => running.delete(child));
    child.stderr?.on('data', (chunk: Buffer) => (this.words += String(chunk)));
  }

  /** Starts it and waits until it answers; false when it refused to, its words then in `words`. */
  async start(): Promise<boolean> {
    this.spawn();
    const { child } = this;
    return new Promise((done, failed) => {
      const late = setTimeout(
        () => failed(new Error(`no start within a minute: ${this.words}`)),
        PATIENCE_MS,
      );
      child?.stdout?.on('data', (chunk: Buffer) => {
        const [, url] = /Kibble is at (\S+)/.exec(String(chunk)) ?? [];
        if (!url) return;
        clearTimeout(late);
        this.url = url;
        done(true);
      });
      child?.once('exit', () => {
        clearTimeout(late);
        done(false);
      });
    });
  }

  private async ended(signal: NodeJS.Signals): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill(signal);
    await gone;
  }

  /** The plug is pulled. */
  kill = (): Promise<void> => this.ended('SIGKILL');
  stop = (): Promise<void> => this.ended('SIGTERM');

  /** Sends something; null when no answer came. */
  async send(
    method: string,
    path: string,
    body?: unknown,
    key?: string,
    more: Readonly<Record<string, string>> = {},
  ): Promise<{
    status: number;
    body: { id?: number; error?: { code: string; message: string } } & Record<string, unknown>;
  } | null> {
    try {
      const answer = await fetch(`${this.url}/api${path}`, {
        method,
        headers: {
          'Content-Type': body instanceof Uint8Array ? 'application/octet-stream' : 'application/json',
          ...(key ? { 'Idempotency-Key': key } : {}),
          ...more,
        },
        body:
          body instanceof Uint8Array
            ? (body as never)
            : body === undefined
              ? undefined
              : JSON.stringify(body),
      });
      return { status: answer.status, body: (await answer.json()) as never };
    } catch {
      return null;
    }
  }

  /** Reads the file beside the running process, as it stands. */
  async rows<T extends object>(sql: string): Promise<T[]> {
    const database = await openRaw(this.file);
    try {
      return await database.all<T>(sql);
    } finally {
      await database.close();
    }
  }

  remove(): void {
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** What must hold, or the whole run stops there with these words. */
export function must(holds: boolean, words: string): void {
  if (!holds) throw new Error(words);
}

export const GARDEN = {
  garden: {
    name: 'Under torture',
    latitudeDeg: 47,
    timeZone: 'Europe/Paris',
    clock: { mode: 'practice', date: '2026-07-14' },
  },
  bed: {
    name: 'Tomatoes',
    areaM2: 100,
    textureClass: 'loam',
    planting: { cropId: 'tomato', plantedOn: '2026-05-15' },
    delivery: { method: 'hose wand', litresPerMinute: 12 },
  },
};

/** A year of weather and a half as a file, every day with the same mark in its rain. */
export const weatherFile = (mark: number): string =>
  [
    'date,tmin (°C),tmax (°C),rain (mm)',
    ...Array.from({ length: 550 }, (_, i) => {
      const day = new Date(Date.UTC(2025, 0, 1 + i)).toISOString().slice(0, 10);
      return `${day},10,20,${mark}`;
    }),
  ].join('\n');
