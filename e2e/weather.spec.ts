import { mkdtempSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { addDays } from '../core/src/units/dates.ts';
import { choose, expect, openedStop, stopsOf, test } from './kibble.ts';

/** A day before today, where the garden is. */
const daysAgo = (timeZone: string, days: number): string =>
  addDays(new Intl.DateTimeFormat('sv-SE', { timeZone }).format(new Date()), -days);

/** A garden near a town, its ground and its one bed told as a gardener would. */
async function gardenNear(
  page: Page,
  kibble: string,
  of: { town: string; ground: string; crop: string; planted: string },
): Promise<void> {
  await page.goto(`${kibble}/new`);
  await choose(page.getByLabel('Units'), 'metric');
  await page.getByLabel('Town, or one near by').fill(of.town);
  await page.getByRole('listbox').getByRole('option').first().click();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByText('stays a ball').click();
  await page.getByText('is under 25 mm').click();
  await page.getByText('gritty').click();
  await expect(page.getByText('That is sandy loam.')).toBeVisible();
  await page.getByText(of.ground, { exact: true }).click();
  await page.getByText('hot and dry').click();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByLabel('What grows there').fill(of.crop);
  await page.getByRole('listbox').getByRole('option').first().click();
  await page.getByLabel('How large is the bed?').fill('5 x 1,2');
  await page.getByLabel('Planted or sown on').fill(of.planted);
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByTestId('growing')).toContainText(/Next watering|Nothing asks/);
  await page.getByRole('button', { name: 'Show me the plan' }).click();
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible();
}

const room = (page: Page, name: string): Promise<void> =>
  page.getByRole('link', { name, exact: true }).click();
/** Taps a word of a day: the first row is today's. */
const tap = (page: Page, row: number, word: string): Promise<void> =>
  page
    .getByRole('region', { name: /The days ahead/ })
    .getByRole('listitem')
    .nth(row)
    .getByText(word, { exact: true })
    .click();

