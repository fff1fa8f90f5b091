import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';

/** The practice garden is made within this time, or something is amiss, ms: a slow machine takes half a minute. */
const PATIENCE_MS = 90_000;

/** The practice garden did not open. */
export class NotOpened extends Error {}

/**
 * A practice garden beside one's own, kept wholly apart: a Kibble of its own with a folder and a file of its own, which begins when it
 * is first asked for and ends with this one.
 */
export class PracticeHouse {
  private readonly folder: string;
  private readonly program: string;
  private running: { process: ChildProcess; url: Promise<string> } | null = null;
  /** Where one's own garden is served, so that there is a way back to it. */
  home = '';

  /** @param folder of one's own data, in which the practice garden's lies; `program` that serves a garden */
  constructor(folder: string, program: string) {
    this.program = program;
    this.folder = join(folder, 'three-poplars');
  }

  /** Its address, once it stands. @throws NotOpened */
  open(): Promise<string> {
    this.running ??= this.begin();
    return this.running.url;
  }

  async stop(): Promise<void> {
    const { process: house } = this.running ?? {};
    this.running = null;
    if (!house || house.exitCode !== null) return;
    const gone = new Promise((done) => house.once('exit', done));
    house.kill();
    await gone;
  }

  private begin(): { process: ChildProcess; url: Promise<string> } {
    const house = spawn(process.execPath, [...process.execArgv, this.program, '--demo'], {
      // A free port of its own; the line between them tells it when this one has gone.
      env: { ...process.env, KIBBLE_DATA: this.folder, PORT: '0', KIBBLE_HOME: this.home },
      stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
    });
    const url = new Promise<string>((found, failed) => {
      const fail = (why: string): void => {
        this.running = null;
        failed(new NotOpened(why));
      };
      const late = setTimeout(() => {
        house.kill();
        fail('it took too long');
      }, PATIENCE_MS);
      house.stdout?.on('data', (chunk: Buffer) => {
        const address = /Kibble is at (\S+)/.exec(String(chunk))?.[1];
        if (!address) return;
        clearTimeout(late);
        found(address);
      });
      house.once('error', (error) => fail(error.message));
      house.once('exit', (code) => {
        clearTimeout(late);
        fail(`it ended with ${String(code)}`);
      });
    });
    return { process: house, url };
  }
}
