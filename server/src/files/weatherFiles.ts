import { randomUUID } from 'node:crypto';
import { Piscina } from 'piscina';
import { threadFile } from '../planner/threadFile.ts';
import filesThread, { type FileDone, type FileTask } from './filesThread.ts';
import { FileGone, newProgress, PROGRESS, type ReadAs, type Understood } from './readings.ts';

/** Nobody brings a file for so long: the thread and what it holds are let go, ms. */
const IDLE_MS = 1_800_000;
/** A file of so many bytes or less is read beside large ones, and never waits behind them. */
const SMALL_BYTES = 500_000;
/** Files that a garden, and all gardens together, may have brought and not yet stored, and bytes of those still to be read. Judgements. */
const OF_GARDEN = 4;
const IN_ALL = 12;
const WAITING_BYTES = 100_000_000;

/** Too many files at once: said to whoever brings another. */
export class TooManyFiles extends Error {}

/** Days handed over at once: a quarter of a megabyte of text. */
const DAYS_AT_ONCE = 2000;

/** A file that was brought: whose it is, and how far it is. */
export interface Brought {
  id: string;
  gardenId: number;
  name: string;
  bytes: number;
  progress: Int32Array;
  reading: Promise<Understood>;
  /** What was understood, once it was read. */
  understood: Understood | null;
  /** Days stored so far, while they are. */
  storing: { done: number; of: number } | null;
}

/** Memory of each thread that reads files, MB: a file that needs more is given up, and nothing else with it. */
const THREAD_MB = 1200;
type Lane = (task: FileTask) => Promise<FileDone>;
/** Small files have a thread of their own, and pass large ones. */
interface Lanes {
  small: Lane;
  large: Lane;
}

/**
 * Files of weather that were brought, read in a thread of their own: what is shown before they are stored, and what is stored, is
 * one reading.
 */
export class WeatherFiles {
  private readonly brought = new Map<string, Brought>();
  private readonly lanes: Lanes;
  readonly stop: () => Promise<void>;

  private constructor(lanes: Lanes, stop: () => Promise<void>) {
    this.lanes = lanes;
    this.stop = stop;
  }

  /** @param folder where the thread's program may be written */
  static async beside(folder: string): Promise<WeatherFiles> {
    const filename = await threadFile(new URL('./filesThread.ts', import.meta.url), folder);
    const lane = (): Piscina<FileTask, FileDone> =>
      new Piscina({
        filename,
        minThreads: 0,
        maxThreads: 1,
        idleTimeout: IDLE_MS,
        execArgv: [],
        resourceLimits: { maxOldGenerationSizeMb: THREAD_MB },
      });
    const [small, large] = [lane(), lane()];
    return new WeatherFiles(
      { small: (task) => small.run(task), large: (task) => large.run(task) },
      async () => {
        await Promise.all([small.destroy(), large.destroy()]);
      },
    );
  }

  /** Read in the thread that answers. For tests and small files. */
  static here(): WeatherFiles {
    const here: Lane = (task) => Promise.resolve(filesThread(task));
    return new WeatherFiles({ small: here, large: here }, () => Promise.resolve());
  }

  /**
   * Begins to read a file; of a garden's own that wait to be stored the oldest makes room for it.
   * @throws TooManyFiles while too much waits to be read
   */
  bring(gardenId: number, name: string, bytes: Uint8Array, as: ReadAs): Brought {
    const reading = [...this.brought.values()].filter(({ understood }) => !understood);
    const waiting = reading.reduce((sum, file) => sum + file.bytes, 0);
    if (waiting + bytes.length > WAITING_BYTES || reading.length >= IN_ALL) throw new TooManyFiles();
    if (reading.filter((file) => file.gardenId === gardenId).length >= OF_GARDEN) throw new TooManyFiles();
    const file: Brought = { id: randomUUID(), gardenId, name, bytes: bytes.length, ...this.begun() };
    this.makeRoom(gardenId);
    this.brought.set(file.id, file);
    this.readInto(file, { do: 'take', id: file.id, bytes, as, progress: file.progress });
    return file;
  }

  /** Lets go of what was read longest ago and is not being stored, where a garden or all of them have enough. */
  private makeRoom(gardenId: number): void {
    const letGo = (files: readonly Brought[], most: number): void => {
      const idle = files.filter(({ understood, storing }) => understood && !storing);
      for (const { id } of idle.slice(0, Math.max(0, files.length + 1 - most)))
        void this.forget(id).catch(() => undefined);
    };
    const all = [...this.brought.values()];
    letGo(
      all.filter((file) => file.gardenId === gardenId),
      OF_GARDEN,
    );
    letGo([...this.brought.values()], IN_ALL);
  }

  /** The thread that has a file, or will. */
  private laneOf({ bytes }: Pick<Brought, 'bytes'>): Lane {
    return bytes <= SMALL_BYTES ? this.lanes.small : this.lanes.large;
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
    await this.laneOf(file)({ do: 'forget', id });
  }

  /** The days that were read, as JSON text, some at a time. @throws FileGone */
  async *days(file: Brought): AsyncGenerator<{ text: string; upTo: number }> {
    const count = file.understood?.goodRows ?? 0;
    for (let from = 0; from < count; from += DAYS_AT_ONCE) {
      const done = await this.laneOf(file)({ do: 'days', id: file.id, from, count: DAYS_AT_ONCE });
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
      const done = await this.laneOf(file)(task);
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
