import type { Page } from '@playwright/test';
import { expect, test } from './kibble.ts';

/** Makes a small garden by way of the server, as the setup would. */
async function garden(page: Page, url: string, name: string): Promise<number> {
  const made = await page.request.post(`${url}/api/gardens`, {
    data: {
      garden: { name, latitudeDeg: 48, timeZone: 'Europe/Vienna' },
      bed: {
        name: 'First bed',
        areaM2: 8,
        textureClass: 'loam',
        planting: { cropId: 'strawberry', plantedOn: '2025-05-01' },
        delivery: { method: 'watering can', litresPerMinute: 8 },
      },
    },
  });
  return ((await made.json()) as { id: number }).id;
}

test('from one’s own start page into the practice garden and back: neither knows of the other', async ({
  page,
  ownKibble,
}) => {
  await page.goto(ownKibble);
  await expect(page.getByRole('heading', { name: 'Four answers to a first plan' })).toBeVisible();
  await page.getByRole('button', { name: 'See Three Poplars, a practice garden' }).click();
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible({ timeout: 60_000 });
  expect(new URL(page.url()).origin).not.toBe(new URL(ownKibble).origin);
  await expect(page.getByRole('banner').first()).toContainText('Three Poplars');
  await page.getByRole('link', { name: 'Back to your own garden' }).click();
  await expect(page.getByRole('heading', { name: 'Four answers to a first plan' })).toBeVisible();
  expect(await (await page.request.get(`${ownKibble}/api/gardens`)).json()).toEqual([]);
});

test('a garden is put away, undone, put away again and brought back', async ({ page, ownKibble }) => {
  const id = await garden(page, ownKibble, 'Old plot');
  await garden(page, ownKibble, 'New plot');
  await page.goto(`${ownKibble}/garden/${id}/settings`);
  const away = page.getByRole('button', { name: 'Put away: Old plot' });
  await away.click();
  await expect(page.getByRole('status').getByText('Old plot is put away.')).toBeVisible();
  const names = async (expected: string[]): Promise<void> => {
    const choice = page.getByLabel('Garden', { exact: true });
    await choice.click();
    await expect(page.getByRole('option')).toHaveText(expected);
    await page.keyboard.press('Escape');
    await expect(choice).toBeFocused();
  };
  await names(['New plot']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await names(['Old plot', 'New plot']);
  await page.goto(`${ownKibble}/garden/${id}/settings`);
  await away.click();
  await expect(page.getByRole('status').getByText('Old plot is put away.')).toBeVisible();
  await page.goto(ownKibble);
  await expect(page.getByRole('banner').getByText('New plot')).toBeVisible();
  // What was put away still opens, says so, and comes back.
  await page.goto(`${ownKibble}/garden/${id}/beds`);
  await expect(page.getByText('First bed').first()).toBeVisible();
  await page.getByRole('button', { name: 'Put away: bring it back' }).click();
  await names(['Old plot', 'New plot']);
});

test('a word opens what it means, in the field’s own term too, and all of them stand in one room', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/ground/bed/1`);
  await page.getByRole('button', { name: 'Within easy reach' }).click();
  const meaning = page.getByRole('dialog', { name: 'What “within easy reach” means' });
  await expect(meaning).toContainText('readily available water');
  await meaning.getByRole('link', { name: 'All words' }).click();
  await expect(page.getByRole('heading', { name: 'Words', exact: true })).toBeVisible();
  await page.getByLabel('Look for a word').fill('christiansen');
  await expect(page.getByRole('main').getByRole('term')).toHaveText([/evenness overall/]);
  await page.getByLabel('Look for a word').fill('zzz');
  await expect(page.getByRole('status')).toHaveText('No word here has “zzz” in it.');
  // The working of a number names the field's term.
  await page.goto(`${kibble}/garden/1/beds/1`);
  await page
    .getByRole('button', { name: /^14\smm$/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('in the field: readily available water');
});
