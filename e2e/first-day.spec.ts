import { choose, expect, openedStop, openStop, stopsOf, test } from './kibble.ts';

test('Three Poplars: what to water and why, tick a stop, undo, step a day', async ({ page, kibble }) => {
  await page.goto(kibble);
  await expect(page.getByRole('heading', { name: 'Tuesday’s round' })).toBeVisible();
  const stops = stopsOf(page);
  const before = await stops.count();
  expect(before).toBeGreaterThan(0);
  const opened = openedStop(page);
  await expect(opened.getByText(/(until|before) \w+day.*of the fortnight’s growth/).first()).toBeVisible();
  await expect(page.getByText(/of your time from 06:00/)).toBeVisible();
  await expect(page.getByText(/^Rounds .* would cost .* of the growth/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Leave alone today' })).toBeVisible();
  await expect(page.getByText(/Heat from Wed 15 Jul: .* up to 36°C/)).toBeVisible();

  // The first is done: it is ticked, can be taken back, and the next one is opened.
  const name = (await opened.getByRole('heading').first().innerText()).trim();
  await opened.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('status')).toContainText(`${name}: `);
  await expect(stops).toHaveCount(before - 1);
  await expect(opened.getByRole('heading').first()).not.toHaveText(name);
  await page.getByRole('button', { name: `Take it back: ${name}` }).click();
  await expect(stops).toHaveCount(before);

  // Ticked from its row, and undone.
  await page.getByRole('button', { name: `Done: ${name}` }).click();
  await expect(stops).toHaveCount(before - 1);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(stops).toHaveCount(before);

  await page.getByRole('button', { name: `Done: ${name}` }).click();
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
  const opened = openedStop(page);
  const name = (await opened.getByRole('heading').first().innerText()).trim();
  await opened.getByRole('button', { name: 'Skip' }).click();
  await page.getByRole('button', { name: 'It still feels moist' }).click();
  await expect(page.getByText('skipped: feels moist')).toBeVisible();

  await page.getByRole('button', { name: `Take it back: ${name}` }).click();
  await openStop(page, name);
  await opened.getByRole('link', { name }).click();
  await expect(page.getByRole('heading', { name: 'Water gone from round the roots' })).toBeVisible();
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
  await expect(openedStop(page).getByRole('button', { name: 'Done' })).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  const box = await openedStop(page).getByRole('button', { name: 'Done' }).boundingBox();
  expect(box?.height).toBeGreaterThanOrEqual(44);
  // One stop with its action on the first screen; the others a touch away.
  expect((box?.y ?? 999) + (box?.height ?? 0)).toBeLessThan(844 - 56);
  await page.getByRole('button', { name: 'all stops' }).click();
  await expect(stopsOf(page).first()).toBeVisible();
  await page.getByRole('button', { name: 'this stop' }).click();
  await expect(stopsOf(page).first()).toBeHidden();
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
  const stops = stopsOf(page);
  await stops.first().waitFor();
  const before = await stops.count();
  await openedStop(page).getByRole('button', { name: 'Done' }).focus();
  await page.keyboard.press('Enter');
  await expect(stops).toHaveCount(before - 1);
  await openedStop(page).getByRole('button', { name: 'Skip' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();

  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Settings' }).click();
  await expect(page.getByText('Three Poplars, open now')).toBeVisible();
  // By key: the page still grows above it while its parts come in.
  await page.getByRole('main').getByRole('link', { name: 'New garden' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Four answers to a first plan' })).toBeVisible();
});

test('watered anyway: asked how much and why, told what it does, and the log keeps it', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  await page.getByRole('button', { name: 'why of each' }).click();
  await page.getByRole('button', { name: 'Watered anyway: Beans by the path' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/The ground has room for/)).toBeVisible();
  await dialog.getByLabel('Amount').fill('0');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Minutes must be from 0.01');
  await dialog.getByLabel('Amount').fill('20');
  await choose(dialog.getByLabel('Why'), 'just in case');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('status')).toContainText('written down');
  await page.goto(`${kibble}/garden/1/beds/7`);
  await expect(page.getByText(/off the plan: just in case/)).toBeVisible();
});

test('at 1280 by 800 a round of a dozen stops shows every stop and the opened one without scrolling', async ({
  page,
  kibble,
}) => {
  // Nobody has been round for days, and the beans were sown where it is dry.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.request.post(`${kibble}/api/gardens/1/step`, { data: { days: 4 } });
  const twelfth = await page.request.post(`${kibble}/api/gardens/1/beds`, {
    data: {
      name: 'Second lettuces',
      areaM2: 6,
      textureClass: 'sandy loam',
      startWetness: 'dry',
      planting: { cropId: 'lettuce', plantedOn: '2026-06-20' },
      delivery: { method: 'watering can', litresPerMinute: 8 },
    },
  });
  expect(twelfth.ok()).toBe(true);
  await page.goto(`${kibble}/garden/1/round`);
  const stops = stopsOf(page);
  await expect(stops).toHaveCount(12);
  for (const stop of await stops.all()) {
    const box = await stop.boundingBox();
    expect((box?.y ?? 999) + (box?.height ?? 0)).toBeLessThanOrEqual(800);
  }
  const done = await openedStop(page).getByRole('button', { name: 'Done' }).boundingBox();
  expect((done?.y ?? 999) + (done?.height ?? 0)).toBeLessThanOrEqual(800);
});

test('a can is counted fill by fill, and a reload loses none', async ({ page, kibble }) => {
  await page.request.post(`${kibble}/api/gardens/1/step`, { data: { days: 1 } });
  await page.goto(`${kibble}/garden/1/round`);
  const opened = await openStop(page, 'Salads, clay edge');
  await expect(opened.getByRole('button', { name: 'Open the tap' })).toHaveCount(0);
  const fill = opened.getByRole('button', { name: /poured/ });
  const of = Number(/of (\d+)/.exec(await fill.innerText())?.[1] ?? 0);
  expect(of).toBeGreaterThan(3);
  await fill.click();
  await expect(fill).toHaveText(`Fill 2 of ${of} poured`);
  await page.reload();
  await openStop(page, 'Salads, clay edge');
  await expect(fill).toHaveText(`Fill 2 of ${of} poured`);
  await opened.getByRole('button', { name: 'One fill less' }).click();
  await expect(fill).toHaveText(`Fill 1 of ${of} poured`);
  for (let i = 1; i < of; i += 1) {
    await fill.click();
    await expect(fill).toHaveText(i + 1 < of ? `Fill ${i + 1} of ${of} poured` : /^Last fill poured/);
  }
  await fill.click();
  await expect(page.getByText(/Salads, clay edge: .* written down/)).toBeVisible();
});

test('what draws the round’s first screen is less than 160 kB by gzip', async ({ request, kibble }) => {
  const page = await request.get(`${kibble}/garden/1/round`);
  const named = `${page.headers().link ?? ''} ${await page.text()}`.match(/\/assets\/[\w-]+\.js/g);
  const files = [...new Set(named)];
  expect(files.join(' ')).toMatch(/start-.*kibble-.*round-|kibble-.*start-.*round-/);
  let bytes = 0;
  for (const file of files) {
    const { headers } = await fetch(`${kibble}${file}`, { headers: { 'Accept-Encoding': 'gzip' } });
    bytes += Number(headers.get('content-length'));
  }
  expect(bytes).toBeGreaterThan(100_000);
  expect(bytes).toBeLessThan(160_000);
});