test('a garden in the south by its town’s name; three days said in words, and the round waits for the rain', async ({
  page,
  kibble,
}) => {
  // Near the equator it is warm on whatever day this is run.
  const zone = 'Australia/Darwin';
  await gardenNear(page, kibble, {
    town: 'darwin, north',
    ground: 'drying',
    crop: 'Lettuce',
    planted: daysAgo(zone, 30),
  });
  // Its first plan is not overdue: it starts from how the ground is.
  await expect(page.getByText(/due for \d+ days/)).toBeHidden();
  await expect(stopsOf(page)).toHaveCount(1);
  await room(page, 'Settings');
  await expect(
    page.getByText(/Darwin, Northern Territory, Australia: .* south, in the time of Australia\/Darwin/),
  ).toBeVisible();

  await room(page, 'Weather');
  await tap(page, 0, 'soaking');
  await tap(page, 0, 'grey');
  await tap(page, 1, 'showers');
  await tap(page, 1, 'cool');
  await tap(page, 2, 'showers');
  await expect(page.getByTestId('read').first()).toContainText('20 mm at 80 %');
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await expect(page.getByRole('status')).toContainText('The weather of 3 days is written down.');
  await room(page, 'Round');
  await expect(page.getByText('Nothing asks for water today')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Leave alone today' })).toContainText('rain likely');

  // Taken back, it asks again.
  await room(page, 'Weather');
  await tap(page, 0, 'soaking');
  await tap(page, 0, 'dry');
  await tap(page, 1, 'dry');
  await tap(page, 2, 'dry');
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await room(page, 'Round');
  await expect(stopsOf(page)).toHaveCount(1);
});

test('36° heard on the radio: an own garden gets its before-heat list', async ({ page, kibble }) => {
  await gardenNear(page, kibble, {
    town: 'darwin, north',
    ground: 'moist',
    crop: 'Lettuce',
    planted: daysAgo('Australia/Darwin', 25),
  });
  await room(page, 'Weather');
  for (const row of [1, 2, 3]) {
    await tap(page, row, 'hot');
    await tap(page, row, 'sun');
  }
  await expect(page.getByTestId('read').nth(1)).toContainText(/3[3-9]°C by day/);
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await expect(page.getByRole('status')).toContainText('written down');
  await room(page, 'Round');
  const main = page.getByRole('main');
  await expect(main.getByRole('button', { name: 'Heat: what to do' })).toBeVisible();
  await expect(main.getByText(/shade/i).filter({ visible: true }).first()).toBeVisible();
});

test('a European file with semicolons and decimal commas is read as it was meant', async ({
  page,
  kibble,
}) => {
  const file = join(mkdtempSync(join(tmpdir(), 'kibble-eu-')), 'wetter.csv');
  const rows = Array.from(
    { length: 20 },
    (_, i) => `${daysAgo('Europe/Vienna', 20 - i)};11,5;24,${i % 10};${i === 10 ? '18,4' : '0,0'}`,
  );
  writeFileSync(file, `\ufeffdate;tmin (°C);tmax (°C);rain (mm)\r\n${rows.join('\r\n')}\r\n`);
  await gardenNear(page, kibble, {
    town: 'Graz',
    ground: 'moist',
    crop: 'Carrot',
    planted: daysAgo('Europe/Vienna', 20),
  });
  await room(page, 'Weather');
  await page.locator('input[type=file]').setInputFiles(file);
  await page.getByRole('button', { name: 'Store 20 days' }).click();
  await expect(page.getByText(/20 days stored/)).toBeVisible();
  await expect(page.getByTestId('rain-against-use')).toHaveAccessibleName(/18\smm of rain came/);
  await page.getByText('The days themselves').click();
  await expect(page.getByRole('cell', { name: 'your file' }).first()).toBeVisible();
});

test('a station by its address: asked, kept, and said in plain words when it falls silent', async ({
  page,
  kibble,
}) => {
  const today = daysAgo('Europe/Vienna', 0);
  const day = (date: string) => ({ date, tMinC: 12, tMaxC: 25, rainMm: 0, windMs: 2 });
  const station = createServer((req, res) => {
    const ahead = Array.from({ length: 8 }, (_, d) => ({
      ...day(addDays(today, d)),
      tMaxC: 29,
      rainChance: 0.2,
    }));
    res.end(JSON.stringify({ days: req.url?.startsWith('/forecast') ? ahead : [day(addDays(today, -1))] }));
  });
  await new Promise<void>((ready) => station.listen(0, '127.0.0.1', ready));
  const url = `http://127.0.0.1:${(station.address() as AddressInfo).port}`;
  await gardenNear(page, kibble, {
    town: 'Graz',
    ground: 'moist',
    crop: 'Carrot',
    planted: daysAgo('Europe/Vienna', 20),
  });
  await room(page, 'Weather');
  const address = page.getByLabel('Its address');
  await address.fill('192.168.1.20');
  await page.getByRole('button', { name: 'Ask it, and keep it' }).click();
  await expect(page.getByText(/Address must begin with http:\/\//)).toBeVisible();
  await expect(address).toHaveValue('192.168.1.20');
  await address.fill(url);
  await page.getByRole('button', { name: 'Ask it, and keep it' }).click();
  await expect(page.getByText(/It answers; its days and its forecast/)).toBeVisible();
  await expect(page.getByTestId('read').first()).toContainText('29°C by day');

  station.closeAllConnections();
  await new Promise((closed) => station.close(closed));
  await address.fill(`${url}/other`);
  await page.getByRole('button', { name: 'Ask it, and keep it' }).click();
  await expect(page.getByText(/is of no use now: it cannot be reached/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it anyway' }).click();
  await expect(page.getByText(/Of no use now: it cannot be reached/)).toBeVisible();
  await room(page, 'Round');
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible();
});

test('a bed, a room or an act is found by typing part of its name', async ({ page, kibble }) => {
  await page.goto(`${kibble}/garden/1/round`);
  await openedStop(page).waitFor();
  await page.keyboard.press('/');
  await page.getByPlaceholder('A bed, a room, an act…').fill('rose');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Hybrid musks' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('A bed, a room, an act…').fill('forecast');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Weather' })).toBeVisible();
});

test('a newcomer at a person’s pace: twelve inputs at most to a first plan, and none of it overdue', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/new`);
  let inputs = 0;
  // A person looks, moves and presses: two seconds for a tap, a quarter of one for a letter.
  let seconds = 0;
  const press = async (act: () => Promise<void>, letters = 0): Promise<void> => {
    inputs += 1;
    seconds += 2 + letters / 4;
    await act();
  };
  await press(() => page.getByLabel('Town, or one near by').fill('Graz'), 4);
  await press(() => page.getByRole('listbox').getByRole('option').first().click());
  await press(() => page.getByRole('button', { name: 'Next' }).click());
  await press(() => page.getByText('falls apart').click());
  await press(() => page.getByText('moist', { exact: true }).click());
  await press(() => page.getByRole('button', { name: 'Next' }).click());
  await press(() => page.getByLabel('What grows there').fill('carr'), 4);
  await press(() => page.getByRole('listbox').getByRole('option').first().click());
  await press(() => page.getByLabel('How large is the bed?').fill('6'), 1);
  await press(() => page.getByLabel('Planted or sown on').fill(daysAgo('Europe/Vienna', 40)), 8);
  await press(() => page.getByRole('button', { name: 'Next' }).click());
  await press(() => page.getByRole('button', { name: 'Show me the plan' }).click());
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible();
  expect(inputs).toBeLessThanOrEqual(12);
  // Reading four short screens takes ten seconds each.
  expect(seconds + 40).toBeLessThan(90);
  await expect(page.getByText(/due for \d+ days|overdue/)).toBeHidden();
});

test('rows that are pasted: days that could be written either way are asked about, and a file is taken back', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  await room(page, 'Weather');
  await page.getByRole('button', { name: 'Paste rows' }).click();
  const rows = Array.from({ length: 9 }, (_, i) => `0${i + 1}/05/2020;11;24;${i % 2 ? 4 : 0}`);
  await page
    .getByLabel('Rows, the first with the columns’ names')
    .fill(['date;tmin (°C);tmax (°C);rain (mm)', ...rows, rows[8]].join('\n'));
  await page.getByRole('button', { name: 'Read them' }).click();
  await expect(page.getByText(/day first or month first/)).toBeVisible();
  const store = page.getByRole('button', { name: 'Store 9 days' });
  await expect(store).toBeDisabled();
  await choose(page.getByLabel('Unit of date'), 'day first');
  await expect(page.getByText(/1 row says again what another says/)).toBeVisible();
  await store.click();
  await expect(page.getByText('9 days stored, 1 May 2020 to 9 May 2020.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Bring again: pasted rows' })).toBeVisible();
});

test('a hundred thousand hours of weather are brought in with their progress shown', async ({
  page,
  kibble,
}) => {
  const file = join(mkdtempSync(join(tmpdir(), 'kibble-long-')), 'hours.csv');
  const hours = Array.from({ length: 100_000 }, (_, h) => {
    const at = new Date(Date.UTC(2008, 0, 1, h)).toISOString().slice(0, 16);
    return `${at},${(4 + (h % 24) / 2).toFixed(1)},0.1`;
  });
  writeFileSync(file, ['timestamp,temperature (°C),rain (mm)', ...hours].join('\n'));
  await page.goto(kibble);
  await room(page, 'Weather');
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByText(/^Reading/)).toBeVisible();
  await page.getByRole('button', { name: 'Store 4,166 days, leave 1 out' }).click({ timeout: 60_000 });
  await expect(page.getByText(/4,166 days stored/)).toBeVisible({ timeout: 60_000 });
});

test('what an alert asks is ticked in the round, and stays so in the Weather room and after a reload', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  const heat = page.getByRole('button', { name: 'Heat: what to do' });
  await heat.click();
  const drawer = page.getByRole('dialog', { name: 'Heat' });
  await expect(drawer.getByText(/highest 32, 34, 35, 36, 34 °C \(at least 32°C\)/)).toBeVisible();
  for (const act of [/Soak, mulch or shade/, /Move pots and seed trays/])
    await drawer.getByLabel(act).check();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Heat: seen to' })).toBeFocused();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Heat: seen to' })).toBeVisible();
  await room(page, 'Weather');
  const pots = page.getByLabel(/Move pots and seed trays/);
  await expect(pots).toBeChecked();
  // A look that was under way may still answer as it was before: what counts is where it comes to rest.
  await pots.click();
  await expect(pots).not.toBeChecked();
  await room(page, 'Round');
  await expect(heat).toBeVisible();
});

test('taps of the days ahead that were not written down are still there after a look elsewhere', async ({
  page,
  kibble,
}) => {
  await page.goto(kibble);
  await room(page, 'Weather');
  await tap(page, 1, 'soaking');
  await room(page, 'Round');
  await room(page, 'Weather');
  await expect(page.getByRole('button', { name: 'Write it down' })).toHaveCount(2);
  await page.getByRole('button', { name: 'Leave it as it was' }).click();
  await expect(page.getByRole('button', { name: 'Write it down' })).toHaveCount(1);
});
