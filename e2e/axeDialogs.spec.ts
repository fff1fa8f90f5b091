import type { Locator } from '@playwright/test';
import { againstInLightAndDark } from './axe.ts';
import { expect, openedStop, test } from './kibble.ts';

test('every dialog that opens from a room is clean to axe in the light and in the dark', async ({
  page,
  house,
  browser,
}) => {
  test.setTimeout(360_000);
  const found: string[] = [];
  const open = async (
    name: string,
    button: Locator,
    what: Locator = page.getByRole('dialog'),
  ): Promise<void> => {
    await button.click();
    await what.first().waitFor();
    found.push(...(await againstInLightAndDark(page, name)));
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  await page.goto(`${house.url}/garden/1/round`);
  const opened = openedStop(page);
  await opened.waitFor();
  await open('another amount', opened.getByRole('button', { name: 'Other amount' }));
  await open('look first', opened.getByRole('button', { name: 'Look first' }));
  await open('the working', opened.getByRole('button', { name: /show the working/ }));
  await open(
    'a day',
    page
      .getByRole('region', { name: /^Weather/ })
      .getByRole('button')
      .first(),
  );
  await open('what to do', page.getByRole('button', { name: 'what to do' }).first());
  await page.keyboard.press('?');
  await page.getByRole('dialog').waitFor();
  found.push(...(await againstInLightAndDark(page, 'the keys')));
  await page.keyboard.press('Escape');
  await opened.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('status').waitFor();
  found.push(...(await againstInLightAndDark(page, 'what was done')));
  await open('done lately', page.getByRole('button', { name: 'Done lately' }));
  await page.goto(`${house.url}/garden/1/beds/2`);
  await open('an earlier watering', page.getByRole('button', { name: 'Write down an earlier watering' }));
  await page.goto(`${house.url}/garden/1/settings`);
  await page.getByRole('button', { name: /code$/ }).click();
  await page.getByTestId('invitation').waitFor();
  found.push(...(await againstInLightAndDark(page, 'an invitation')));
  const stranger = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const door = await stranger.newPage();
  await door.goto(house.network);
  await door.getByLabel('Six figures').waitFor();
  found.push(...(await againstInLightAndDark(door, 'the door')));
  await stranger.close();
  expect(found).toEqual([]);
});

/** Further sheets and forms, by room: what opens each, and, where it is no dialog, what it shows. */
const MORE: readonly (readonly [room: string, opens: string | RegExp, shows?: string])[] = [
  ['round', 'Skip'],
  ['beds/2', 'Run it once, by the clock'],
  ['beds/2', 'The plants hang'],
  ['beds/2', 'Add a planting', 'Share of the bed'],
  ['beds/2', 'A plant of your own', 'Name of the plant'],
  ['beds', 'More like it'],
  ['beds', 'It is a pot'],
  ['beds', 'Add a bed', 'Name of the bed'],
  ['fortnight', /Enter opens it/],
  ['fortnight', /move the whole round/],
  ['trees/12', 'Change it'],
  ['trees/12', 'Move outward'],
  ['trees/12', 'Give it saved water'],
  ['pots', 'Add a pot or tray'],
  ['pots/1', 'Change, move or repot'],
  ['pots/1', 'More like this one'],
  ['pots/1', 'Plant out to a bed'],
  ['ground', 'Add a tap', 'Name of the tap or zone'],
];

test('so is every other sheet and form', async ({ page, kibble }) => {
  test.setTimeout(480_000);
  const found: string[] = [];
  for (const [room, opens, shows] of MORE) {
    await page.goto(`${kibble}/garden/1/${room}`);
    // What arrives while a button is pressed would move it from under the pointer.
    await page.waitForLoadState('networkidle');
    await page.getByRole('main').getByRole('button', { name: opens }).first().click();
    const shown = shows ? page.getByLabel(shows, { exact: true }) : page.getByRole('dialog');
    await shown.first().waitFor();
    found.push(...(await againstInLightAndDark(page, `${room}: ${String(opens)}`)));
  }
  expect(found).toEqual([]);
});
