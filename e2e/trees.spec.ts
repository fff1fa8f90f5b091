import type { BedPageView, TreesView } from '../contract/src/index.ts';
import type { Page } from '@playwright/test';
import { choose, expect, test } from './kibble.ts';

const trees = async (page: Page, url: string): Promise<TreesView> =>
  (await (await page.request.get(`${url}/api/gardens/1/trees`)).json()) as TreesView;
const pageOf = async (page: Page, url: string, name: string): Promise<BedPageView> => {
  const row = (await trees(page, url)).trees.find(({ bedName }) => bedName === name);
  return (await (await page.request.get(`${url}/api/beds/${row?.bedId ?? 0}`)).json()) as BedPageView;
};
const open = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('main').getByRole('link', { name, exact: true }).first().click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
};
const setClock = async (page: Page, url: string, date: string): Promise<void> => {
  const garden = (await (await page.request.get(`${url}/api/gardens/1`)).json()) as { version: number };
  const data = { version: garden.version, clock: { mode: 'practice', date } };
  expect((await page.request.patch(`${url}/api/gardens/1`, { data })).ok()).toBe(true);
};

test('a new bare-root pear is told in plain words, and the days on which it is handed over are dated', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/trees`);
  await page.getByRole('button', { name: 'A tree, shrub or hedge more' }).click();
  const form = page.getByRole('dialog', { name: 'A new tree, shrub or hedge' });
  await form.getByRole('combobox', { name: 'Kind' }).fill('pear');
  await form.getByRole('option', { name: /^Pear/ }).click();
  await form.getByLabel('Name').fill('Pear by the gate');
  await form.getByLabel('Branches across').fill('0.9');
  await choose(form.getByLabel('It came'), 'with bare roots');
  await choose(form.getByLabel('The ground now is'), 'soaked');
  // A slip is refused in words, and what was typed stays.
  await form.getByLabel('Trunk', { exact: true }).fill('200');
  await form.getByRole('button', { name: 'Put it in the plan' }).click();
  await expect(form.getByRole('alert')).toContainText('must be more than the trunk');
  await expect(form.getByLabel('Name')).toHaveValue('Pear by the gate');
  await form.getByLabel('Trunk', { exact: true }).fill('2');
  await expect(form.getByTestId('starter')).toContainText('its first weeks');
  await form.getByRole('button', { name: 'Put it in the plan' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Pear by the gate' })).toBeVisible();
  await expect(page.getByText('2 at most').first()).toBeVisible();
  // The handing over is dated: weeks, then its first year.
  await page.goto(`${kibble}/garden/1/trees`);
  await open(page, 'Pear by the gate');
  await expect(page.getByText(/from 8 Sept? 2026 it is in its first year/)).toBeVisible();
  await setClock(page, kibble, '2026-10-20');
  const autumn = await pageOf(page, kibble, 'Pear by the gate');
  expect(autumn.tree?.plan.phase).toBe('first year');
  expect(autumn.tree?.season).toBe('autumn');
  // Bare in winter it is left alone, its ground frozen or not.
  await setClock(page, kibble, '2027-01-10');
  const winter = await pageOf(page, kibble, 'Pear by the gate');
  expect(winter.stop).toBeNull();
});

test('the apricots’ water is moved outward: old and new place, undo, the year line, and a tag to print', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/trees`);
  await expect(page.getByRole('listitem').filter({ hasText: 'Young apricots' }).first()).toContainText(
    'to be moved outward',
  );
  await open(page, 'Young apricots');
  await expect(page.getByText(/Move the water outward: it lies out to 0\.45\sm/)).toBeVisible();
  // Dragging changes litres at once; what cannot be is refused; leaving puts it back.
  const litres = page.getByTestId('tree-today').getByRole('button', { name: /L$/ }).first();
  const before = await litres.innerText();
  const handle = page.getByRole('slider', { name: 'Outer edge of the ring' });
  await handle.focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowRight');
  await expect(litres).not.toHaveText(before);
  await expect(page.getByTestId('dragged')).toContainText('Not kept yet');
  await page.getByRole('button', { name: 'Leave as it was' }).click();
  await expect(litres).toHaveText(before);
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2 + 20, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByTestId('dragged')).toContainText('Not kept yet');
  await page.getByRole('button', { name: 'Leave as it was' }).click();
  // The ring of other years.
  const year = page.getByRole('slider', { name: 'Year' });
  for (let i = 2026; i < 2030; i += 1) await year.press('ArrowRight');
  await expect(page.getByTestId('year')).toContainText('2030');
  await expect(page.getByText('the ring of 2030')).toBeVisible();
  // The yearly move.
  await page.getByRole('button', { name: 'Move outward' }).click();
  const sheet = page.getByRole('dialog', { name: /move the water outward/ });
  await expect(sheet.getByRole('row', { name: /From the trunk out to 0\.45\sm/ })).toBeVisible();
  await sheet.getByLabel('Branches across now').fill('2.2');
  await sheet.getByRole('button', { name: 'It is moved' }).click();
  await expect(page.getByText(/is watered .* from the trunk from today/)).toBeVisible();
  await expect(page.getByText(/Move the water outward: it lies/)).toBeHidden();
  const moved = await pageOf(page, kibble, 'Young apricots');
  expect(moved.tree?.facts.canopyM).toBe(2.2);
  expect(moved.tree?.facts.ring.outerM).toBeGreaterThan(0.8);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/Move the water outward: it lies out to 0\.45\sm/)).toBeVisible();
  // On paper: the plan and the tag, and no buttons.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('region', { name: 'Tag for the tree' })).toBeVisible();
  await expect(page.getByTestId('tree-plan')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print it for the tree' })).toBeHidden();
});

