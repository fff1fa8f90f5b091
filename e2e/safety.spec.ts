import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { choose, expect, test } from './kibble.ts';

/** What the server holds of a garden, asked as the page asks. */
interface BedPage {
  events: { kind: string; date: string }[];
  bed?: { planting: { cropId: string; version: number } };
}
const asked = (page: Page, path: string): Promise<BedPage> =>
  page.evaluate(async (p) => (await fetch(`/api/${p}`)).json(), path);

test('a double tap on Done writes the watering down once', async ({ page, kibble }) => {
  await page.goto(kibble);
  const stop = page.locator('li[data-stop]').first();
  const bedId = Number(await stop.getAttribute('data-stop'));
  const of = async () =>
    (await asked(page, `beds/${bedId}`)).events.filter(
      (e) => e.kind === 'watering' && e.date === '2026-07-14',
    ).length;
  expect(await of()).toBe(0);
  // Two taps before the page has had time to grey the button.
  await stop.getByRole('button', { name: /^Done: / }).evaluate(async (button: HTMLButtonElement) => {
    button.click();
    button.click();
    await new Promise((after) => setTimeout(after, 120));
    button.click();
  });
  await expect(page.getByRole('status')).toContainText('written down');
  expect(await of()).toBe(1);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(of).toBe(0);
});

test('two who change one bed see both sides, and choose', async ({ page, kibble, context }) => {
  const name = (p: Page) => p.getByLabel('Name of the bed');
  const opened = async (p: Page) => {
    await p.goto(`${kibble}/garden/1/beds`);
    await p.getByRole('button', { name: 'Change' }).first().click();
    await name(p).waitFor();
  };
  const other = await context.newPage();
  await opened(page);
  await opened(other);
  await name(other).fill('Peppers, hers');
  await other.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(other.getByRole('link', { name: 'Peppers, hers' })).toBeVisible();

  await name(page).fill('Peppers, his');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  const both = page.getByRole('row', { name: /Peppers, his.*Peppers, hers/ });
  await expect(both).toBeVisible();
  await expect(name(page)).toHaveValue('Peppers, his');
  await page.getByRole('button', { name: 'Take what is there' }).click();
  await expect(page.getByRole('link', { name: 'Peppers, hers' })).toBeVisible();
});

