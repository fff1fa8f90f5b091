import type { TownView } from '@kibble/contract';
import { Piscina } from 'piscina';
import type { PlaceQuestion } from './townsThread.ts';
import { threadFile } from '../planner/threadFile.ts';

/** Nobody looks for towns for so long: the thread and what it holds are let go, ms. */
const IDLE_MS = 600_000;

/**
 * Towns, and distances to the sea, found in a thread of their own: a hundred and forty thousand towns are read when the first
 * is looked for, and the outline of the land when the first distance is asked.
 */
export class Towns {
  private readonly pool: Piscina<PlaceQuestion, TownView[] | number>;

  private constructor(filename: string) {
    this.pool = new Piscina<PlaceQuestion, TownView[] | number>({
      filename,
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: IDLE_MS,
      execArgv: [],
      // Piscina hands the thread its own data; whose folder the packages lie in is the rest.
      workerData: import.meta.url,
    });
  }

  /** @param folder where the thread's program may be written */
  static async start(folder: string): Promise<Towns> {
    return new Towns(await threadFile(new URL('./townsThread.ts', import.meta.url), folder));
  }

  async search(typed: string): Promise<TownView[]> {
    const found = await this.pool.run({ about: 'towns', typed });
    return Array.isArray(found) ? found : [];
  }

  /** Kilometres from a place to the nearest shore. */
  async coastKm(latitudeDeg: number, longitudeDeg: number): Promise<number> {
    return Number(await this.pool.run({ about: 'coast', latitudeDeg, longitudeDeg }));
  }

  async stop(): Promise<void> {
    await this.pool.destroy();
  }
}
