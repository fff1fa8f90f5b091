import { addDays } from '../core/src/units/dates.ts';
import { choose, expect, test } from './kibble.ts';

test('Minneapolis, inches and gallons: four raised beds with nothing planted, and what will be sown', async ({
  page,
  ownKibble,
}) => {
  await page.goto(`${ownKibble}/new`);
  await choose(page.getByLabel('Units'), 'inches, gallons, °F');
  let inputs = 0;
  const press = async (act: () => Promise<unknown>): Promise<void> => {
    inputs += 1;
    await act();
  };
  await press(() => page.getByLabel('Town, or one near by').fill('Minneapolis'));
  await press(() => page.getByRole('listbox').getByRole('option').first().click());
  const year = page.getByTestId('usual-year');
  await expect(year).toContainText(/January: by day 2\d°F, at night \d°F, .* of rain on \d days/);
  await expect(year).toContainText(/July: by day 8\d°F, at night 6\d°F/);
  await expect(
    page.getByText(/Taken as \d{3}\sft above the sea, like the weather stations around/),
  ).toBeVisible();
  await press(() => page.getByRole('button', { name: 'Next' }).click());
  await press(() => page.getByRole('button', { name: 'I know its name' }).click());
  await press(() => page.getByRole('button', { name: 'Next' }).click());
  await press(() => page.getByText('nothing yet').click());
  await press(() => page.getByLabel('How large is the bed?').fill('4 x 8'));
  await press(() => page.getByRole('button', { name: 'Show me the plan' }).click());
  await expect(page.getByRole('heading', { name: 'Nothing asks for water today' })).toBeVisible();
  expect(inputs).toBeLessThanOrEqual(8);

  await page.goto(`${ownKibble}/garden/1/beds`);
  await page.getByRole('button', { name: 'More like it' }).first().click();
  await page
    .getByRole('dialog')
    .getByLabel(/How many/)
    .fill('3');
  await page.getByRole('dialog').getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText('First bed 4')).toBeVisible();

  await page.goto(`${ownKibble}/garden/1/beds/1`);
  await expect(page.getByText(/Nothing grows here, so it needs no water/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a planting' }).click();
  const form = page.locator('form').filter({ hasText: 'Share of the bed' });
  await form.getByLabel('Crop').fill('lettuce');
  await page.getByRole('listbox').getByRole('option').first().click();
  await form.getByLabel('Planted or sown on').fill(addDays(new Date().toISOString().slice(0, 10), 60));
  await page.getByRole('button', { name: 'Plant it' }).click();
  await expect(page.getByText(/Nothing grows here until /)).toBeVisible();
});

test('Zaragoza, metric: the usual year is shown, put right, and used', async ({ page, ownKibble }) => {
  await page.goto(`${ownKibble}/new`);
  await choose(page.getByLabel('Units'), 'millimetres, litres, °C');
  await page.getByLabel('Town, or one near by').fill('Zaragoza');
  await page.getByRole('listbox').getByRole('option').first().click();
  const year = page.getByTestId('usual-year');
  await expect(year).toContainText(/January: by day 1\d°C, at night \d°C/);
  await year.getByRole('button', { name: 'Change these figures' }).click();
  await year.getByLabel('At night').first().fill('14');
  await year.getByRole('button', { name: 'Use these figures' }).click();
  await expect(year.getByText(/Usual low must not be above the usual high, 1\d °C; got 14/)).toBeVisible();
  await year.getByLabel('At night').first().fill('-2');
  await year.getByRole('button', { name: 'Use these figures' }).click();
  await expect(year).toContainText('at night -2°C');
  await expect(year).toContainText('You changed these figures.');
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByRole('button', { name: 'I know its name' }).click();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByText('nothing yet').click();
  await page.getByLabel('How large is the bed?').fill('6');
  await page.getByRole('button', { name: 'Show me the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing asks for water today' })).toBeVisible();
  await page.goto(`${ownKibble}/garden/1/settings`);
  await expect(year).toContainText('at night -2°C');
  await year.getByRole('button', { name: 'Use the stations’ figures again' }).click();
  await expect(year).toContainText('Worked out from the nearest of the weather stations');
  await expect(year).not.toContainText('at night -2°C');
});

test('a new house with nine trees that nobody knows: when they were planted is told as it is remembered', async ({
  page,
  ownKibble,
}) => {
  await page.request.post(`${ownKibble}/api/gardens`, {
    data: {
      garden: { name: 'New house', latitudeDeg: 47.07, longitudeDeg: 15.44, timeZone: 'Europe/Vienna' },
      bed: {
        name: 'First bed',
        areaM2: 6,
        textureClass: 'loam',
        delivery: { method: 'hose wand', litresPerMinute: 12 },
      },
    },
  });
  await page.goto(`${ownKibble}/garden/1/trees`);
  await page.getByRole('button', { name: 'A tree, shrub or hedge more' }).click();
  const form = page.getByRole('dialog', { name: 'A new tree, shrub or hedge' });
  await form.getByRole('button', { name: 'Take the middle of all kinds' }).click();
  await form.getByLabel('Name', { exact: true }).fill('Trees of the house');
  await form.getByRole('button', { name: 'I only know about when' }).click();
  const when = form.getByLabel('Planted about');
  await when.fill('long ago');
  await expect(form.getByText(/must be a past year, .* got “long ago”/)).toBeVisible();
  await when.fill('about 1990');
  await expect(form.getByText('Taken as 1 Jul 1990, the middle of that year.')).toBeVisible();
  await when.fill('three years ago');
  await expect(form.getByText(/^Taken as \d+ \w+ 20\d\d\.$/)).toBeVisible();
  await when.fill('unknown');
  await expect(form.getByText(/Counted as planted 20 years ago/)).toBeVisible();
  await form.getByLabel('How many alike').fill('9');
  await form.getByLabel('Branches across').fill('5');
  await form.getByRole('button', { name: 'Put it in the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Trees of the house' })).toBeVisible();
});

test('a balcony of pots in the south: no bed is asked for, and the round reads right with pots alone', async ({
  page,
  ownKibble,
}) => {
  await page.goto(`${ownKibble}/new`);
  await choose(page.getByLabel('Units'), 'millimetres, litres, °C');
  let inputs = 0;
  const press = async (act: () => Promise<unknown>): Promise<void> => {
    inputs += 1;
    await act();
  };
  await press(() => page.getByLabel('Town, or one near by').fill('Christchurch'));
  await press(() => page.getByRole('listbox').getByRole('option').first().click());
  await expect(page.getByTestId('usual-year')).toContainText(/July: by day 1\d°C, at night \d°C/);
  await press(() => page.getByRole('radio', { name: 'pots and trays' }).click());
  await press(() => page.getByRole('button', { name: 'Add the first pot' }).click());
  const form = page.getByRole('dialog');
  await press(() => form.getByLabel('Name', { exact: true }).fill('Tomato pots'));
  await press(() => form.getByLabel('Where it stands').fill('Balcony'));
  await press(() => form.getByLabel('Plant', { exact: true }).fill('toma'));
  await press(() => form.getByRole('option').first().click());
  await press(() => form.getByRole('button', { name: '17 cm' }).click());
  await press(() => form.getByRole('button', { name: 'Put it on the shelf' }).click());
  await expect(form).toBeHidden();
  expect(inputs).toBeLessThanOrEqual(12);
  await page.goto(`${ownKibble}/garden/1/round`);
  await expect(page.getByRole('heading', { name: /asks for water today/ })).toBeVisible();
  await expect(page.getByText('No bed is planted yet')).toBeHidden();
});
