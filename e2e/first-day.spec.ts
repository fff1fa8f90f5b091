import { expect, test } from './kibble.ts';

test('Three Poplars: what to water and why, tick a stop, undo, step a day', async ({ page, kibble }) => {
  await page.goto(kibble);
  await expect(page.getByRole('heading', { name: 'Tuesday’s round' })).toBeVisible();
  const stops = page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: 'Done' }) });
  const before = await stops.count();
  expect(before).toBeGreaterThan(0);
  const first = stops.first();
  await expect(first.getByText(/it can spare/)).toBeVisible();
  await expect(first.getByText('min', { exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Leave alone today' })).toBeVisible();

  await expect(page.getByText(/Heat from Wed 15 Jul: .* up to 36°C/)).toBeVisible();

  const name = (await first.getByRole('heading').innerText()).trim();
  await first.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('status')).toContainText(`${name}: `);
  await expect(stops).toHaveCount(before - 1);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(stops).toHaveCount(before);

  await stops.first().getByRole('button', { name: 'Done' }).click();
  await expect(stops).toHaveCount(before - 1);
  await page.getByRole('button', { name: 'Next day' }).click();
  await expect(page.getByRole('heading', { name: 'Wednesday’s round' })).toBeVisible();
  await expect(page.getByText('Wednesday 15 July 2026', { exact: true })).toBeVisible();
});

test('Other amount: a slip is refused in words and what was typed stays; a good figure is kept', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  await page.getByRole('button', { name: 'Other amount' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Amount').fill('-3');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Minutes must be from 0.01');
  await expect(dialog.getByRole('alert')).toContainText('-3');
  await expect(dialog.getByLabel('Amount')).toHaveValue('-3');
  await dialog.getByLabel('Amount').fill('9000');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByRole('alert')).toContainText('at most 400 mm');
  await dialog.getByLabel('Amount').fill('12');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('status')).toContainText('written down');
});

test('Skip asks why, and the bed page draws the engine’s own layers', async ({ page, kibble }) => {
  await page.goto(kibble);
  const stop = page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: 'Skip' }) })
    .first();
  const name = (await stop.getByRole('heading').innerText()).trim();
  await stop.getByRole('button', { name: 'Skip' }).click();
  await page.getByRole('button', { name: 'It still feels moist' }).click();
  await expect(page.getByText('Skipped: feels moist.')).toBeVisible();

  await page.getByRole('link', { name }).first().click();
  await expect(page.getByRole('heading', { name: 'Water gone from the root zone' })).toBeVisible();
  const id = Number(page.url().split('/').pop());
  const answer = (await (await page.request.get(`${kibble}/api/beds/${id}`)).json()) as {
    core: { layersMm: number[] };
  };
  const drawn = await page
    .locator('[data-testid=soil-core] [data-layer]')
    .evaluateAll((cells) => cells.map((cell) => Number(cell.getAttribute('data-water-mm'))));
  expect(drawn.length).toBeGreaterThan(5);
  expect(drawn).toEqual(answer.core.layersMm.slice(0, drawn.length));
});

test('a phone shows the round within the thumb’s reach and nothing spills sideways', async ({
  page,
  kibble,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(kibble);
  await expect(page.getByRole('button', { name: 'Done' }).first()).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  const box = await page.getByRole('button', { name: 'Done' }).first().boundingBox();
  expect(box?.height).toBeGreaterThanOrEqual(44);
});

test('the minutes open their working, down to what is measured and what is assumed', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  await page
    .getByRole('button', { name: /show the working/ })
    .first()
    .click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('litres ÷ flow')).toBeVisible();
  await expect(dialog.getByText(/Flow/).last()).toBeVisible();
  await expect(dialog.getByLabel('Share that reaches the soil')).toBeVisible();
  await expect(
    dialog
      .getByText(/assumed: usual for/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
});

test('the keyboard alone can tick a stop, and a phone reaches the other gardens', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  const done = page.getByRole('button', { name: 'Done' });
  await done.first().waitFor();
  const before = await done.count();
  await done.first().focus();
  await page.keyboard.press('Enter');
  await expect(done).toHaveCount(before - 1);
  await page.getByRole('button', { name: 'Skip' }).first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();

  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('link', { name: 'Settings', exact: true }).click();
  await expect(page.getByText('Three Poplars, open now')).toBeVisible();
  await page.getByRole('main').getByRole('link', { name: 'New garden' }).click();
  await expect(page.getByRole('heading', { name: 'Four answers to a first plan' })).toBeVisible();
});

test('watered anyway: asked how much and why, told what it does, and the log keeps it', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  await page.getByRole('button', { name: 'Watered anyway: Melons, clay corner' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/The ground has room for/)).toBeVisible();
  await dialog.getByLabel('Amount').fill('0');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Minutes must be from 0.01');
  await dialog.getByLabel('Amount').fill('20');
  await dialog.getByLabel('Why').selectOption('just in case');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('status')).toContainText('written down');
  await page.getByRole('link', { name: 'Melons, clay corner' }).first().click();
  await expect(page.getByText(/off the plan: just in case/)).toBeVisible();
});
