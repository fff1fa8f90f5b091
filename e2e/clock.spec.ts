import { choose, expect, openedStop, openStop, stopsOf, test } from './kibble.ts';

const minuteOf = (time: string): number => {
  const [h, m] = time.split(':').map(Number);
  return (h ?? 0) * 60 + (m ?? 0);
};

test('begun in the evening: what fits before dark, no spray is started, and the rest is carried over to tomorrow', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/round`);
  await expect(page.getByText(/First tap at .* last one off at/)).toBeVisible();
  await page.getByText('I begin at another hour').click();
  await page.getByLabel('Begin at').fill('19:30');
  const walk = page.getByTestId('walk');
  await expect(walk).toContainText('when it is dark, for tomorrow in this order');
  await expect(walk.getByRole('row', { name: /Carrots and leeks/ })).toHaveCount(0);
  await expect(walk).toContainText(/Carrots and leeks \(/);
  // Only a quarter of an hour: the form says so of a slip, and of the time itself what it allows.
  await page.getByLabel('I have').fill('-5');
  await expect(page.getByText(/Minutes must be from 0.01/)).toBeVisible();
  await page.getByLabel('I have').fill('15');
  await expect(walk).toContainText('Left at 19:45');

  // Nobody waters today: tomorrow it is carried over, and first told so.
  await page.getByRole('button', { name: 'Next day' }).click();
  await expect(page.getByRole('heading', { name: 'Wednesday’s round' })).toBeVisible();
  await expect(
    (await openStop(page, 'Tomatoes, long bed')).getByText('Carried over from Tuesday.'),
  ).toBeVisible();
});

test('look first: moist ground is left alone and asked again tomorrow with a look; undo brings the stop back', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/round`);
  const stop = stopsOf(page).filter({ hasText: 'Carrots and leeks' });
  await (await openStop(page, 'Carrots and leeks')).getByRole('button', { name: 'Look first' }).click();
  await page
    .getByRole('dialog', { name: 'Look first: Carrots and leeks' })
    .getByRole('button', { name: 'Damp: it holds together' })
    .click();
  await expect(page.getByRole('status').filter({ hasText: 'left alone until tomorrow' })).toBeVisible();
  await expect(stop).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(stop).toBeVisible();
  await (await openStop(page, 'Carrots and leeks')).getByRole('button', { name: 'Look first' }).click();
  await page.getByRole('button', { name: 'Wet: it sticks or shines' }).click();
  await expect(stop).toBeHidden();
  // On its next round it is looked at first.
  for (const day of ['Wednesday', 'Thursday', 'Friday']) {
    await page.getByRole('button', { name: 'Next day' }).click();
    await expect(page.getByRole('heading', { name: `${day}’s round` })).toBeVisible();
  }
  await expect(
    (await openStop(page, 'Carrots and leeks')).getByText(
      /It was moist when last looked at: look \d+\smm down first/,
    ),
  ).toBeVisible();
});

