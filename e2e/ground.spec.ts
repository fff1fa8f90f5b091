import type { Page } from '@playwright/test';
import { choose, expect, openStop, test } from './kibble.ts';

const SWEETCORN = '/garden/1/ground/bed/3';

/** The day of the sweetcorn's next watering; none within the fortnight is later than any. */
async function nextDay(page: Page, kibble: string): Promise<string> {
  const answer = await page.request.get(`${kibble}/api/beds/3`);
  const { next } = (await answer.json()) as { next: { date: string } | null };
  return next?.date ?? 'later';
}

const change = (page: Page, row: RegExp) => page.getByTestId('changes').getByRole('row', { name: row });

test('a gardener measures a tap, cans a bed and feels the soil; run time, depth and plan follow each time', async ({
  page,
  kibble,
}) => {
  const guessed = await nextDay(page, kibble);
  expect(guessed).toBe('2026-07-14');

  // The tap: 15 L in 45 s are 20 L/min (common practice).
  await page.goto(`${kibble}/garden/1/round`);
  await page.getByRole('link', { name: 'Ground & taps' }).click();
  await page.getByRole('heading', { level: 1, name: 'Ground & taps' }).waitFor();
  await page.getByRole('main').getByRole('link', { name: 'Sweetcorn block' }).click();
  await page.getByRole('link', { name: 'Time a bucket', exact: true }).click();
  await page.getByLabel('The bucket holds').fill('15');
  await page.getByLabel('It filled in').fill('45');
  await expect(page.getByText('20 L/min', { exact: true })).toBeVisible();
  await expect(page.getByText(/A can of 10\sL fills in 30 seconds/)).toBeVisible();
  await expect(change(page, /It runs/)).toContainText(/\d h \d\d\s*\d\d min/);
  await page.getByRole('button', { name: 'Keep this' }).click();
  await expect(page.getByRole('status')).toContainText('“Time a bucket” is written down');
  await expect(page.getByText('20 L/min').first()).toBeVisible();
  // What it had before was twice what it was taken for: it can wait.
  expect((await nextDay(page, kibble)) > guessed).toBe(true);

  // Cans on a grid: the bed is uneven, so the driest quarter asks for longer.
  await page.goto(`${kibble}${SWEETCORN}/cans`);
  const depths = [
    [12, 20, 22, 14],
    [10, 24, 26, 16],
    [8, 18, 20, 12],
  ];
  for (const [r, row] of depths.entries())
    for (const [c, mm] of row.entries())
      await page.getByLabel(`Can ${c + 1} of row ${r + 1}`, { exact: true }).fill(String(mm));
  await page.getByLabel('It ran').fill('30');
  // Mean 16.8 mm in half an hour; driest three 10 mm.
  await expect(page.getByText('33.7 mm/h', { exact: true })).toBeVisible();
  await expect(page.locator('[data-verdict=dry]').first()).toBeVisible();
  await expect(page.getByText(/^Uneven/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep this' }).click();
  await expect(page.getByRole('status')).toContainText('written down');

  // The soil in the hand: what is within easy reach changes, and with it the plan.
  await page.goto(`${kibble}${SWEETCORN}/feel`);
  await page.getByText('It stays a ball').click();
  await page.getByText('A ribbon forms').click();
  await page.getByText('Under 25 mm').click();
  await page.getByText('Grit', { exact: true }).click();
  await expect(page.getByRole('complementary').getByText('sandy loam', { exact: true })).toBeVisible();
  await expect(
    change(page, /Within easy reach/)
      .locator('td')
      .last(),
  ).not.toHaveText('same');
  await page.getByRole('button', { name: 'Keep this' }).click();
  await expect(page.getByRole('status')).toContainText('written down');
  await expect(page.getByText('sandy loam over loam')).toBeVisible();
});

test('a tap measured on a bed that is due: its minutes follow, and their working says when it was measured', async ({
  page,
  kibble,
}) => {
  const nextMinutes = async (): Promise<number> => {
    const answer = await page.request.get(`${kibble}/api/beds/1`);
    const { next } = (await answer.json()) as { next: { minutes: number } | null };
    return next?.minutes ?? Number.NaN;
  };
  const guessed = await nextMinutes();
  await page.goto(`${kibble}/garden/1/ground/bed/1/bucket`);
  // 15 L in 150 s are 6 L/min.
  await page.getByLabel('The bucket holds').fill('15');
  await page.getByLabel('It filled in').fill('150');
  await expect(page.getByText('6 L/min', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this' }).click();
  await expect(page.getByRole('status')).toContainText('written down');
  const timed = await nextMinutes();
  expect(timed).toBeGreaterThan(0);
  expect(timed).not.toBeCloseTo(guessed, 0);

  await page.goto(`${kibble}/garden/1/ground/bed/1/bucket`);
  await page.getByLabel('The bucket holds').fill('15');
  await page.getByLabel('It filled in').fill('150');
  await page.getByRole('button', { name: 'Where today’s minutes come from' }).click();
  const drawer = page.getByRole('dialog');
  await expect(drawer.getByText(/measured 14 Jul/)).toBeVisible();
  await expect(drawer.getByLabel('Flow')).toHaveValue('6');
  await page.keyboard.press('Escape');

  // Growth lost opens too: on the bed's page, and of each way of asking it.
  await page.goto(`${kibble}/garden/1/beds/1`);
  await page
    .getByTestId('ladder')
    .getByRole('row', { name: /Once a week/ })
    .getByRole('button')
    .click();
  await expect(drawer.getByTestId('working-headline')).toContainText('%');
});

test('a clock goes on through a reload and in another tab, and stopping it writes the time', async ({
  page,
  kibble,
  context,
}) => {
  await page.goto(`${kibble}${SWEETCORN}/bucket`);
  await page.getByLabel('The bucket holds').fill('10');
  await page.getByRole('button', { name: 'It runs' }).click();
  await expect(page.getByRole('timer')).toHaveText(/0:0[12]/);
  await page.reload();
  await expect(page.getByRole('timer')).toHaveText(/0:0[1-9]/);
  await expect(page.getByLabel('The bucket holds')).toHaveValue('10');

  const other = await context.newPage();
  await other.goto(`${kibble}/garden/1/ground`);
  await expect(other.getByText(/the clock runs: 0:/)).toBeVisible();
  await other.getByRole('link', { name: 'Time a bucket, Sweetcorn block' }).click();
  await expect(other.getByRole('timer')).toBeVisible();
  await other.getByRole('button', { name: 'It is full' }).click();
  await expect(other.getByLabel('It filled in')).not.toHaveValue('');
  const seconds = await other.getByLabel('It filled in').inputValue();
  expect(Number(seconds)).toBeGreaterThan(1);
  // The first tab hears of it.
  await expect(page.getByLabel('It filled in')).toHaveValue(seconds);
  await expect(page.getByRole('timer')).toBeHidden();
});

test('slips are refused or asked about in words, and what was typed stays', async ({ page, kibble }) => {
  await page.goto(`${kibble}${SWEETCORN}/bucket`);
  // What is missing is said when it is to be kept, and the first of it is led to.
  await page.getByRole('button', { name: 'Keep this' }).click();
  await expect(page.getByText(/The bucket must be from .*; got nothing/)).toBeVisible();
  await expect(page.getByLabel('The bucket holds')).toBeFocused();
  await page.getByLabel('The bucket holds').fill('-4');
  await page.getByLabel('It filled in').fill('0');
  await expect(page.getByText('The bucket must be from 0.01 to 1000 L; got -4 L.')).toBeVisible();
  await expect(page.getByText(/Seconds must be from 0.1 .*; got 0 s/)).toBeVisible();
  await page.getByLabel('The bucket holds').fill('99');
  await page.getByLabel('It filled in').fill('60');
  await expect(page.getByText(/99\sL\/min is more than a garden tap gives/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep this' })).toBeDisabled();
  await page.getByLabel('It is right, I looked twice').check();
  await page.getByRole('button', { name: 'Keep this' }).click();
  await expect(page.getByRole('status')).toContainText('written down');

  await page.goto(`${kibble}${SWEETCORN}/jar`);
  for (const layer of ['Clay', 'Silt', 'Sand']) await page.getByLabel(`${layer} layer`).fill('0');
  await expect(page.getByText(/nothing has settled yet/)).toBeVisible();

  await page.goto(`${kibble}${SWEETCORN}/cans`);
  await choose(page.getByLabel('You have'), 'one');
  await page.getByLabel('It ran').fill('60');
  await page.getByLabel('Depth in the can').fill('120');
  await page.getByLabel('The cans are so high').fill('100');
  await expect(
    page.getByText('Depth in the can must be at most its own height of 100 mm; got 120 mm.'),
  ).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Depth in the can')).toHaveValue('120');
});

test('a figure changed in the working changes the number before it is kept, and undo takes it back', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/round`);
  const stop = await openStop(page, 'Peppers, low ground');
  const shown = stop.getByRole('button', { name: /show the working/ });
  const minutes = (text: string): number => {
    const [, hours, rest] = /^(?:(\d+)\sh)?\s?(\d+)?/.exec(text) ?? [];
    return 60 * Number(hours ?? 0) + Number(rest ?? 0);
  };
  const before = minutes(await shown.innerText());
  await shown.click();
  const drawer = page.getByRole('dialog');
  // Half the flow: longer today, and what was given before was less than it was taken for.
  await drawer.getByLabel('Flow').fill('2.5');
  await expect(drawer.getByTestId('working-headline')).toContainText(`${before} min`);
  await expect(drawer.getByTestId('working-headline')).toContainText(/(h \d+|\d+\smin).*(h \d+|\d+\smin)/);
  await drawer.getByLabel('Flow').fill('-2');
  await expect(drawer.getByRole('alert')).toContainText('Flow must be from 0.001 to 500 L/min; got “-2”.');
  await expect(drawer.getByRole('button', { name: 'Keep these figures' })).toBeDisabled();
  await drawer.getByLabel('Flow').fill('2.5');
  await drawer.getByRole('button', { name: 'Keep these figures' }).click();
  await expect.poll(async () => minutes(await shown.innerText())).toBeGreaterThan(1.9 * before);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(
    stop.getByRole('button', { name: new RegExp(`^${before}\\smin show the working`) }),
  ).toBeVisible();
});

test('drip lines are drawn to scale with the figures of the trade; a tap too small for them says so', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/ground/bed/2/drip`);
  const fill = async (label: string, value: string) => page.getByLabel(label, { exact: true }).fill(value);
  await fill('Length', '12');
  await fill('Width', '0.75');
  await expect(page.getByText(/Spread evenly over this bed: 18\.8\scm/)).toBeVisible();
  await fill('Inset from the edge', '15');
  await fill('Between emitters', '40');
  await fill('An emitter gives', '2');
  const figures = page.getByTestId('drip-figures');
  await expect(figures).toContainText('45 cm');
  await expect(figures).toContainText('24 m');
  const lines = await page
    .locator('[data-line-m]')
    .evaluateAll((all) => all.map((line) => Number(line.getAttribute('data-line-m'))));
  expect(lines[0]).toBeCloseTo(0.15, 6);
  expect(lines[1]).toBeCloseTo(0.6, 6);
  await fill('Inset from the edge', '19');
  await expect(figures).toContainText('37 cm');
  await fill('An emitter gives', '30');
  await expect(page.getByText(/The tap cannot feed this/)).toBeVisible();
  await fill('Inset from the edge', '70');
  await expect(page.getByText(/Inset must be at most half the bed, 37\.5\scm; got 70\scm/)).toBeVisible();
});

test('the feel key by keyboard alone, on a phone, and nothing spills sideways', async ({ page, kibble }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${kibble}${SWEETCORN}/feel`);
  // As long as a finger takes.
  const down = () => page.keyboard.press('ArrowDown', { delay: 60 });
  await page.getByRole('radio', { name: 'It stays a ball' }).focus();
  await page.keyboard.press('Space');
  await page.getByRole('radio', { name: 'A ribbon forms' }).focus();
  await page.keyboard.press('Space');
  await page.getByRole('radio', { name: 'Under 25 mm (1 in)' }).focus();
  await down();
  await down();
  await expect(page.getByRole('radio', { name: 'Over 50 mm (2 in)' })).toBeChecked();
  await page.getByRole('radio', { name: 'Grit' }).focus();
  await down();
  await down();
  await expect(page.getByText('clay', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('written down');
  for (const path of ['/garden/1/ground', SWEETCORN, `${SWEETCORN}/cans`, `${SWEETCORN}/depth`]) {
    await page.goto(`${kibble}${path}`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});
