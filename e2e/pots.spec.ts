import type { PotsView, PotView } from '../contract/src/index.ts';
import type { Page } from '@playwright/test';
import { choose, expect, test } from './kibble.ts';

const shelf = async (page: Page, url: string): Promise<PotsView> =>
  (await (await page.request.get(`${url}/api/gardens/1/pots`)).json()) as PotsView;
const potsOf = (view: PotsView, spot: string): PotView[] =>
  view.spots.find(({ name }) => name === spot)?.pots ?? [];

test('a shelf of twelve pots is weighed in by keyboard: a number, Enter, the next one; the last one taken back', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/pots/weigh?spot=Terrace`);
  const fields = page.getByRole('textbox', { name: /^Weight of/ });
  await expect(fields).toHaveCount(12);
  await expect(fields.first()).toBeFocused();
  const before = potsOf(await shelf(page, kibble), 'Terrace');
  // Each weighs what a pot of its size may: filled and drained.
  await page.getByLabel('just filled, and drained').check();
  await fields.first().focus();
  for (const pot of before) {
    await page.keyboard.type((pot.fullKg ?? pot.shape.volumeL * 1.1).toFixed(2));
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('12 of 12 weighed')).toBeVisible();
  const full = potsOf(await shelf(page, kibble), 'Terrace');
  for (const pot of full) {
    expect(pot.fullKg).not.toBeNull();
    expect(pot.heldMl / pot.holdsMl).toBeGreaterThan(0.99);
  }
  // A day later, lighter by what each has lost: what it takes is known now, and what to give is told in the row.
  await page.getByRole('button', { name: 'Next day' }).click();
  await page.goto(`${kibble}/garden/1/pots/weigh?spot=Terrace`);
  await expect(fields.first()).toBeFocused();
  for (const pot of full) {
    await page.keyboard.type(((pot.fullKg ?? 0) - (0.9 * pot.dayUseMl) / 1000).toFixed(3));
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('12 of 12 weighed')).toBeVisible();
  // A row tells what it lost and what it takes a day.
  await expect(page.getByRole('row', { name: /^Mint/ })).toContainText('mL');
  const weighed = potsOf(await shelf(page, kibble), 'Terrace');
  for (const [i, pot] of weighed.entries()) expect(pot.doubt).toBeLessThan(before[i]?.doubt ?? 0);
  const last = weighed.at(-1);
  // The last one was wrong: taken back by key, its field has the number again.
  await fields.last().fill('');
  await fields.last().press('Control+z');
  await expect(page.getByText('11 of 12 weighed')).toBeVisible();
  await expect(fields.last()).not.toHaveValue('');
  await expect
    .poll(async () => potsOf(await shelf(page, kibble), 'Terrace').at(-1)?.doubt)
    .toBeGreaterThan(last?.doubt ?? 9);
  // What cannot be is refused in the row; what is odd is asked about, and kept when it is so.
  await fields.nth(6).fill('9');
  await fields.nth(6).press('Enter');
  const row = page.getByRole('row', { name: /^Basil/ });
  await expect(row.getByRole('alert')).toContainText('no water was written down since');
});

test('two trays go through their clocks, and a reload in the middle changes nothing', async ({
  page,
  kibble,
}) => {
  await page.clock.install();
  await page.goto(`${kibble}/garden/1/pots`);
  const bench = page.getByRole('region', { name: 'Seed bench' });
  for (const name of ['Lettuce, second tray', 'Kale', 'Beetroot', 'Florence fennel'])
    await bench.getByRole('checkbox', { name: new RegExp(`^${name}`) }).uncheck();
  await bench.getByRole('checkbox', { name: /^Leek/ }).uncheck();
  await bench.getByRole('checkbox', { name: /^Kale/ }).check();
  await bench.getByRole('button', { name: 'Soak 2 trays' }).click();
  const under = page.getByTestId('sequence');
  await expect(under).toContainText('step 1 of 3: Lettuce, first tray · Kale');
  await expect(under).toContainText('until the surface is dark and moist');
  await expect(under.getByRole('timer')).toHaveText(/^(30:00|29:5\d)$/);
  // Twenty minutes on, the page is loaded anew: the clock is kept at home.
  await page.clock.fastForward('20:00');
  await expect(under.getByRole('timer')).toHaveText(/^9:[0-5]\d$|^10:00$/);
  await page.reload();
  await expect(under.getByRole('timer')).toHaveText(/^9:[0-5]\d$|^10:00$/);
  await page.clock.fastForward('11:00');
  await expect(under.getByRole('timer')).toHaveText(/^\+1:\d\d$|^\+0:5\d$/);
  await under.getByRole('button', { name: 'The surface is dark' }).click();
  await expect(under).toContainText('step 2 of 3');
  await under.getByRole('button', { name: 'Done, go on' }).click();
  await under.getByRole('button', { name: 'They stand in their place' }).click();
  await expect(page.getByRole('status').getByText('what they took up is written down')).toBeVisible();
  await expect(under).toHaveCount(0);
  const trays = potsOf(await shelf(page, kibble), 'Seed bench').filter(({ name }) => /first|Kale/.test(name));
  expect(trays.map(({ leave }) => leave?.code)).toEqual(['seen to today', 'seen to today']);
  for (const { heldMl, holdsMl } of trays) expect(heldMl / holdsMl).toBeGreaterThan(0.95);
});

test('a batch is mixed, interrupted at the third spoon, gone on with, and measured again', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/pots`);
  await page.getByLabel('Sour a batch of water').fill('0');
  await page.getByRole('button', { name: 'Count the spoons' }).click();
  await expect(page.getByText('Water in the batch must be from 0.2 to 1000 L; got 0 L.')).toBeVisible();
  await page.getByLabel('Sour a batch of water').fill('19');
  await page.getByRole('button', { name: 'Count the spoons' }).click();
  const batch = page.getByTestId('batch');
  await expect(batch).toContainText('Keep it away from bleach');
  for (const n of [1, 2, 3]) {
    await batch.getByRole('button', { name: 'A spoon is in' }).click();
    await expect(batch.getByRole('status')).toHaveText(`${n} of 5`);
  }
  // Called away: another room, and the page anew.
  await page.goto(`${kibble}/garden/1/weather`);
  await page.goto(`${kibble}/garden/1/pots`);
  await expect(batch.getByRole('status')).toHaveText('3 of 5');
  for (const n of [4, 5]) {
    await batch.getByRole('button', { name: 'A spoon is in' }).click();
    await expect(batch.getByRole('status')).toHaveText(`${n} of 5`);
  }
  await expect(batch).toContainText('measure the pH again');
  await batch.getByRole('button', { name: 'The batch is made' }).click();
  await expect(batch).toHaveCount(0);
  await page.getByLabel('pH', { exact: true }).fill('6,3');
  await choose(page.getByLabel('of', { exact: true }), { words: /the soured batch/ });
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('the soured batch: 6.3, right')).toBeVisible();
});