test('open hours and a cap of the week: no run outside them, what finds no room is named with its turn', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/settings`);
  await page.getByLabel('Open from').fill('05:00');
  await page.getByRole('button', { name: 'Keep the limits' }).click();
  await expect(page.getByText('Open hours must have both a beginning and an end.')).toBeVisible();
  await page.getByLabel('Open until').fill('07:30');
  await page.getByLabel('Water a week at most').fill('5000');
  await page.getByRole('button', { name: 'Keep the limits' }).click();
  await expect(page.getByText('Limits kept.', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Fortnight' }).click();
  await expect(page.getByRole('heading', { name: 'Does not fit' })).toBeVisible();
  await expect(page.getByTestId('over')).toContainText(/[Tt]he limits alone cost .* of its growth/);
  const times = await page
    .getByRole('row', { name: /^first tap, last one off/ })
    .locator('td')
    .allInnerTexts();
  for (const time of times.join(' ').match(/\d\d:\d\d/g) ?? []) {
    expect(minuteOf(time)).toBeGreaterThanOrEqual(300);
    expect(minuteOf(time)).toBeLessThanOrEqual(450);
  }
  await page.getByRole('link', { name: 'Round', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Put off' })).toBeVisible();
  await expect(page.getByText(/(Its|Their) turn is|No day of the fortnight/).first()).toBeVisible();
});

test('the timer’s settings are held against the plan: a moved watering is told on the round', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/fortnight`);
  await page.getByText('Settings for a tap timer, the next seven days').click();
  const rows = page.getByTestId('timer').getByRole('row');
  await expect(rows.filter({ hasText: 'Peppers, low ground' }).first()).toBeVisible();
  // A wand and a can are no business of a timer.
  await expect(rows.filter({ hasText: 'Onions' })).toHaveCount(0);
  await page.getByRole('button', { name: 'I have set the timer so' }).click();
  await expect(page.getByText(/still holds\./)).toBeVisible();
  const kept = await page.request.post(`${kibble}/api/gardens/1/findings`, {
    data: { bedId: 1, input: { kind: 'plan', date: '2026-07-16' } },
  });
  expect(kept.ok()).toBe(true);
  await page.goto(`${kibble}/garden/1/round`);
  await expect(page.getByText(/The timer holds .* the plan has\s+changed/)).toBeVisible();
  await page.getByRole('link', { name: 'What to change' }).click();
  await expect(page.getByTestId('timer-changes')).toContainText(/Thu 16, Peppers, low ground: skip this run/);
});

test('one run by the clock that the tap itself shuts is written down once, without asking', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/beds/10`);
  await page.getByRole('button', { name: 'Run it once, by the clock' }).click();
  const sheet = page.getByRole('dialog', { name: 'Young apricots: one run' });
  await sheet.getByLabel('For', { exact: true }).fill('zero');
  await sheet.getByRole('button', { name: 'The tap is open' }).click();
  await expect(sheet.getByText(/Minutes must be from 0.01 .*got “zero”/)).toBeVisible();
  await sheet.getByLabel('For', { exact: true }).fill('0.1');
  await sheet.getByLabel(/A timer on the tap shuts it/).check();
  await sheet.getByRole('button', { name: 'The tap is open' }).click();
  await expect(page.getByRole('region', { name: 'Taps that run' })).toContainText(
    'the timer on the tap shuts it',
  );
  await expect(page.getByText(/Young apricots: .* written down/)).toBeVisible({ timeout: 20_000 });
  const bed = await page.request.get(`${kibble}/api/beds/10`);
  const { events } = (await bed.json()) as { events: { note: string | null }[] };
  expect(events.filter((e) => e.note === 'one run by the clock')).toHaveLength(1);
});

test('on paper: the round with boxes to tick and without the rest of the screen', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/round`);
  await expect(openedStop(page).getByRole('button', { name: 'Done' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  const paper = page.getByTestId('round-sheet');
  await expect(paper.getByRole('row', { name: /Tomatoes, long bed/ })).toBeVisible();
  await expect(paper).toContainText('Leave alone:');
  await expect(openedStop(page)).toBeHidden();
  await expect(page.getByRole('navigation')).toBeHidden();
  // One page of A4 at 96 dots to the inch, with its margins.
  const height = await paper.evaluate((el) => el.getBoundingClientRect().height);
  expect(height).toBeLessThan(1000);
});

test('the gardener’s own ranking decides who goes short', async ({ page, kibble }) => {
  await page.request.patch(`${kibble}/api/gardens/1`, { data: { limits: { litresPerWeek: 3500 } } });
  /** Growth the sweetcorn loses over the fortnight. */
  const lost = async (): Promise<number> => {
    const plan = (await (await page.request.get(`${kibble}/api/gardens/1/fortnight`)).json()) as {
      beds: { bedId: number; costs: { lostShare: number } }[];
    };
    return plan.beds.find((bed) => bed.bedId === 3)?.costs.lostShare ?? 0;
  };
  const before = await lost();
  expect(before).toBeGreaterThan(0);
  await page.goto(`${kibble}/garden/1/beds`);
  await page
    .getByRole('row', { name: /Sweetcorn block/ })
    .getByRole('button', { name: 'Change' })
    .click();
  await choose(page.getByLabel('When water or time is short'), 'first');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect.poll(lost).toBeLessThan(before);
});
