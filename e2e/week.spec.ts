import { expect, test } from './kibble.ts';

test('a week at Three Poplars: the round, an interruption, a dragged watering, a cap, a wilt, heat and a storm', async ({
  page,
  kibble,
}) => {
  const stop = (name: string) => page.getByRole('main').getByRole('listitem', { name, exact: true });

  // Tuesday: the tap is opened, somebody calls, the page is reloaded, the clock has gone on.
  await page.goto(`${kibble}/garden/1/round`);
  await stop('Peppers, low ground').getByRole('button', { name: 'Open the tap' }).click();
  const taps = page.getByRole('region', { name: 'Taps that run' });
  await expect(taps.getByRole('timer')).toHaveText(/31:\d\d/);
  await expect(page).toHaveTitle(/31:\d\d Peppers, low ground/);
  await page.reload();
  await expect(taps.getByRole('timer')).toHaveText(/31:\d\d/);
  await page.getByRole('link', { name: 'Fortnight' }).click();
  await expect(taps).toBeVisible();
  await taps.getByRole('button', { name: 'It is off' }).click();
  await expect(page.getByText(/Peppers, low ground: .* written down/)).toBeVisible();
  await expect(taps).toBeHidden();

  // A watering is dragged to another day; what it costs is shown before it is kept.
  const corn = page.getByRole('button', { name: /^Sweetcorn block, Tue 14 Jul/ });
  const from = await corn.boundingBox();
  const to = await page
    .getByRole('row', { name: /Sweetcorn block/ })
    .locator('td')
    .nth(4)
    .boundingBox();
  if (!from || !to) throw new Error('the fortnight must be drawn');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width, from.y + from.height / 2, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
  await page.waitForTimeout(200);
  await page.mouse.up();
  const sheet = page.getByRole('dialog', { name: 'Sweetcorn block, Tue 14 Jul' });
  await expect(sheet.getByLabel('On', { exact: true })).toHaveValue('2026-07-18');
  await expect(sheet.getByTestId('consequence')).toContainText('Days the plants run short');
  await expect(sheet.getByText(/run short on \d+ more day/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(
    page.getByRole('button', { name: /^Sweetcorn block, Sat 18 Jul: .*set by hand/ }),
  ).toBeVisible();
  // By keyboard it goes back, and undo takes that back too.
  await page.getByRole('button', { name: /^Sweetcorn block, Sat 18 Jul/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('dialog').getByLabel('On', { exact: true })).toHaveValue('2026-07-17');
  await page.keyboard.press('Escape');

  // A cap: what does not fit is named, and no day goes over.
  await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Settings' }).click();
  await page.getByLabel('Minutes a day at most').fill('120');
  await page.getByRole('button', { name: 'Keep the limits' }).click();
  await expect(page.getByText('Limits kept.', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Fortnight' }).click();
  await expect(page.getByRole('heading', { name: 'Does not fit' })).toBeVisible();
  const minutes = await page
    .getByRole('row', { name: /^minutes, at most 120/ })
    .locator('td')
    .allInnerTexts();
  for (const text of minutes) expect(Number(text || 0)).toBeLessThanOrEqual(120);

  // The heat: a bed hangs in the evening and is on the round at once.
  await page.getByRole('button', { name: 'Next day' }).click();
  await expect(page.getByText('Wednesday 15 July 2026', { exact: true })).toBeVisible();
  await page.goto(`${kibble}/garden/1/beds/5`);
  await page.getByRole('button', { name: 'The plants hang' }).click();
  await page.getByRole('button', { name: 'They hang in the morning or evening' }).click();
  await expect(page.getByText('The plants hang, and not from heat: water now')).toBeVisible();
  await page.getByRole('link', { name: 'Round', exact: true }).click();
  await expect(stop('Melons, clay corner').getByText(/water now, whatever the hour/)).toBeVisible();
  await stop('Melons, clay corner').getByRole('button', { name: 'Done' }).click();
  await expect(stop('Melons, clay corner')).toBeHidden();

  // The storm of the 22nd and 23rd: on the 24th the heavy beds are left alone.
  for (let day = 16; day <= 24; day += 1) {
    await page.getByRole('button', { name: 'Next day' }).click();
    await expect(page.getByText(`${day} July 2026`, { exact: false }).first()).toBeVisible();
  }
  await expect(page.getByRole('heading', { name: 'Leave alone today' })).toBeVisible();
});

test('the schools side by side, one chosen, and Kibble left to choose again', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/beds/3`);
  const table = page.getByTestId('schools');
  await expect(table.getByRole('row', { name: /^deep and seldom ←/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /^fixed week/ })).toBeVisible();
  await page.getByRole('radio', { name: /^the season since/ }).check();
  const litres = async (school: RegExp): Promise<number> =>
    Number(
      (await table.getByRole('row', { name: school }).locator('td').nth(1).innerText()).replace(/\D/g, ''),
    );
  expect(await litres(/^hold to the first wilt/)).toBeLessThan(await litres(/^deep and seldom/));
  await page.getByRole('button', { name: 'Decide by hold to the first wilt' }).click();
  await expect(page.getByText('hold to the first wilt, by your choice')).toBeVisible();
  await page.getByRole('link', { name: 'Round', exact: true }).click();
  await expect(page.getByRole('main').getByRole('listitem', { name: 'Sweetcorn block' })).toHaveCount(0);
  await page.goto(`${kibble}/garden/1/beds/3`);
  await page.getByRole('button', { name: 'Let Kibble choose' }).click();
  await expect(page.getByText(/deep and seldom, because/)).toBeVisible();
  // A leafy crop is never offered to wilt.
  await page.goto(`${kibble}/garden/1/beds/6`);
  await expect(page.getByTestId('schools')).toBeVisible();
  await expect(page.getByTestId('schools').getByText('hold to the first wilt')).toHaveCount(0);
});

test('a dry spell begins, mutes the bed, and wilting ends it', async ({ page, kibble }) => {
  // Three weeks after planting out the beans may be held dry.
  await page.request.patch(`${kibble}/api/gardens/1`, {
    data: { clock: { mode: 'practice', date: '2026-07-27' } },
  });
  await page.goto(`${kibble}/garden/1/beds/7`);
  await page.getByRole('button', { name: 'Begin a dry spell' }).click();
  await expect(page.getByText(/^Dry spell until/)).toBeVisible();
  await expect(page.getByText(/Leave alone today: toughening until/)).toBeVisible();
  await page.getByRole('button', { name: 'The plants hang' }).click();
  await page.getByRole('button', { name: 'They hang in the morning or evening' }).click();
  await expect(page.getByText('The plants hang, and not from heat: water now')).toBeVisible();
});

test('one letter each: the keys of the round', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/round`);
  const done = page.getByRole('button', { name: 'Done' });
  await done.first().waitFor();
  const before = await done.count();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys on the round' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('j');
  await page.keyboard.press('d');
  await expect(done).toHaveCount(before - 1);
  await page.keyboard.press('s');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
});

test('a run in cycles: off, soaking in, again, and all of it written down once', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/round`);
  await page
    .getByRole('main')
    .getByRole('listitem', { name: 'Sweetcorn block', exact: true })
    .getByRole('button', { name: 'Open the tap' })
    .click();
  const taps = page.getByRole('region', { name: 'Taps that run' });
  await expect(taps).toContainText('run 1 of 4');
  await taps.getByRole('button', { name: 'It is off' }).click();
  await expect(taps).toContainText('soaking in; water another bed meanwhile');
  // The bed is still on the round: its watering is not over.
  await expect(
    page.getByRole('main').getByRole('listitem', { name: 'Sweetcorn block', exact: true }),
  ).toBeVisible();
  await taps.getByRole('button', { name: 'It runs again' }).click();
  await expect(taps).toContainText('run 2 of 4');
  await taps.getByRole('button', { name: 'It is off' }).click();
  await taps.getByRole('button', { name: 'Enough for today' }).click();
  await expect(page.getByText(/Sweetcorn block: .* written down/)).toBeVisible();
  await expect(taps).toBeHidden();
});
