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
  await press(() => form.getByLabel('How many alike').fill('3'));
  await press(() => form.getByRole('button', { name: 'Put it on the shelf' }).click());
  await expect(form).toBeHidden();
  await expect(page.getByText('Tomato pots and 2 like it are on the shelf.')).toBeVisible();
  expect(inputs).toBeLessThanOrEqual(12);
  await page.goto(`${ownKibble}/garden/1/round`);
  await expect(page.getByRole('heading', { name: /asks for water today/ })).toBeVisible();
  await expect(page.getByText('No bed is planted yet')).toBeHidden();
});

test('a market garden of 64 beds from a pasted table: eight inputs at most and a minute to its plan, undone at once', async ({
  page,
  ownKibble,
}) => {
  const begun = Date.now();
  let inputs = 0;
  const press = async (act: () => Promise<unknown>): Promise<void> => {
    inputs += 1;
    await act();
  };
  const crops = ['Tomatoes', 'Kale', 'Carrots', 'Zuchini', 'Salad mix', 'Leeks', 'Melons', 'Basil'];
  const rows = Array.from({ length: 64 }, (_, i) =>
    [
      `${'ABCDEF'.charAt(Math.floor(i / 11))}${String((i % 11) + 1).padStart(2, '0')}`,
      ['North block', 'Creek block', 'Tunnel'][Math.floor(i / 22)],
      i === 20 ? 'long' : '100',
      '30',
      'sandy loam',
      i === 40 ? 'Flurb' : crops[i % crops.length],
      `${4 + (i % 3)}/${14 + (i % 10)}/2026`,
      'drip tape',
      `Header ${1 + Math.floor(i / 11)}`,
    ].join('\t'),
  );
  await page.goto(`${ownKibble}/new`);
  await choose(page.getByLabel('Units'), 'inches, gallons, °F');
  await press(() => page.getByText('many beds, from a table').click());
  await press(() => page.getByLabel('Town, or one near by').fill('Fresno'));
  await press(() => page.getByRole('listbox').getByRole('option').first().click());
  await press(() => page.getByRole('button', { name: 'Go on to the table' }).click());
  await press(() =>
    page
      .getByLabel('Rows, with the names of the columns')
      .fill(`Bed\tPart\tLength\tWidth\tSoil\tCrop\tDate\tWatered by\tTap\n${rows.join('\n')}`),
  );
  await expect(
    page.getByRole('heading', { name: '62 beds can be added; 2 rows are not right yet.' }),
  ).toBeVisible();
  // A bed 100 ft long is 30 in wide, not 30 ft.
  await expect(page.getByRole('row', { name: /^A01/ })).toContainText('100 × 2.5 ft');
  await expect(page.getByRole('row', { name: /^A04/ })).toContainText('“Zuchini” is taken as zucchini');
  for (const [cell, text] of [
    ['Length on line 22', '100'],
    ['Crop on line 42', 'Okra'],
  ] as const) {
    await press(() => page.getByLabel(cell).fill(text));
    await page.getByLabel(cell).press('Enter');
    await expect(page.getByLabel(cell)).toHaveCount(0);
  }
  await press(() => page.getByRole('button', { name: 'Add 64 beds' }).click());
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible();
  expect(inputs).toBeLessThanOrEqual(8);
  expect(Date.now() - begun).toBeLessThan(60_000);
  const { beds } = (await (await page.request.get(`${ownKibble}/api/gardens/1`)).json()) as {
    beds: { archived: boolean }[];
  };
  expect(beds).toHaveLength(64);
  await page.getByText('64 beds added.').locator('..').getByRole('button', { name: 'Undo' }).click();
  await expect
    .poll(
      async () =>
        (
          (await (await page.request.get(`${ownKibble}/api/gardens/1`)).json()) as {
            beds: { archived: boolean }[];
          }
        ).beds.filter(({ archived }) => !archived).length,
    )
    .toBe(0);
});