test('a hot week on the terrace: each morning what asks is given, and nothing hangs', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/round`);
  const pots = page.getByRole('region', { name: 'Pots', exact: true });
  for (let day = 0; day < 7; day += 1) {
    await expect(pots).toBeVisible();
    const view = await shelf(page, kibble);
    const terrace = view.spots.find(({ name }) => name === 'Terrace');
    const walk = pots.getByRole('group', { name: 'Walk: Terrace' });
    if ((terrace?.walk.pots ?? 0) > 1) {
      await expect(walk).toContainText(`Terrace: ${terrace?.walk.pots} pots`);
      await walk.getByRole('button', { name: /^All \d+ done/ }).click();
      await expect.poll(async () => (await shelf(page, kibble)).spots[0]?.walk.pots).toBe(0);
    } else if (terrace?.walk.pots === 1) await walk.getByRole('button', { name: /^Done:/ }).click();
    await page.getByRole('button', { name: 'Next day' }).click();
    await expect.poll(async () => (await shelf(page, kibble)).date).not.toBe(view.date);
  }
  const { spots } = await shelf(page, kibble);
  for (const pot of spots[0]?.pots ?? [])
    if (pot.way !== 'soak and dry') expect(`${pot.name} ${pot.shrunk}`).toBe(`${pot.name} false`);
  // Heat of 36 degrees: the first of them would not last a day without somebody.
  expect(spots[0]?.away.first).not.toBeNull();
});

test('a cactus is asked whether it is dry, a pot told and copied, moved with its history, and put away with undo', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/pots`);
  const terrace = page.getByRole('region', { name: 'Terrace' });
  await terrace.getByRole('button', { name: 'Dry through: Jade plant' }).click();
  await expect(terrace.getByRole('button', { name: 'Done: Jade plant' })).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(terrace.getByRole('button', { name: 'Dry through: Jade plant' })).toBeVisible();

  await page.getByRole('button', { name: 'Add a pot or tray' }).click();
  const form = page.getByRole('dialog');
  await form.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(form.getByText('Size of the pot must be from 0.05 to 2000 L; got nothing.')).toBeVisible();
  await expect(form.getByText('Name of the pot must not be empty')).toBeVisible();
  await form.getByLabel('Name', { exact: true }).fill('Parsley');
  await form.getByRole('button', { name: '17 cm' }).click();
  await form.getByRole('combobox', { name: 'Plant', exact: true }).fill('parsl');
  await page.getByRole('option', { name: /Parsley/ }).click();
  await form.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(form).toBeHidden();
  await terrace
    .getByRole('link', { name: /^Parsley/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'More like this one' }).click();
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect.poll(async () => potsOf(await shelf(page, kibble), 'Terrace').length).toBe(19);
  await page.getByRole('button', { name: 'Change, move or repot' }).click();
  await form.getByLabel('Where it stands').fill('North steps');
  await choose(form.getByLabel('Sun', { exact: true }), 'shade');
  await form.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(form).toBeHidden();
  await expect(page.getByText('Outdoors, in the shade')).toBeVisible();
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByRole('heading', { name: 'Pots & trays' })).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(
    page
      .getByRole('region', { name: 'North steps' })
      .getByRole('link', { name: /^Parsley/ })
      .first(),
  ).toBeVisible();
});

test('pots stand in the section, in the fortnight under their place, and on paper', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/section`);
  await expect(page.getByRole('list', { name: 'Pots: Terrace' }).getByRole('listitem')).toHaveCount(12);
  await page.goto(`${kibble}/garden/1/fortnight`);
  const { spots } = await shelf(page, kibble);
  const row = page.getByRole('row', { name: /^Terrace/ });
  await expect(row.getByRole('cell').first()).toContainText(String(spots[0]?.perDay[0]?.pots));
  await page.goto(`${kibble}/garden/1/round`);
  await page.emulateMedia({ media: 'print' });
  const due = (await shelf(page, kibble)).spots.find(({ name }) => name === 'Terrace')?.walk.pots ?? 0;
  expect(due).toBeGreaterThan(1);
  await expect(page.getByTestId('round-sheet')).toContainText(`Terrace (${due} pots`);
});
