import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { choose, expect, openedStop, stopsOf, test } from './kibble.ts';

/** Four years of real daily weather, as it ships in vega-datasets. */
const SEATTLE = fileURLToPath(
  new URL('../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url),
);

async function makeGarden(page: Page, kibble: string): Promise<void> {
  await page.goto(`${kibble}/new`);
  await page.getByLabel('Name of the garden').fill('Behind the house');
  await choose(page.getByLabel('Units'), 'metric');
  await page.getByRole('button', { name: 'Type the latitude instead' }).click();
  await page.getByLabel('Latitude').fill('47,6');
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByRole('button', { name: /^I know its name/ }).click();
  await choose(page.getByLabel('The soil is'), 'loam');
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByLabel('What grows there').fill('tomato');
  await page.getByRole('option', { name: /^Tomato / }).click();
  await page.getByLabel('Call the bed').fill('Tomatoes');
  await page.getByLabel('How large is the bed?').fill('5 x 2');
  await page.getByLabel('Planted or sown on').fill('2015-05-15');
  await page.getByRole('button', { name: 'Next' }).click();
  await choose(page.getByLabel('You water with'), 'hose wand');
  await choose(page.getByLabel('How fast it flows'), 'bucket');
  await page.getByLabel('The bucket holds').fill('15');
  await page.getByLabel('It filled in').fill('45');
  await page.getByRole('button', { name: 'Show me the plan' }).click();
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible();
}

async function practiceDate(page: Page, date: string): Promise<void> {
  await page.getByRole('link', { name: 'Settings', exact: true }).click();
  await choose(page.getByLabel('Date', { exact: true }), 'practice');
  await page.getByLabel('Practice date').fill(date);
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Round', exact: true }).click();
}

test('four answers, a real weather file, a true plan: water in the dry July, none after soaking rain', async ({
  page,
  kibble,
}) => {
  await makeGarden(page, kibble);
  await practiceDate(page, '2015-07-08');
  await expect(page.getByText(/weather was not measured/)).toBeVisible();

  await page.getByRole('link', { name: 'Weather', exact: true }).click();
  await page.locator('input[type=file]').setInputFiles(SEATTLE);
  await expect(page.getByText('1,461 days, 1 Jan 2012 to 31 Dec 2015.')).toBeVisible();
  const rain = page.getByRole('row', { name: /^precipitation Rain/ });
  await expect(rain.getByRole('combobox', { name: 'Unit of rain' })).toHaveText('mm');
  await page.getByRole('button', { name: 'Store 1,461 days' }).click();
  await expect(page.getByText(/1,461 days stored/)).toBeVisible();

  await page.getByRole('link', { name: 'Round', exact: true }).click();
  await expect(page.getByText(/weather was not measured/)).toBeHidden();
  // The record has 0.8 mm between 3 June and this day, and highs up to 34 °C.
  await expect(stopsOf(page)).toHaveCount(1);
  await openedStop(page).getByText('Why, and how in full').click();
  await expect(openedStop(page).getByText('within easy reach').first()).toBeVisible();
  await openedStop(page).getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText('Nothing asks for water today')).toBeVisible();

  // Nobody came for seven weeks: one round’s turns do not fill it, and an hour with the wand does.
  await practiceDate(page, '2015-08-28');
  await expect(stopsOf(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Other amount' }).click();
  await page.getByRole('dialog').getByLabel('Amount').fill('60');
  await page.getByRole('dialog').getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Nothing asks for water today')).toBeVisible();
  // 29 and 30 August 2015 brought 32.5 and 10.2 mm.
  await practiceDate(page, '2015-09-01');
  await expect(page.getByText('Nothing asks for water today')).toBeVisible();
});

test('a file with three bad rows: they are named by line, and only the good ones go in, when told to', async ({
  page,
  kibble,
}) => {
  const lines = readFileSync(SEATTLE, 'utf8').trimEnd().split('\n');
  lines[10] = '2012-01-10,1.0,3.0,9.5,3.4,rain';
  lines[200] = '2012-07-18,wet,21.7,15.0,2.6,rain';
  lines[700] = '30/11/2013,0.0,12.2,7.8,3.6,drizzle';
  const file = join(mkdtempSync(join(tmpdir(), 'kibble-csv-')), 'with-slips.csv');
  writeFileSync(file, lines.join('\n'));

  await makeGarden(page, kibble);
  await page.getByRole('link', { name: 'Weather', exact: true }).click();
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByText('3 rows cannot be read:')).toBeVisible();
  await expect(page.getByText(/Line 11: lowest temperature \(9.5 °C\) is above the highest/)).toBeVisible();
  await expect(page.getByText(/Line 201: rain must be a number; got "wet"/)).toBeVisible();
  await expect(page.getByText(/Line 701: date must be written YYYY-MM-DD/)).toBeVisible();
  await expect(page.getByText('No measured weather yet')).toBeVisible();
  await page.getByRole('button', { name: 'Store 1,458 days, leave 3 out' }).click();
  await expect(page.getByText(/1,458 days stored.*3 rows left out/)).toBeVisible();
});

test('the setup refuses an impossible bed in words and keeps what was typed', async ({ page, kibble }) => {
  await page.goto(`${kibble}/new`);
  const next = page.getByRole('button', { name: 'Next' });
  await choose(page.getByLabel('Units'), 'us');
  await page.getByLabel('Name of the garden').fill('Across the road');
  await next.click();
  await expect(page.getByText('Town must be one of the list; type its first letters.')).toBeVisible();
  await page.getByRole('button', { name: 'Type the latitude instead' }).click();
  await page.getByLabel('Latitude').fill('140');
  await next.click();
  await expect(page.getByText('Latitude must be from -90 to 90 °; got 140 °.')).toBeVisible();
  await expect(page.getByLabel('Name of the garden')).toHaveValue('Across the road');
  await page.getByLabel('Latitude').fill('40');
  await next.click();
  await next.click();
  await expect(page.getByText('Soil must be told by its feel, or by its name below.')).toBeVisible();
  await page.getByText('falls apart').click();
  await next.click();
  const size = page.getByLabel('How large is the bed?');
  const crop = page.getByLabel('What grows there');
  await next.click();
  await expect(page.getByText('Crop must be one of the list; type part of its name.')).toBeVisible();
  // What is not in the list is asked about, never replaced.
  await crop.fill('moonflower');
  await size.focus();
  await expect(page.getByText(/Crop must be one of the list; got “moonflower”/)).toBeVisible();
  await expect(crop).toHaveValue('');
  await crop.fill('kale');
  await page.keyboard.press('Enter');
  await expect(crop).toHaveValue(/kale/i);
  await size.fill('0');
  await next.click();
  await expect(page.getByText(/Area must be from 0.054 to .* sq ft; got 0 sq ft/)).toBeVisible();
  await size.fill('half a field');
  await expect(page.getByText(/Area must be .*; got “half a field”/)).toBeVisible();

  // Sides in feet are an area; said in other units it is the same bed. A page loaded anew has lost nothing.
  await size.fill('10 x 4');
  await page.getByRole('button', { name: 'Where' }).click();
  await choose(page.getByLabel('Units'), 'metric');
  await page.reload();
  await expect(page.getByLabel('Name of the garden')).toHaveValue('Across the road');
  await next.click();
  await next.click();
  await expect(size).toHaveValue('3.7');
});

test('a bed can be put away and brought back, and a bad change is refused', async ({ page, kibble }) => {
  await page.goto(kibble);
  await page.getByRole('link', { name: 'Garden', exact: true }).click();
  await page.getByRole('link', { name: 'Add or change beds' }).click();
  const row = page.getByRole('row', { name: /Onions/ });
  await row.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByRole('row', { name: /Onions/ })).toHaveCount(0);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(row).toBeVisible();
  await row.getByRole('button', { name: 'Change' }).click();
  await page.getByLabel('Planted or sown on').fill('2027-12-24');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByRole('alert')).toContainText(
    '2027-07-15 (a year from today at this garden) or earlier; got 2027-12-24',
  );
});

