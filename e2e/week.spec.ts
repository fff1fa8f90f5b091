import { choose, expect, openedStop, openStop, restingBox, stopOf, stopsOf, test } from './kibble.ts';

test('a week at Three Poplars: the round, an interruption, a dragged watering, a cap, a wilt, heat and a storm', async ({
  page,
  kibble,
}) => {
  // Tuesday: the tap is opened, somebody calls, the page is reloaded, the clock has gone on.
  await page.goto(`${kibble}/garden/1/round`);
  const { stops } = (await (await page.request.get(`${kibble}/api/gardens/1/round`)).json()) as {
    stops: { bedName: string; run: { minutes: number } }[];
  };
  const pepperMinutes = stops.find(({ bedName }) => bedName === 'Peppers, low ground')?.run.minutes ?? 0;
  expect(pepperMinutes).toBeGreaterThan(2);
  // The clock runs down from what the round says.
  const running = new RegExp(`${Math.floor(pepperMinutes - 1 / 60)}:\\d\\d`);
  await (await openStop(page, 'Peppers, low ground')).getByRole('button', { name: 'Open the tap' }).click();
  const taps = page.getByRole('region', { name: 'Taps that run' });
  await expect(taps.getByRole('timer')).toHaveText(running);
  await expect(page).toHaveTitle(/\d\d:\d\d Peppers, low ground/);
  await page.reload();
  await expect(taps.getByRole('timer')).toHaveText(running);
  await page.getByRole('link', { name: 'Fortnight' }).click();
  await expect(taps).toBeVisible();
  await taps.getByRole('button', { name: 'It is off' }).click();
  await expect(page.getByText(/Peppers, low ground: .* written down/)).toBeVisible();
  await expect(taps).toBeHidden();

  // A watering is dragged to another day; what it costs in growth is shown before it is kept.
  const tomatoes = page.getByRole('button', { name: /^Tomatoes, long bed, Sun 19 Jul/ });
  const from = await restingBox(tomatoes);
  const to = await restingBox(
    page
      .getByRole('row', { name: /Tomatoes, long bed/ })
      .locator('td')
      .nth(7),
  );
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width, from.y + from.height / 2, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
  await restingBox(tomatoes);
  await page.mouse.up();
  const sheet = page.getByRole('dialog', { name: 'Tomatoes, long bed, Sun 19 Jul' });
  await expect(sheet.getByLabel('On', { exact: true })).toHaveAttribute('data-value', '2026-07-21');
  await expect(sheet.getByRole('row', { name: /^Waterings \d/ })).toBeVisible();
  await expect(sheet.getByRole('row', { name: /^Growth lost (nothing|under|\d)/ })).toBeVisible();
  await sheet.getByRole('button', { name: 'Keep it so' }).click();
  await expect(
    page.getByRole('button', { name: /^Tomatoes, long bed, Tue 21 Jul: .*set by hand/ }),
  ).toBeVisible();
  // By keyboard it goes back, and undo takes that back too.
  await page.getByRole('button', { name: /^Tomatoes, long bed, Tue 21 Jul/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('dialog').getByLabel('On', { exact: true })).toHaveAttribute(
    'data-value',
    '2026-07-20',
  );
  await page.keyboard.press('Escape');
  // What is moved later from today has nothing before it: growth is lost, and the sheet says how much.
  await page.getByRole('button', { name: /^Melons, clay corner, Tue 14 Jul/ }).focus();
  await page.keyboard.press('ArrowRight');
  const later = page.getByRole('dialog', { name: /^Melons, clay corner/ });
  await choose(later.getByLabel('On', { exact: true }), '2026-07-18');
  await expect(
    later.getByRole('row', { name: /^Growth lost (nothing|under 1\s%|\d).* \d+(\.\d)?\s%$/ }),
  ).toBeVisible();
  await expect(later.getByText(/run short on \d+ more day/)).toBeVisible();
  await page.keyboard.press('Escape');

  // A cap: what does not fit is named, and no day goes over.
  await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Settings' }).click();
  await page.getByLabel('Minutes a day at most').fill('30');
  await page.getByRole('button', { name: 'Keep the limits' }).click();
  await expect(page.getByText('Limits kept.', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Fortnight' }).click();
  await expect(page.getByRole('heading', { name: 'Does not fit' })).toBeVisible();
  const minutes = await page
    .getByRole('row', { name: /^your minutes, at most 30/ })
    .locator('td')
    .allInnerTexts();
  for (const text of minutes) expect(Number(text || 0)).toBeLessThanOrEqual(30);

  // The heat: a bed hangs in the evening and is on the round at once.
  await page.getByRole('button', { name: 'Next day' }).click();
  await expect(page.getByText('Wednesday 15 July 2026', { exact: true })).toBeVisible();
  await page.goto(`${kibble}/garden/1/beds/5`);
  await page.getByRole('button', { name: 'The plants hang' }).click();
  await page.getByRole('button', { name: 'They hang in the morning or evening' }).click();
  // Not before somebody has felt the soil.
  await page.getByRole('button', { name: 'Dry: it crumbles or runs' }).click();
  await expect(page.getByText('The plants hang, and not from heat: water now')).toBeVisible();
  await page.getByRole('link', { name: 'Round', exact: true }).click();
  const melons = await openStop(page, 'Melons, clay corner');
  await expect(melons.getByText(/water now, whatever the hour/).first()).toBeVisible();
  await melons.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('button', { name: 'Take it back: Melons, clay corner' })).toBeVisible();

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
  await expect(table.getByRole('row', { name: /^as seldom as it can ←/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /^fixed week/ })).toBeVisible();
  await page.getByRole('radio', { name: /^the season since/ }).check();
  const litres = async (school: RegExp): Promise<number> =>
    Number(
      (await table.getByRole('row', { name: school }).locator('td').nth(1).innerText()).replace(/\D/g, ''),
    );
  expect(await litres(/^hold to the first wilt/)).toBeLessThan(await litres(/^as seldom as it can/));
  await page.getByRole('button', { name: 'Choose hold to the first wilt' }).click();
  await expect(page.getByText('hold to the first wilt, by your choice')).toBeVisible();
  await page.getByRole('link', { name: 'Round', exact: true }).click();
  await expect(stopsOf(page).filter({ hasText: 'Sweetcorn block' })).toHaveCount(0);
  await page.goto(`${kibble}/garden/1/beds/3`);
  await page.getByRole('button', { name: 'Let Kibble choose' }).click();
  await expect(page.getByText(/as seldom as it can, because/)).toBeVisible();
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
  // Wet ground that hangs is not watered; dry ground is, and the spell is over.
  await page.getByRole('button', { name: 'They hang in the morning or evening' }).click();
  await page.getByRole('button', { name: 'Wet: it sticks or shines' }).click();
  await expect(page.getByText(/Leave alone today: hangs, and not from thirst/)).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/Leave alone today: toughening until/)).toBeVisible();
  await page.getByRole('button', { name: 'The plants hang' }).click();
  await page.getByRole('button', { name: 'They hang in the morning or evening' }).click();
  await page.getByRole('button', { name: 'Dry: it crumbles or runs' }).click();
  await expect(page.getByText('The plants hang, and not from heat: water now')).toBeVisible();
});

