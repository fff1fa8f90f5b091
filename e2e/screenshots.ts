import { choose, test } from './kibble.ts';

/** The views kept in docs/screenshots, as the demo garden shows them on its first morning. */
const VIEWS = [
  ['round', '/garden/1/round', 1280, 800],
  ['round-phone', '/garden/1/round', 390, 844],
  ['section', '/garden/1/section', 1280, 800],
  ['pots', '/garden/1/pots', 1280, 800],
  ['pot', '/garden/1/pots/1', 1280, 800],
  ['trees', '/garden/1/trees', 1280, 800],
  ['tree', '/garden/1/trees/12', 1280, 800],
  ['bed', '/garden/1/beds/2', 1280, 800],
  ['fortnight', '/garden/1/fortnight', 1280, 800],
  ['ground-of-bed', '/garden/1/ground/bed/1', 1280, 800],
  ['weather', '/garden/1/weather', 1280, 800],
] as const;

test('pictures of the main views', async ({ page, kibble }) => {
  for (const [name, path, width, height] of VIEWS) {
    await page.setViewportSize({ width, height });
    await page.goto(`${kibble}${path}`);
    await page.getByRole('heading').first().waitFor();
    await page.waitForLoadState('networkidle');
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
  }
});

test('the setup with its plan growing', async ({ page, kibble }) => {
  await page.goto(`${kibble}/new`);
  await choose(page.getByLabel('Units'), 'metric');
  await page.getByLabel('Town, or one near by').fill('Graz');
  await page.getByRole('listbox').getByRole('option').first().click();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByText('stays a ball').click();
  await page.getByText('is under 25 mm').click();
  await page.getByText('gritty').click();
  await page.getByText('moist', { exact: true }).click();
  await page.getByText('as usual').click();
  await page.getByTestId('growing').getByText('Within easy reach').waitFor();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: 'docs/screenshots/setup.png' });
});

test('many beds from a table', async ({ page, kibble }) => {
  const rows = [
    ['Bed', 'Part', 'Length (m)', 'Width', 'Soil', 'Crop', 'Planted', 'Watered by', 'Tap'],
    ['R1', 'River strip', '18', '75', 'silt loam', 'Leeks', '12 May', 'drip tape', 'Pump'],
    ['R2', 'River strip', '18', '75', 'silt loam', 'Brocolli', '2 June', 'drip tape', 'Pump'],
    ['R3', 'River strip', '18', '75', 'silt loam', 'Beans', '20 May', 'drip tape', 'Pump'],
    ['R4', 'River strip', 'long', '75', 'silt loam', 'Carrots', '3 May', 'drip tape', 'Pump'],
    ['', 'River strip', '18', '75', '', '', '', '', 'Pump'],
  ];
  await page.setViewportSize({ width: 1280, height: 1100 });
  await page.goto(`${kibble}/garden/1/beds/table`);
  await page.getByLabel('Rows, with the names').fill(rows.map((row) => row.join('\t')).join('\n'));
  await page.getByLabel('Length (m) on line 5').waitFor();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: 'docs/screenshots/beds-table.png' });
});

test('a guided test under way', async ({ page, kibble }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${kibble}/garden/1/ground/bed/3/bucket`);
  await page.getByRole('button', { name: 'It runs' }).click();
  await page.getByRole('timer').waitFor();
  await page.screenshot({ path: 'docs/screenshots/test-bucket-phone.png' });
});

test('the working of a watering, opened', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/round`);
  await page
    .getByRole('button', { name: /show the working/ })
    .first()
    .click();
  const drawer = page.getByRole('dialog');
  await drawer.getByTestId('working-headline').waitFor();
  const closed = drawer.locator('button[aria-expanded=false]');
  for (let i = 0; i < 5 && (await closed.count()) > 0; i += 1) await closed.first().click();
  await page.screenshot({ path: 'docs/screenshots/working.png' });
});

test('your data', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/settings`);
  await page.getByRole('button', { name: 'Make a copy now' }).click();
  await page.getByRole('status').getByRole('button', { name: 'Close this message' }).click();
  await page.getByRole('heading', { name: 'Your data' }).evaluate((heading) => {
    void heading.scrollIntoView({ block: 'start' });
  });
  await page.screenshot({ path: 'docs/screenshots/your-data.png' });
});

test('the round in the dark', async ({ page, kibble }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${kibble}/garden/1/round`);
  await page.getByRole('heading').first().waitFor();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: 'docs/screenshots/round-dark.png' });
});

test('on the home network, and without a way home', async ({ page, browser, house }) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  });
  const phone = await context.newPage();
  await phone.goto(house.network);
  await phone.getByLabel('Six figures').fill(house.code);
  await phone.getByLabel('What this device is called').fill('kitchen phone');
  await phone.getByRole('button', { name: 'Let this device in' }).click();
  await phone.locator('[data-stop-panel]').waitFor();
  await phone.waitForTimeout(2000);
  await phone.waitForLoadState('networkidle');
  await context.setOffline(true);
  await phone.getByRole('button', { name: 'Done', exact: true }).click();
  await phone.getByRole('button', { name: '1 kept here, not yet at home' }).waitFor();
  await phone.waitForTimeout(1500);
  await phone.screenshot({ path: 'docs/screenshots/outdoors-phone.png' });
  await page.goto(`${house.url}/garden/1/settings`);
  await page.getByRole('button', { name: /code$/ }).click();
  await page.getByTestId('code').waitFor();
  await page.getByRole('heading', { name: 'On the home network' }).evaluate((heading) => {
    void heading.scrollIntoView({ block: 'start' });
  });
  await page.screenshot({ path: 'docs/screenshots/sharing.png' });
  await context.close();
});