test('a market garden of 64 beds in six zones: one stop and one line of the timer a zone, watered and undone as one', async ({
  page,
  ownKibble,
}) => {
  const crops = ['Tomatoes', 'Zucchini', 'Carrots', 'Lettuce', 'Leeks', 'Melons'];
  const rows = Array.from({ length: 64 }, (_, i) => {
    const zone = Math.floor(i / 11);
    return [
      `${'ABCDEF'.charAt(zone)}${String((i % 11) + 1).padStart(2, '0')}`,
      i < 33 ? 'Hill' : 'Flat',
      '30 m',
      '75 cm',
      'sandy loam',
      crops[zone],
      '20 Oct 2026',
      i === 63 ? 'sprinkler' : 'drip',
      '8',
      'Pump house',
      zone + 1,
    ].join('\t');
  });
  await page.goto(`${ownKibble}/new`);
  await choose(page.getByLabel('Units'), 'millimetres, litres, °C');
  await page.getByText('many beds, from a table').click();
  await page.getByLabel('Town, or one near by').fill('Mendoza');
  await page.getByRole('listbox').getByRole('option').first().click();
  await page.getByRole('button', { name: 'Go on to the table' }).click();
  await page
    .getByLabel('Rows, with the names of the columns')
    .fill(
      `Bed\tPart\tLength\tWidth\tSoil\tCrop\tDate\tWatered by\tFlow (L/min)\tTap\tZone\n${rows.join('\n')}`,
    );
  await expect(page.getByText(/^6 zones are added with them: Zone 1, .* Zone 6\./)).toBeVisible();
  await page.getByRole('button', { name: 'Add 64 beds' }).click();

  // One stop a zone, with its beds in it.
  const first = page.getByRole('listitem', { name: 'Zone 1', exact: true });
  await expect(first).toContainText('11 beds');
  await expect(page.getByRole('listitem', { name: /^[A-F]\d\d$/ })).toHaveCount(0);
  await first.getByRole('button').first().click();
  await expect(page.getByText(/^It waters 11 beds with/)).toBeVisible();
  await page.getByRole('button', { name: 'What each bed gets' }).click();
  await expect(page.getByRole('link', { name: 'A07' })).toBeVisible();

  // Ticked once it is written down on all of its beds, and undone on all of them.
  await page.getByRole('button', { name: 'Done: Zone 1' }).click();
  await expect(page.getByRole('button', { name: 'Take it back: Zone 1' })).toBeVisible();
  const waterings = async (): Promise<number> => {
    const { leaveAlone } = (await (await page.request.get(`${ownKibble}/api/gardens/1/round`)).json()) as {
      leaveAlone: { event: { kind: string } | null }[];
    };
    return leaveAlone.filter(({ event }) => event?.kind === 'watering').length;
  };
  expect(await waterings()).toBe(11);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Done: Zone 1' })).toBeVisible();
  expect(await waterings()).toBe(0);

  // The fortnight has a row a zone, and every bed when that is asked for; the timer a line a zone with its station.
  await page.getByRole('link', { name: 'Fortnight', exact: true }).click();
  const table = page.getByTestId('fortnight');
  await expect(table.getByRole('rowheader', { name: /^Zone 1/ })).toContainText('11 beds');
  await expect(table.getByRole('rowheader', { name: 'A01' })).toHaveCount(0);
  await choose(page.getByRole('combobox', { name: 'Show' }), 'losing more than its goal allows');
  await expect(table.getByRole('rowheader', { name: /^Zone 1/ })).toHaveCount(0);
  await choose(page.getByRole('combobox', { name: 'Show' }), 'every bed');
  await page.getByRole('checkbox', { name: 'Every bed of a zone' }).click();
  await expect(table.getByRole('rowheader', { name: 'A01' })).toBeVisible();
  await page.getByRole('button', { name: 'Settings for a tap timer, the next seven days' }).click();
  const timer = page.getByTestId('timer');
  await expect(timer.getByRole('cell', { name: 'Zone 1', exact: true }).first()).toBeVisible();
  await expect(timer.getByRole('cell', { name: /^[A-F]\d\d$/ })).toHaveCount(0);

  // A sprinkler among drip lines is named where the zone is.
  await page.getByRole('link', { name: /^Ground/ }).click();
  const mixed = page.getByRole('listitem').filter({ hasText: 'Zone 6, station 6, fed by Pump house' });
  await expect(mixed).toContainText('Drip and sprays share this valve');
});

test('a lawn alone in the south: every room opens and speaks of what is there', async ({
  page,
  ownKibble,
}) => {
  const made = await page.request.post(`${ownKibble}/api/gardens`, {
    data: {
      garden: {
        name: 'Green square',
        latitudeDeg: -32.9,
        longitudeDeg: -68.8,
        timeZone: 'America/Argentina/Mendoza',
      },
      bed: {
        name: 'Lawn',
        areaM2: 60,
        textureClass: 'loam',
        startWetness: 'moist',
        delivery: { method: 'sprinkler', litresPerMinute: 12 },
        planting: { cropId: 'lawn-cool', plantedOn: '2020-05-01' },
      },
    },
  });
  expect(made.status()).toBe(201);
  await page.goto(ownKibble);
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible();
  // It asks for water or is left alone, by its own name.
  await expect(page.getByText('Lawn', { exact: true }).filter({ visible: true }).first()).toBeVisible();
  for (const [room, words] of [
    ['fortnight', 'The fortnight'],
    ['section', 'The garden in section'],
    ['pots', 'No pot yet'],
    ['trees', 'No tree yet'],
    ['ground', 'Taps and zones'],
    ['weather', 'The days ahead, as you hear them'],
  ] as const) {
    await page.goto(`${ownKibble}/garden/1/${room}`);
    await expect(page.getByRole('heading', { name: words })).toBeVisible();
  }
});

