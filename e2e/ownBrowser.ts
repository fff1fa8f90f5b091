import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable, Writable } from 'node:stream';
import { browser as settings } from './browser.ts';

type Answer = (message: { result?: unknown; error?: { message: string } }) => void;

/**
 * A browser with a profile of its own and without a test's tools on its pages: with those it keeps where every error was
 * made, and reads each program once more for it, which costs a slow phone an eighth of a second that no gardener waits.
 */
export class OwnBrowser {
  private readonly folder = mkdtempSync(join(tmpdir(), 'kibble-phone-'));
  private readonly running: ChildProcess;
  private readonly answers = new Map<number, Answer>();
  private asked = 0;
  private heard = '';

  constructor() {
    const { executablePath, args } = settings.launchOptions;
    this.running = spawn(
      executablePath,
      [...args, '--headless', '--remote-debugging-pipe', `--user-data-dir=${this.folder}`, 'about:blank'],
      { stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'] },
    );
    const said = this.running.stdio[4] as Readable;
    said.setEncoding('utf8');
    said.on('data', (text: string) => this.hear(text));
  }

  private hear(text: string): void {
    const messages = (this.heard + text).split('\0');
    this.heard = messages.pop() ?? '';
    for (const message of messages) {
      const told = JSON.parse(message) as { id?: number } & Parameters<Answer>[0];
      if (told.id !== undefined) this.answers.get(told.id)?.(told);
    }
  }

  /** Asks the browser, or one of its pages, for something. */
  async send<T>(method: string, params: object = {}, sessionId?: string): Promise<T> {
    const id = ++this.asked;
    const answer = new Promise<T>((told, failed) =>
      this.answers.set(id, ({ result, error }) => {
        this.answers.delete(id);
        if (error) failed(new Error(`${method}: ${error.message}`));
        else told(result as T);
      }),
    );
    (this.running.stdio[3] as Writable).write(`${JSON.stringify({ id, method, params, sessionId })}\0`);
    return answer;
  }

  async close(): Promise<void> {
    const ended = once(this.running, 'exit');
    await this.send('Browser.close');
    await ended;
    rmSync(this.folder, { recursive: true, force: true });
  }
}
