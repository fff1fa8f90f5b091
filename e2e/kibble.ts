import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test as base, type Locator, type Page } from '@playwright/test';

export const root = fileURLToPath(new URL('..', import.meta.url));
/** Where the setup left the demo's file, planted once for all tests. */
export const SEEDED = 'KIBBLE_E2E_SEEDED';

/** A Kibble of its own for each test, in a folder that is thrown away: the demo's garden, or none yet. */
export interface House {
  /** The folder of its data. */
  data: string;
  url: string;
  /** Its address on the network, and the code that was printed for the first device; empty where it is not shared. */
  network: string;
  code: string;
  /** The plug is pulled. */
  kill: () => Promise<void>;
  /** Stopped in order: everything is in its one file then. */
  end: () => Promise<void>;
  /** Started once more on the same folder and port. */
  again: () => Promise<void>;
  stop: () => Promise<void>;
}

export async function startHouse(kind: 'demo' | 'own', args: string[] = []): Promise<House> {
  const data = mkdtempSync(join(tmpdir(), 'kibble-e2e-'));
  const seeded = process.env[SEEDED];
  if (kind === 'demo' && seeded) copyFileSync(seeded, join(data, 'kibble.sqlite'));
  // The system chooses a free port; started again, the server takes the same one.
  let port = '0';
  let server: ChildProcess;
  const begin = (): Promise<string> => {
    server = spawn(
      process.execPath,
      ['server/dist/main.mjs', ...(kind === 'demo' ? ['--demo'] : []), ...args],
      {
        cwd: root,
        env: { ...process.env, KIBBLE_ANSWERS: 'strict', KIBBLE_DATA: data, PORT: port },
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    return new Promise<string>((found, failed) => {
      let said = '';
      server.stdout?.on('data', (chunk: Buffer) => {
        said += String(chunk);
        if (/Kibble is at \S+/.test(said)) found(said);
      });
      server.once('exit', (code) => failed(new Error(`the server ended with ${code}`)));
    });
  };
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    if (server.exitCode !== null || server.signalCode !== null) return;
    const gone = new Promise((done) => server.once('exit', done));
    server.kill(signal);
    await gone;
  };
  const said = await begin();
  const url = /Kibble is at (\S+)/.exec(said)?.[1] ?? '';
  port = new URL(url).port;
  return {
    data,
    url,
    network: /On the home network: (http:\S+)/.exec(said)?.[1] ?? '',
    code: /code (\d{6})/.exec(said)?.[1] ?? '',
    kill: () => end('SIGKILL'),
    end: () => end('SIGTERM'),
    again: async () => void (await begin()),
    // What it is still planning for the page that was just left is wanted by nobody, nor is its folder.
    stop: async () => {
      await end('SIGKILL');
      rmSync(data, { recursive: true, force: true });
    },
  };
}

export const test = base.extend<{ kibble: string; ownKibble: string; house: House }>({
  kibble: async ({}, use) => {
    const { url, stop } = await startHouse('demo');
    await use(url);
    await stop();
  },
  ownKibble: async ({}, use) => {
    const { url, stop } = await startHouse('own');
    await use(url);
    await stop();
  },
  // Shared on an address of the machine that no other machine reaches.
  house: async ({}, use) => {
    const house = await startHouse('demo', ['--share=127.0.0.2']);
    await use(house);
    await house.stop();
  },
});
export { expect } from '@playwright/test';

/** Every room of the demo's garden, and the setup. */
export const ROUTES = [
  '/new',
  '/garden/1/round',
  '/garden/1/section',
  '/garden/1/fortnight',
  '/garden/1/ground',
  '/garden/1/ground/bed/1',
  '/garden/1/ground/bed/1/feel',
  '/garden/1/pots',
  '/garden/1/pots/1',
  '/garden/1/pots/weigh',
  '/garden/1/trees',
  '/garden/1/trees/12',
  '/garden/1/weather',
  '/garden/1/settings',
  '/garden/1/words',
  '/garden/1/beds',
  '/garden/1/beds/1',
];

/** Where something lies once nothing moves it any more: what still moves, a hand misses. */
export async function restingBox(
  what: Locator,
): Promise<{ x: number; y: number; width: number; height: number }> {
  let before = '';
  await expect
    .poll(
      async () => {
        const box = JSON.stringify(await what.boundingBox());
        const rests = box === before && box !== 'null';
        before = box;
        return rests;
      },
      { intervals: [250] },
    )
    .toBe(true);
  const box = await what.boundingBox();
  if (!box) throw new Error('It is drawn no more.');
  return box;
}

/** Takes one of a choice’s options, by its value or, where that says nothing, by its words. */
export async function choose(choice: Locator, taken: string | { words: RegExp }): Promise<void> {
  await choice.click();
  const page = choice.page();
  await (
    typeof taken === 'string'
      ? page
          .locator(`[role=option][data-value="${taken}"]`)
          .or(page.getByRole('option', { name: taken, exact: true }))
          .first()
      : page.getByRole('option').filter({ hasText: taken.words })
  ).click();
  await expect(choice).toHaveAttribute('aria-expanded', 'false');
}

/** Rows of the walk, each a stop that is still to be made. */
export const stopsOf = (page: Page): Locator => page.getByRole('main').locator('li[data-stop]');
/** One stop's row. */
export const stopOf = (page: Page, name: string): Locator =>
  page.getByRole('main').getByRole('listitem', { name, exact: true });
/** The stop that is opened beside the walk. */
export const openedStop = (page: Page): Locator => page.getByRole('complementary', { name: 'Where you are' });
/** Opens a stop from its row. */
export async function openStop(page: Page, name: string): Promise<Locator> {
  await page
    .getByRole('main')
    .locator(`li[data-stop][aria-label="${name}"]`)
    .getByRole('button')
    .first()
    .click();
  const opened = openedStop(page);
  await opened.getByRole('heading', { name, exact: true }).waitFor();
  return opened;
}
