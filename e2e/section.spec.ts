import type { Page } from '@playwright/test';
import { choose, expect, test } from './kibble.ts';

interface Section {
  dates: string[];
  todayIndex: number;
  beds: {
    bedId: number;
    bedName: string;
    state: string;
    core: { rootDepthMm: number };
    days: { layersMm: number[]; frontMm: number }[];
  }[];
}
const section = async (page: Page, kibble: string): Promise<Section> =>
  (await (await page.request.get(`${kibble}/api/gardens/1/section`)).json()) as Section;

const drawnWater = (page: Page, bedId: number): Promise<number[]> =>
  page
    .locator(`[data-bed="${bedId}"] [data-part=water]`)
    .getAttribute('data-water-mm')
    .then((text) => (text ?? '').split(' ').map(Number));

test('what is drawn is what the engine says, this morning and a week on', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/section`);
  await page.getByTestId('section').waitFor();
  const told = await section(page, kibble);
  expect(told.beds.length).toBe(15);
  for (const bed of told.beds)
    expect(await drawnWater(page, bed.bedId)).toEqual(bed.days[told.todayIndex - 1]?.layersMm);

  const time = page.getByRole('slider', { name: 'Time' });
  await time.press('Home');
  for (let i = 0; i < 14; i += 1) await time.press('ArrowRight');
  await expect(page.getByText('Wed 22 Jul, evening, as forecast, the plan followed')).toBeVisible();
  for (const bed of told.beds)
    await expect.poll(() => drawnWater(page, bed.bedId)).toEqual(bed.days[14]?.layersMm);
  await page.getByRole('button', { name: 'Back to this morning' }).click();
  await expect.poll(() => drawnWater(page, 1)).toEqual(told.beds[0]?.days[told.todayIndex - 1]?.layersMm);
});

test('drawing along the weather moves the section; between two days it stands between them', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/section`);
  await page.getByTestId('section').waitFor();
  const path = () => page.locator('[data-bed="3"] [data-part=water]').getAttribute('d');
  const before = await path();
  const ribbon = await page
    .getByRole('region', { name: /^Weather/ })
    .getByRole('list')
    .boundingBox();
  if (!ribbon) throw new Error('the ribbon must be on the page');
  await page.mouse.move(ribbon.x + ribbon.width * 0.3, ribbon.y + 30);
  await page.mouse.down();
  await page.mouse.move(ribbon.x + ribbon.width * 0.73, ribbon.y + 30, { steps: 8 });
  await expect.poll(path).not.toBe(before);
  const between = await path();
  await page.mouse.up();
  // Let go, it comes to rest on the nearest evening.
  await expect.poll(path).not.toBe(between);
});

test('the driest first, the deepest roots, a part of the garden, and the same as a table', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/section`);
  await page.getByTestId('section').waitFor();
  await choose(page.getByLabel('Sort'), 'urgency');
  const first = page.getByRole('list', { name: 'Beds, cut open' }).getByRole('listitem').first();
  await expect(first.getByRole('link')).toHaveAccessibleName(/today/);
  const told = await section(page, kibble);
  const dry = told.beds.filter((b) => b.state === 'past its line').map((b) => b.bedName);
  const name = await first.getByRole('link').innerText();
  expect(dry.some((bed) => name.startsWith(bed))).toBe(true);

  await choose(page.getByLabel('Part'), 'Yard');
  await expect(page.getByRole('list', { name: 'Beds, cut open' }).getByRole('listitem')).toHaveCount(6);
  await page.getByRole('button', { name: 'As a table' }).click();
  await expect(page.getByRole('row', { name: /Hybrid musks/ })).toContainText('mm');
  await page.getByLabel('Find').fill('nothing of the kind');
  await expect(page.getByText('No bed answers to this')).toBeVisible();
  await page.getByRole('button', { name: 'Show all beds' }).click();
  await expect(page.getByTestId('section')).toBeVisible();
  // All of them stay: what was looked for is not looked for again a moment later.
  await expect(page.getByLabel('Find')).toHaveValue('');

  // Arrow keys walk from core to core, Enter opens the bed: once they stand in the order of the walk again.
  const second = page.getByRole('list', { name: 'Beds, cut open' }).getByRole('listitem').nth(1);
  await expect(second.getByRole('link')).toHaveAccessibleName(/^Tomatoes, long bed/);
  await page.getByRole('link', { name: /^Peppers, low ground/ }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Tomatoes, long bed' })).toBeVisible();
});

test('“I saw it today” moves the calendar, and undo moves it back', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/beds/2`);
  const strip = page.getByRole('region', { name: 'Stages of Tomato' });
  const ripening = strip.getByRole('listitem').filter({ hasText: 'ripening' });
  const before = await ripening.innerText();
  await strip
    .getByRole('listitem')
    .filter({ hasText: 'in full leaf' })
    .getByRole('button', { name: 'I saw it today' })
    .click();
  await expect(strip.getByText('14 Jul, seen')).toBeVisible();
  expect(await ripening.innerText()).not.toBe(before);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(strip.getByText('14 Jul, seen')).toBeHidden();
});