test('a garden begun in mid-season starts from what is remembered of the month', async ({
  page,
  ownKibble,
}) => {
  await page.goto(`${ownKibble}/new`);
  await choose(page.getByLabel('Units'), 'millimetres, litres, °C');
  await page.getByLabel('Town, or one near by').fill('Zaragoza');
  await page.getByRole('listbox').getByRole('option').first().click();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByRole('button', { name: 'I know its name' }).click();
  await page.getByText('I have not looked').click();
  const month = page.getByRole('group', { name: 'The last month' });
  await month.getByText('hardly any').click();
  await month.getByText('hotter than usual').click();
  await month.getByText('every week').click();
  await month.getByText('longer ago').click();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByLabel('What grows there').fill('kale');
  await page.getByRole('listbox').getByRole('option').first().click();
  await page.getByLabel('How large is the bed?').fill('round 2 + 3 x 1');
  await page.getByLabel('Planted or sown on').fill(addDays(new Date().toISOString().slice(0, 10), -60));
  await page.getByRole('button', { name: 'Next' }).click();
  await choose(page.getByLabel('You water with'), 'watering can');
  await page.getByLabel('The can holds').fill('7');
  await expect(page.getByTestId('growing')).toContainText(/Next watering|Nothing asks/);
  await page.getByRole('button', { name: 'Show me the plan' }).click();
  await expect(page.getByRole('heading', { name: /’s round$/ })).toBeVisible();
  const { beds } = (await (await page.request.get(`${ownKibble}/api/gardens/1`)).json()) as {
    beds: { startWetness: string; areaM2: number; delivery: { fillLitres?: number } }[];
  };
  expect(['dry', 'drying', 'moist', 'soaked']).toContain(beds[0]?.startWetness);
  expect(beds[0]?.areaM2).toBeCloseTo(Math.PI + 3, 2);
  expect(beds[0]?.delivery.fillLitres).toBe(7);
});

test('beds are changed together, their plantings copied, and each of it undone at once', async ({
  page,
  ownKibble,
}) => {
  const { id } = (await (
    await page.request.post(`${ownKibble}/api/gardens`, {
      data: {
        garden: { name: 'Two blocks', latitudeDeg: 47.07, longitudeDeg: 15.44, timeZone: 'Europe/Vienna' },
      },
    })
  ).json()) as { id: number };
  const day = (ago: number): string => addDays(new Date().toISOString().slice(0, 10), -ago);
  await page.request.post(`${ownKibble}/api/gardens/${id}/beds/table`, {
    data: {
      headings: ['Name', 'Part', 'Area', 'Crop'],
      rows: [
        ['K1', 'Upper', '10', 'Kale'],
        ['K2', 'Upper', '10', ''],
        ['K3', 'Lower', '10', ''],
      ],
      usual: { textureClass: 'loam', method: 'hose wand', plantedOn: day(20) },
    },
  });
  await page.goto(`${ownKibble}/garden/${id}/beds`);
  await page.getByRole('button', { name: 'Change several beds' }).click();
  await page.getByRole('button', { name: 'Upper', exact: true }).click();
  await expect(page.getByText('2 beds chosen')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Choose K3' }).click();
  await page.getByRole('button', { name: 'Change them' }).click();
  const sheet = page.getByRole('dialog', { name: 'Change 3 beds' });
  await choose(sheet.getByLabel('You water with'), 'drip');
  await sheet.getByRole('button', { name: 'Change 3 beds' }).click();
  await expect(page.getByRole('row', { name: /K3/ })).toContainText('drip');
  await page.getByText('3 beds changed').locator('..').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: /K3/ })).toContainText('hose wand');

  await page.goto(`${ownKibble}/garden/${id}/beds/1`);
  await page.getByRole('button', { name: 'Copy them to other beds' }).click();
  const copy = page.getByRole('dialog', { name: 'Copy the plantings of K1' });
  await copy.getByRole('checkbox', { name: 'K2' }).click();
  await copy.getByRole('button', { name: 'Copy them' }).click();
  await expect(page.getByText('The plantings of K1 are copied to one bed.')).toBeVisible();
  const crops = async (): Promise<unknown[]> =>
    (
      (await (await page.request.get(`${ownKibble}/api/gardens/${id}`)).json()) as {
        beds: { planting: { cropId: string } | null }[];
      }
    ).beds.map(({ planting }) => planting?.cropId ?? null);
  expect(await crops()).toEqual(['kale', 'kale', null]);
  await page
    .getByText('The plantings of K1 are copied')
    .locator('..')
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect.poll(crops).toEqual(['kale', null, null]);
});
