import { randomUUID } from 'node:crypto';
import { Piscina } from 'piscina';
import { threadFile } from '../planner/threadFile.ts';
import filesThread, { type FileDone, type FileTask } from './filesThread.ts';
import { FileGone, newProgress, PROGRESS, type ReadAs, type Understood } from './readings.ts';

/** Nobody brings a file for so long: the thread and what it holds are let go, ms. */
const IDLE_MS = 1_800_000;
/** Days handed over at once: a quarter of a megabyte of text. */
const DAYS_AT_ONCE = 2000;

/** A file that was brought: whose it is, and how far it is. */
export interface Brought {
  id: string;
  gardenId: number;
  name: string;
  progress: Int32Array;
  reading: Promise<Understood>;
  /** What was understood, once it was read. */
  understood: Understood | null;
  /** Days stored so far, while they are. */
  storing: { done: number; of: number } | null;
}

/**
 * Files of weather that were brought, read in a thread of their own: what is shown before they are stored, and what is stored, is
 * one reading.
 */
export class WeatherFiles {
  private readonly brought = new Map<string, Brought>();
  private readonly run: (task: FileTask) => Promise<FileDone>;
  readonly stop: () => Promise<void>;

  private constructor(run: (task: FileTask) => Promise<FileDone>, stop: () => Promise<void>) {
    this.run = run;
    this.stop = stop;
  }

  /** @param folder where the thread's program may be written */
  static async beside(folder: string): Promise<WeatherFiles> {
    const pool = new Piscina<FileTask, FileDone>({
      filename: await threadFile(new URL('./filesThread.ts', import.meta.url), folder),
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: IDLE_MS,
      execArgv: [],
    });
    return new WeatherFiles(
      (task) => pool.run(task),
      () => pool.destroy(),
    );
  }

  /** Read in the thread that answers. For tests and small files. */
  static here(): WeatherFiles {
    return new WeatherFiles(
      (task) => Promise.resolve(filesThread(task)),
      () => Promise.resolve(),
    );
  }

  /** Begins to read a file. */
  bring(gardenId: number, name: string, bytes: Uint8Array, as: ReadAs): Brought {
    const file: Brought = { id: randomUUID(), gardenId, name, ...this.begun() };
    this.brought.set(file.id, file);
    this.readInto(file, { do: 'take', id: file.id, bytes, as, progress: file.progress });
    return file;
  }

  /** Begins to read a file that was brought with other units. @throws FileGone */
  readAgain(id: string, as: ReadAs): Brought {
    const file = this.find(id);
    Object.assign(file, this.begun());
    this.readInto(file, { do: 'read', id, as, progress: file.progress });
    return file;
  }

  /** @throws FileGone */
  find(id: string): Brought {
    const file = this.brought.get(id);
    if (!file) throw new FileGone();
    return file;
  }

  /** Gives a file up, also while it is read. */
  async forget(id: string): Promise<void> {
    const file = this.brought.get(id);
    if (!file) return;
    this.brought.delete(id);
    Atomics.store(file.progress, PROGRESS.givenUp, 1);
    await this.run({ do: 'forget', id });
  }

  /** The days that were read, as JSON text, some at a time. @throws FileGone */
  async *days(file: Brought): AsyncGenerator<{ text: string; upTo: number }> {
    const count = file.understood?.goodRows ?? 0;
    for (let from = 0; from < count; from += DAYS_AT_ONCE) {
      const done = await this.run({ do: 'days', id: file.id, from, count: DAYS_AT_ONCE });
      if (!done || !('days' in done)) throw this.gone(file.id);
      yield { text: done.days, upTo: Math.min(count, from + DAYS_AT_ONCE) };
    }
  }

  private begun(): Pick<Brought, 'progress' | 'reading' | 'understood' | 'storing'> {
    return {
      progress: newProgress(),
      reading: new Promise(() => undefined),
      understood: null,
      storing: null,
    };
  }

  private readInto(file: Brought, task: Extract<FileTask, { progress: Int32Array }>): void {
    const read = async (): Promise<Understood> => {
      const done = await this.run(task);
      if (!done || !('understood' in done)) throw this.gone(file.id);
      // Read again meanwhile, it is no longer what counts.
      if (file.progress === task.progress) file.understood = done.understood;
      return done.understood;
    };
    file.reading = read();
    // Whoever asks is told; a file that nobody asks for any more harms nobody.
    file.reading.catch(() => this.brought.delete(file.id));
  }

  private gone(id: string): FileGone {
    this.brought.delete(id);
    return new FileGone();
  }
}