test('a succession fits; more plants than bed, and dates out of order, are refused in words', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/beds/6`);
  await page.getByRole('button', { name: 'Add a planting' }).click();
  const crop = page.getByRole('combobox', { name: 'Crop' });
  await crop.fill('spin');
  await page.keyboard.press('Enter');
  await expect(crop).toHaveValue('Spinach');
  await page.getByRole('button', { name: 'Plant it' }).click();
  await expect(page.getByRole('alert')).toContainText(
    'may take up to 100 % of the bed; got 200 % on 2026-07-14',
  );
  await expect(crop).toHaveValue('Spinach');
  await page.getByLabel('Cleared on').fill('2026-07-01');
  await page.getByRole('button', { name: 'Plant it' }).click();
  await expect(page.getByText(/Cleared must not be before planting/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();

  await page.getByRole('button', { name: 'Change' }).click();
  await page.getByLabel('Cleared on').fill('2026-07-14');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByText(/cleared 14 Jul/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a planting' }).click();
  // What was typed before it was left stands there again, until it is given up by a word.
  await expect(page.getByLabel('Cleared on')).toHaveValue('2026-07-01');
  await page.getByRole('button', { name: 'Begin anew' }).click();
  await crop.fill('spin');
  await page.keyboard.press('Enter');
  await choose(page.getByLabel('Started'), 'module');
  await page.getByRole('button', { name: 'Plant it' }).click();
  await expect(page.getByText('Planted today: a drench settles the soil')).toBeVisible();
});

test('mulch and shade are tried before they are done; six beds like one come and go with undo', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/beds/1`);
  const cover = page.getByRole('region', { name: 'Mulch, shade and goal' });
  // Nothing is written of mulch that nobody laid.
  await expect(cover.getByLabel('Mulch, how deep')).toHaveValue('0');
  await cover.getByRole('button', { name: /Try what 50.mm of straw would save/ }).click();
  await expect(cover.getByTestId('changes')).toContainText('The fortnight');
  await expect(cover.getByText(/soak it first, then mulch/)).toBeVisible();
  // 18 m² at 5 cm are 0.9 m³, and straw settles by three tenths.
  await expect(cover.getByText(/1\.3\sm³ of straw/)).toBeVisible();
  await cover.getByRole('button', { name: 'It is done: keep it' }).click();
  await expect(page.getByRole('status')).toContainText('its cover and goal are changed');
  await cover.getByRole('button', { name: 'I moved the mulch aside' }).click();
  await expect(page.getByText(/moved aside today: put it back/)).toBeVisible();

  await page.getByRole('link', { name: 'Garden', exact: true }).click();
  await page.getByRole('link', { name: 'Add or change beds' }).click();
  await page
    .getByRole('row', { name: /Onions/ })
    .getByRole('button', { name: 'More like it' })
    .click();
  await page.getByLabel('How many').fill('6');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByRole('row', { name: /Onions 7/ })).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: /Onions 7/ })).toHaveCount(0);
});

test('on a phone the garden is a list, and the bed says first what to do', async ({ page, kibble }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${kibble}/garden/1/section`);
  await page.getByRole('list', { name: 'Beds' }).waitFor();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('link', { name: /Onions/ }).click();
  await expect(page.getByText(/Water today:/)).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('a garden of sixty beds is planned beside the event loop, and answers', async ({ page, kibble }) => {
  await page.request.post(`${kibble}/api/beds/3/copies`, { data: { count: 45 } });
  const answer = await page.request.get(`${kibble}/api/gardens/1/round`);
  expect(answer.status()).toBe(200);
  const round = (await answer.json()) as { stops: unknown[]; leaveAlone: unknown[] };
  expect(round.stops.length + round.leaveAlone.length).toBe(60);
  await page.goto(`${kibble}/garden/1/section`);
  await expect(page.locator('[data-bed]')).toHaveCount(60);
});
