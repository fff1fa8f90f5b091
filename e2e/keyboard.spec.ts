import { expect, test } from './kibble.ts';

/** Each control by the keys that the WAI-ARIA Authoring Practices name for it (from memory). */
test('a choice opens by Enter, Space and an arrow, finds by letters, and Escape leaves it as it was', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/settings`);
  const units = page.getByRole('combobox', { name: 'Units' });
  for (const key of ['Enter', 'Space', 'ArrowDown']) {
    await units.focus();
    await page.keyboard.press(key);
    await expect(page.getByRole('listbox')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(units).toBeFocused();
    await expect(units).toHaveAttribute('data-value', 'metric');
  }
  await page.keyboard.press('Enter');
  await expect(page.getByRole('option', { selected: true })).toBeFocused();
  await page.keyboard.press('i');
  // The list moves its focus a moment after the letter, which a hand never notices and a busy machine may.
  await expect(page.getByRole('option', { name: /^inches/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(units).toHaveAttribute('data-value', 'us');
  await expect(units).toBeFocused();
});

test('ticks and switches by Space, taps by arrows, a folded part by Enter, and Tab goes on from each', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/settings`);
  const monday = page.getByRole('checkbox', { name: 'Mon' });
  await monday.focus();
  await page.keyboard.press('Space');
  await expect(monday).not.toBeChecked();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('checkbox', { name: 'Tue' })).toBeFocused();
  const keys = page.getByRole('switch', { name: 'Letter keys on the round' });
  await keys.focus();
  const before = await keys.getAttribute('aria-checked');
  await page.keyboard.press('Space');
  await expect(keys).not.toHaveAttribute('aria-checked', before ?? '');
  await page.keyboard.press('Space');

  // As long as a finger takes.
  const right = () => page.keyboard.press('ArrowRight', { delay: 60 });
  await page.goto(`${kibble}/garden/1/beds/2`);
  const span = page.getByRole('radiogroup', { name: 'Over which days' });
  await span.getByRole('radio', { checked: true }).focus();
  await right();
  await expect(span.getByRole('radio', { name: /^the season since/ })).toBeChecked();
  await right();
  await expect(span.getByRole('radio', { name: 'the next fortnight' })).toBeChecked();

  await page.goto(`${kibble}/garden/1/pots/1`);
  const fold = page.getByRole('button', { name: 'Ways of watering, and when each suits' });
  await fold.focus();
  await page.keyboard.press('Enter');
  await expect(fold).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('Space');
  await expect(fold).toHaveAttribute('aria-expanded', 'false');
});

test('a search box: arrows and Enter choose, Escape closes the list and then the sheet, Home stays in the text', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/trees`);
  await page.getByRole('button', { name: 'A tree, shrub or hedge more' }).click();
  const sheet = page.getByRole('dialog');
  const kind = sheet.getByRole('combobox', { name: 'Kind' });
  await expect(kind).toHaveAttribute('aria-expanded', 'false');
  await kind.fill('ap');
  await expect(kind).toHaveAttribute('aria-expanded', 'true');
  const options = sheet.getByRole('option');
  await expect(options.first()).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('ArrowDown');
  await expect(options.nth(1)).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Home');
  await page.keyboard.type('x');
  await expect(kind).toHaveValue('xap');
  await page.keyboard.press('Escape');
  await expect(kind).toHaveAttribute('aria-expanded', 'false');
  await expect(sheet).toBeVisible();
  await kind.fill('apri');
  await page.keyboard.press('Enter');
  await expect(kind).toHaveValue('Apricot');
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
});

test('a slider by arrows, Home and End; a table’s heading sorts upward, downward and as it was', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/section`);
  const time = page.getByRole('slider', { name: 'Time' });
  await time.press('Home');
  await expect(time).toHaveAttribute('aria-valuenow', '0');
  await time.press('ArrowRight');
  await expect(time).toHaveAttribute('aria-valuenow', '1');
  await time.press('End');
  await expect(time).toHaveAttribute('aria-valuenow', (await time.getAttribute('aria-valuemax')) ?? '');
  await page.getByRole('button', { name: 'As a table' }).click();
  const heading = page.getByRole('columnheader', { name: 'Roots' });
  const sort = heading.getByRole('button');
  await sort.focus();
  await page.keyboard.press('Enter');
  await expect(heading).toHaveAttribute('aria-sort', 'ascending');
  const depths = async (): Promise<number[]> =>
    (await page.getByRole('row').locator('td:nth-child(7)').allTextContents()).map((text) =>
      Number(text.replace(/[^\d.]/g, '')),
    );
  const up = await depths();
  expect(up).toEqual([...up].sort((a, b) => a - b));
  await page.keyboard.press('Enter');
  await expect(heading).toHaveAttribute('aria-sort', 'descending');
  expect(await depths()).toEqual([...up].reverse());
  await page.keyboard.press('Enter');
  await expect(heading).not.toHaveAttribute('aria-sort');
});