test('yesterday’s watering is written down for yesterday', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/beds/2`);
  await page.getByRole('button', { name: 'Write down an earlier watering' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Day')).toHaveValue('2026-07-13');
  await dialog.getByLabel('Day').fill('2026-05-01');
  await dialog.getByLabel('Amount').fill('12,5');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Day must lie from 14 Jun to today');
  await dialog.getByLabel('Day').fill('2026-07-12');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('status')).toContainText('12 Jul');
  await expect(
    page.getByRole('listitem').filter({ hasText: '12 Jul' }).filter({ hasText: '13 min' }),
  ).toBeVisible();
  // Whatever it is usually watered with, it may have been cans: three of 10 L.
  await page.getByRole('button', { name: 'Write down an earlier watering' }).click();
  await dialog.getByLabel('Day').fill('2026-07-11');
  await choose(dialog.getByRole('combobox', { name: 'in', exact: true }), 'cans');
  await dialog.getByLabel('Amount').fill('3');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('status').filter({ hasText: '11 Jul' })).toContainText('30');
});

test('everything into a file; a bed it cannot plan is named, the rest stands, it is put right, and all of it undone', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/settings`);
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Write everything to a file' }).click();
  const download = await coming;
  expect(download.suggestedFilename()).toMatch(/^kibble-\d{4}-\d\d-\d\d\.zip$/);
  const files = unzipSync(readFileSync(await download.path()));
  const json = JSON.parse(Buffer.from(files['kibble.json'] ?? []).toString()) as {
    rows: { plantings: { bedId: number; cropId: string }[] };
  };
  // As if a plant had left the catalogue since the file was written.
  for (const planting of json.rows.plantings) if (planting.bedId === 3) planting.cropId = 'moonflower';
  await page.getByLabel('Put a file back').setInputFiles({
    name: 'garden.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(json)),
  });
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Three Poplars: 15 beds');
  await dialog.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('status')).toContainText('Three Poplars put back');

  const trouble = page.getByRole('alert', { name: 'Cannot be planned' });
  await expect(trouble).toContainText('Sweetcorn block.');
  expect(await page.locator('li[data-stop]').count()).toBeGreaterThan(4);
  for (const room of ['section', 'fortnight', 'ground', 'ground/bed/3', 'beds', 'weather']) {
    await page.goto(`${kibble}/garden/1/${room}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByText('This room cannot be shown')).toHaveCount(0);
  }
  await page.goto(`${kibble}/garden/1/round`);
  await trouble.getByRole('link', { name: 'Put it right' }).click();
  await expect(page.getByRole('alert')).toContainText('must be a plant of the catalogue; got moonflower');
  await page.getByRole('link', { name: 'Change the bed' }).click();
  await page
    .getByRole('row', { name: /Sweetcorn block/ })
    .getByRole('button', { name: 'Change' })
    .click();
  await page.getByLabel('Crop').fill('sweetcorn');
  await page
    .getByRole('option', { name: /sweetcorn/i })
    .first()
    .click();
  const keep = page.getByRole('button', { name: 'Keep the changes' });
  await keep.click();
  // The form closes when the change is on record.
  await expect(keep).toHaveCount(0);
  await page.goto(`${kibble}/garden/1/round`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(trouble).toHaveCount(0);

  // The copy of what stood before the file was put back takes everything back.
  await page.goto(`${kibble}/garden/1/settings`);
  const before = page.getByRole('listitem').filter({ hasText: 'before something was put back' });
  await before.getByRole('button').click();
  await page.getByRole('dialog').getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('status')).toContainText('put back');
  const page3 = await asked(page, 'beds/3');
  expect(page3.bed?.planting.cropId).toBe('sweetcorn');
  expect(page3.bed?.planting.version).toBe(0);
});

test('without a round every other room still opens, and says why', async ({ page, kibble }) => {
  await page.route('**/api/gardens/1/round', (route) =>
    route.fulfill({
      status: 500,
      contentType: 'application/json',
      // As Kibble signs what it answers: anything else counts as offline.
      headers: { 'Kibble-House': '0123456789abcdef01234567' },
      body: JSON.stringify({
        error: { code: 'internal', message: 'It stands in the log as number 12AB.', number: '12AB' },
      }),
    }),
  );
  await page.goto(`${kibble}/garden/1/settings`);
  await expect(page.getByText('It stands in the log as number 12AB.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
  await page.getByRole('link', { name: 'Weather' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Weather' })).toBeVisible();
});

test('npm’s own end is heard: what was asked is answered, the file is whole, nothing holds the port', async () => {
  const data = mkdtempSync(join(tmpdir(), 'kibble-stop-'));
  const npm = spawn('npm', ['run', 'demo'], {
    env: { ...process.env, KIBBLE_DATA: data, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((found) =>
    npm.stdout.on('data', (chunk: Buffer) => {
      const [, at] = /Kibble is at (\S+)/.exec(String(chunk)) ?? [];
      if (at) found(at);
    }),
  );
  const answer = fetch(`${url}/api/gardens/1/round`);
  await new Promise((after) => setTimeout(after, 60));
  npm.kill('SIGTERM');
  expect((await answer).status).toBe(200);
  await expect
    .poll(
      () =>
        fetch(url).then(
          () => 'answers',
          () => 'gone',
        ),
      { timeout: 20_000 },
    )
    .toBe('gone');
  await expect.poll(() => existsSync(join(data, 'kibble.sqlite-wal'))).toBe(false);
  rmSync(data, { recursive: true, force: true });
});