// One bed with a measured flow on a raised bed, one with a guessed flow.
/** A bed without the versions that count its changes. */
const plain = (bed: Record<string, unknown>): unknown =>
  JSON.parse(JSON.stringify(bed, (key, value: unknown) => (key === 'version' ? undefined : value)));

for (const name of ['Tomatoes, long bed', 'Sweetcorn block']) {
  test(`changing the area of ${name} leaves the rest as it was`, async ({ page, kibble }) => {
    await page.goto(kibble);
    await page.getByRole('link', { name: 'Garden', exact: true }).click();
    await page.getByRole('link', { name: 'Add or change beds' }).click();
    const bed = async (): Promise<Record<string, unknown>> => {
      const garden = (await (await page.request.get(`${kibble}/api/gardens/1`)).json()) as {
        beds: Record<string, unknown>[];
      };
      return garden.beds.find((b) => b.name === name) ?? {};
    };
    const before = await bed();
    await page
      .getByRole('row', { name: new RegExp(name) })
      .getByRole('button', { name: 'Change' })
      .click();
    await page.getByLabel('Its area').fill('16.5');
    await page.getByRole('button', { name: 'Keep the changes' }).click();
    await expect(page.getByRole('cell', { name: '16.5 m²' })).toBeVisible();
    // Everything but the area, the day from which it holds, and the count of changes that goes with it.
    const after = await bed();
    const settings = after.settings as { from: string; setting: object }[];
    expect(settings.at(-1)).toMatchObject({ from: '2026-07-14', setting: { kind: 'area', value: 16.5 } });
    expect(settings.slice(0, -1)).toEqual(before.settings);
    expect(plain({ ...after, settings: null })).toEqual(plain({ ...before, areaM2: 16.5, settings: null }));
  });
}