test('the walnut through a drought with the lawn off: stops by the clock, saved water credited', async ({
  page,
  kibble,
}) => {
  await page.goto(`${kibble}/garden/1/trees`);
  await open(page, 'Old walnut');
  await page.getByRole('button', { name: 'The lawn’s water is off' }).click();
  await expect(page.getByText('The lawn is off: the tree lives on its own soaks now.')).toBeVisible();
  await expect(page.getByText(/it is no dose/)).toBeVisible();
  // To the day on which it is due: six spots by the clock, the hose moved on each call.
  let due = await pageOf(page, kibble, 'Old walnut');
  for (let day = 0; day < 10 && !due.stop; day += 1) {
    await page.request.post(`${kibble}/api/gardens/1/step`, { data: { days: 1 } });
    due = await pageOf(page, kibble, 'Old walnut');
  }
  expect(due.stop?.reason.code).toBe('gap');
  expect(due.tree?.soak?.counted).toBeLessThanOrEqual(21);
  await page.reload();
  const today = page.getByTestId('tree-today');
  await expect(today).toContainText('at each of 6 spots');
  await today.getByRole('button', { name: 'Open the tap at spot 1' }).click();
  const taps = page.getByRole('region', { name: 'Taps that run' });
  await expect(taps).toContainText('spot 1 of 6');
  for (let spot = 2; spot <= 6; spot += 1) {
    await taps.getByRole('button', { name: `Moved to spot ${spot}` }).click();
    await expect(taps).toContainText(`spot ${spot} of 6`);
  }
  await taps.getByRole('button', { name: 'It is off' }).click();
  await expect(page.getByText(/Old walnut: .* written down/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await today.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(today).toContainText('Leave it today');
  await expect(today).toContainText('Soaked today.');
  // Water saved in the shower counts for it.
  await page.getByRole('button', { name: 'Give it saved water' }).click();
  const sheet = page.getByRole('dialog', { name: 'Saved water for Old walnut' });
  await sheet.getByLabel('Poured').fill('-3');
  await sheet.getByRole('button', { name: 'Write it down' }).click();
  await expect(sheet.getByRole('alert')).toContainText('Litres must be from');
  await sheet.getByLabel('Poured').fill('45');
  await sheet.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('45 L of saved water written down')).toBeVisible();
});

test('a bed of gooseberries is told as shrubs with its log; seconds at a bush are held against its volume', async ({
  page,
  kibble,
}) => {
  await page.request.post(`${kibble}/api/gardens/1/beds`, {
    data: {
      name: 'Gooseberries',
      areaM2: 4,
      textureClass: 'loam',
      planting: { cropId: 'gooseberry', plantedOn: '2023-03-10' },
      delivery: { method: 'hose wand', litresPerMinute: 12 },
    },
  });
  await page.goto(`${kibble}/garden/1/trees`);
  const kept = page.getByRole('region', { name: 'Kept as beds' });
  await expect(kept).toContainText('Gooseberries');
  await kept.getByRole('button', { name: 'Tell it as a tree or shrub' }).click();
  const form = page.getByRole('dialog', { name: 'Gooseberries is a tree' });
  await form.getByLabel('How many alike').fill('4');
  await choose(form.getByLabel('Watered by'), 'basin');
  await form.getByRole('button', { name: 'Make it a tree place' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Gooseberries' })).toBeVisible();
  await expect(page.getByText(/4 × gooseberry/)).toBeVisible();
  // The musk roses: a set volume, and what a count comes to.
  await page.goto(`${kibble}/garden/1/trees`);
  await open(page, 'Hybrid musks');
  const today = page.getByTestId('tree-today');
  await expect(today).toContainText('9 L each');
  await today.getByLabel('You count').fill('200');
  await expect(today.getByRole('status')).toContainText('count anew');
  await today.getByLabel('You count').fill('50');
  await expect(today.getByRole('status')).toContainText('That agrees');
});
