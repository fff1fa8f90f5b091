import { fork, type ChildProcess } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Refusal } from '../errors.ts';
import { threadFile } from '../planner/threadFile.ts';
import type { FromChild } from './child.ts';
import type { OnProgress } from './checkDatabase.ts';
import { RESTORE_LIMITS, RESTORE_MB, tooLarge } from './limits.ts';
import { prepareRestore } from './prepare.ts';

type Check = (brought: string, target: string, onProgress?: OnProgress) => Promise<void>;

/** Where files that somebody brings are checked. */
export interface Checking {
  /** @throws Refusal in words, as `prepareRestore` */
  check: Check;
  /** How far the check under way is, in rows; null when none is. */
  progress(): { done: number; of: number } | null;
  stop(): Promise<void>;
}

/** One file after another; a second one meanwhile is told so. */
function oneAtATime(check: Check, stop: () => Promise<void>): Checking {
  let under: { done: number; of: number } | null = null;
  return {
    async check(brought, target, onProgress) {
      if (under)
        throw new Refusal('busy', 'Another file is being checked. Try again when that is done.', 'file');
      under = { done: 0, of: 0 };
      try {
        await check(brought, target, (done, of) => {
          under = { done, of };
          onProgress?.(done, of);
        });
      } finally {
        under = null;
      }
    },
    progress: () => under,
    stop,
  };
}

/** Checks in the process that answers. For tests and what keeps nothing on disk. */
export const checkingHere = (): Checking => oneAtATime(prepareRestore, () => Promise.resolve());

/**
 * Checks in a process of its own with a bound of memory and of time: a file made to keep a computer busy keeps nobody
 * from the garden meanwhile, and the server ends when it is told to.
 * @param folder where the process's program may be written
 */
export function checkingBeside(
  folder: string,
  limits: { ms: number; mb: number } = { ms: RESTORE_LIMITS.ms, mb: RESTORE_MB },
): Checking {
  // Made when it is first needed: most who start Kibble put nothing back.
  let made: Promise<string> | null = null;
  const programFile = (): Promise<string> =>
    (made ??= threadFile(new URL('./child.ts', import.meta.url), folder, ['sqlite3', 'pg-hstore']).then(
      (address) => fileURLToPath(address),
    ));
  // The driver of the database is a program of the machine's own and is read from where it was installed.
  const packages = resolve(dirname(createRequire(import.meta.url).resolve('sqlite3/package.json')), '..');
  let child: ChildProcess | null = null;
  const check: Check = async (brought, target, onProgress) => {
    const program = await programFile();
    return new Promise((done, failed) => {
      const running = fork(program, [brought, target], {
        execArgv: [`--max-old-space-size=${limits.mb}`],
        env: { ...process.env, NODE_PATH: packages },
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      });
      child = running;
      const late = setTimeout(() => {
        failed(
          tooLarge(
            `Checking the file took longer than ${Math.round(limits.ms / 60_000)} minutes and was given up.`,
          ),
        );
        running.kill('SIGKILL');
      }, limits.ms);
      running.on('message', (message: FromChild) => {
        if ('rows' in message) onProgress?.(message.rows, message.of);
        else {
          if ('done' in message) done();
          else if ('refused' in message)
            failed(new Refusal(message.refused.code, message.refused.message, message.refused.field));
          else failed(new Error(message.fault));
          running.kill();
        }
      });
      running.once('error', failed);
      running.once('exit', () => {
        clearTimeout(late);
        child = null;
        // Told already, unless it ended by itself: out of memory, or with the server.
        failed(tooLarge('The file could not be checked: it takes more memory than a garden’s file may.'));
      });
    });
  };
  return oneAtATime(check, async () => {
    const running = child;
    if (!running) return;
    const gone = new Promise((ended) => running.once('exit', ended));
    running.kill('SIGKILL');
    await gone;
  });
}
