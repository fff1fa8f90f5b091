import { test } from './kibble.ts';

/** The views kept in docs/screenshots, as the demo garden shows them on its first morning. */
const VIEWS = [
  ['round', '/garden/1/round', 1280, 800],
  ['round-phone', '/garden/1/round', 390, 844],
  ['bed', '/garden/1/beds/2', 1280, 800],
  ['beds', '/garden/1/beds', 1280, 800],
  ['weather', '/garden/1/weather', 1280, 800],
  ['settings', '/garden/1/settings', 1280, 800],
  ['setup', '/new', 1280, 800],
] as const;

test('pictures of the main views', async ({ page, kibble }) => {
  for (const [name, path, width, height] of VIEWS) {
    await page.setViewportSize({ width, height });
    await page.goto(`${kibble}${path}`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForLoadState('networkidle');
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
  }
});

test('the working of a watering, opened', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/round`);
  await page
    .getByRole('button', { name: /show the working/ })
    .first()
    .click();
  const closed = page.locator('details:not([open]) > summary');
  for (let i = 0; i < 5 && (await closed.count()) > 0; i += 1) await closed.first().click();
  await page.screenshot({ path: 'docs/screenshots/working.png' });
});

test('the round in the dark', async ({ page, kibble }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${kibble}/garden/1/round`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: 'docs/screenshots/round-dark.png' });
});