test('one letter each: the keys of the round, with a stop focused', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/round`);
  const stops = stopsOf(page);
  await stops.first().waitFor();
  const before = await stops.count();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys on the round' })).toBeVisible();
  await page.keyboard.press('Escape');
  // Without a stop focused a letter does nothing.
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('d');
  await expect(stops).toHaveCount(before);
  await page.keyboard.press('j');
  await expect(page.locator('li[data-stop] button:focus')).toHaveCount(0);
  // Past rail and bars to the first stop; from there they do.
  await page.reload();
  await stops.first().waitFor();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await page.keyboard.press('j');
  const second = (await stops.nth(1).getAttribute('aria-label')) ?? '';
  await expect(openedStop(page).getByRole('heading', { name: second })).toBeVisible();
  await page.keyboard.press('d');
  await expect(stops).toHaveCount(before - 1);
  await page.keyboard.press('j');
  const focused = page.locator('li[data-stop] button:focus');
  for (const [key, title] of [
    ['s', /^Why skip/],
    ['l', /^Look first/],
    ['a', /^How much did/],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog', { name: title })).toBeVisible();
    await page.keyboard.press('Escape');
    // What was focused is focused again, so the next letter works at once.
    await expect(focused).toBeVisible();
  }
});

test('by hand it is turns that are timed: off, soaking in, again, and all of it written down once', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/round`);
  await (await openStop(page, 'Onions')).getByRole('button', { name: 'Open the tap' }).click();
  const taps = page.getByRole('region', { name: 'Taps that run' });
  await expect(taps).toContainText('turn 1 of 2');
  await taps.getByRole('button', { name: 'It is off' }).click();
  await expect(taps).toContainText('soaking in; water another bed meanwhile');
  // The bed is still on the round: its watering is not over.
  await expect(stopOf(page, 'Onions')).toBeVisible();
  await taps.getByRole('button', { name: 'It runs again' }).click();
  await expect(taps).toContainText('turn 2 of 2');
  await taps.getByRole('button', { name: 'It is off' }).click();
  await expect(page.getByText(/Onions: .* written down/)).toBeVisible();
  await expect(taps).toBeHidden();
});

test('other round days are tried before they are kept, a whole round is moved, days away are told what they cost', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/fortnight`);
  await page.getByText('What if other days, or days away?').click();
  // Tuesdays only: what that would lose stands there before anything is kept.
  for (const day of ['Fri', 'Sun']) await page.getByLabel(day, { exact: true }).uncheck();
  const tried = page.getByTestId('rounds-tried');
  await expect(tried.getByText(/Over what their goal allows: /)).toBeVisible();
  await tried.getByRole('button', { name: 'Leave it as it was' }).click();
  await expect(tried).toBeHidden();
  await page.getByLabel('Wed', { exact: true }).check();
  await tried.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText(/^Rounds Tue, Wed, Fri and Sun, as you chose\./)).toBeVisible();
  await page.getByRole('button', { name: 'Let Kibble propose them' }).click();
  await expect(page.getByText(/^Rounds Tue, Fri and Sun\. /)).toBeVisible();

  await page.getByRole('button', { name: /move the whole round of Fri 17 Jul/ }).click();
  const sheet = page.getByRole('dialog', { name: 'The round of Fri 17 Jul' });
  await choose(sheet.getByLabel('Move all of it to'), '2026-07-18');
  await sheet.getByRole('button', { name: 'Move the round' }).click();
  await expect(
    page.getByRole('button', { name: /^Melons, clay corner, Sat 18 Jul: .*set by hand/ }),
  ).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Melons, clay corner, Fri 17 Jul/ })).toBeVisible();

  await page.getByLabel('Away from').fill('2026-07-18');
  await page.getByLabel('Away until').fill('2026-07-20');
  await expect(tried.getByText(/^Before leaving, water /)).toBeVisible();
  await tried.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('Away Sat 18 Jul to Mon 20 Jul.')).toBeVisible();
  const plan = (await (await page.request.get(`${kibble}/api/gardens/1/fortnight`)).json()) as {
    beds: { waterings: { date: string }[] }[];
  };
  for (const { waterings } of plan.beds)
    for (const { date } of waterings) expect(date < '2026-07-18' || date > '2026-07-20').toBe(true);
});
