import type { TownView } from '@kibble/contract';
import { Piscina } from 'piscina';
import { threadFile } from '../planner/threadFile.ts';

/** Nobody looks for towns for so long: the thread and what it holds are let go, ms. */
const IDLE_MS = 600_000;

/** Towns found in a thread of their own: a hundred and forty thousand of them are read when the first is looked for. */
export class Towns {
  private readonly pool: Piscina<string, TownView[]>;

  private constructor(filename: string) {
    this.pool = new Piscina<string, TownView[]>({
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

  search(typed: string): Promise<TownView[]> {
    return this.pool.run(typed);
  }

  async stop(): Promise<void> {
    await this.pool.destroy();
  }
}
