import { createServer } from 'node:http';
import type { Browser, BrowserContext, Locator, Page, Request } from '@playwright/test';
import { choose, expect, openedStop, restingBox, stopsOf, test, type House } from './kibble.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } as const;

interface Entry {
  kind: string;
  date: string;
  at: string;
  bedId: number;
}
/** Everything home holds of a day's waterings and skips, in the order in which it was written down. */
async function atHome(page: Page, house: House, bedIds: readonly number[]): Promise<Entry[]> {
  const all: Entry[] = [];
  for (const id of bedIds) {
    const bed = (await (await page.request.get(`${house.url}/api/beds/${id}`)).json()) as { events: Entry[] };
    all.push(...bed.events.filter((e) => e.date === '2026-07-14' && e.kind !== 'rain'));
  }
  return all.sort((a, b) => a.at.localeCompare(b.at));
}

/** The beds of today's round in their order, as home has it. */
async function stopsToday(page: Page, house: House): Promise<number[]> {
  const round = (await (await page.request.get(`${house.url}/api/gardens/1/round`)).json()) as {
    stops: { bedId: number }[];
  };
  return round.stops.map(({ bedId }) => bedId);
}

/** A phone that is let in by the code. */
async function phone(
  browser: Browser,
  house: House,
  code: string,
  more = {},
): Promise<[BrowserContext, Page]> {
  const context = await browser.newContext({ ...PHONE, ...more });
  const page = await context.newPage();
  await page.goto(house.network);
  await page.getByLabel('Six figures').fill(`${code.slice(0, 3)} ${code.slice(3)}`);
  await page.getByLabel('What this device is called').fill('kitchen phone');
  await page.getByRole('button', { name: 'Let this device in' }).click();
  await openedStop(page).waitFor();
  // What may be asked for next has come too.
  await page.locator('html[data-all-here]').waitFor({ state: 'attached', timeout: 60_000 });
  await page.waitForLoadState('networkidle');
  return [context, page];
}

/** The page as the installed app: drawn once more, from what its worker has. */
async function asApp(hand: Page): Promise<void> {
  await hand.evaluate(async () => void (await navigator.serviceWorker.ready));
  await hand.reload();
  await openedStop(hand).waitFor();
  await hand.waitForLoadState('networkidle');
}

for (const worker of ['allow', 'block'] as const)
  test(`a phone is let in, loses the network at the first stop, finishes the round, and home knows it all once (${worker === 'allow' ? 'as an app' : 'in a plain page'})`, async ({
    page,
    browser,
    house,
  }) => {
    const [context, hand] = await phone(browser, house, house.code, { serviceWorkers: worker });
    if (worker === 'allow') await asApp(hand);
    const bedIds = await stopsToday(page, house);
    expect(bedIds.length).toBeGreaterThan(4);
    await context.setOffline(true);
    for (const [i] of bedIds.entries()) {
      const title = openedStop(hand).getByRole('heading').first();
      const name = await title.textContent();
      const done = openedStop(hand).getByRole('button', { name: 'Done', exact: true });
      await done.click();
      if (i < bedIds.length - 1) await expect(title).not.toHaveText(name ?? '');
      else await expect(openedStop(hand)).toHaveCount(0);
    }
    await expect(hand.getByTestId('way-home')).toContainText('No way home');
    await expect(
      hand.getByRole('button', { name: `${bedIds.length} kept here, not yet at home` }),
    ).toBeVisible();
    expect(await atHome(page, house, bedIds)).toHaveLength(0);
    if (worker === 'allow') {
      // The app is closed and opened in the field: the round stands there, with what was done on it.
      await hand.close();
      const reopened = await context.newPage();
      await reopened.goto(`${house.network}/garden/1/round`);
      await expect(
        reopened
          .getByRole('heading', { name: 'Nothing asks for water today' })
          .or(reopened.getByRole('heading', { name: 'No bed asks for water today' })),
      ).toBeVisible();
      await expect(reopened.getByTestId('way-home')).toContainText('this is of');
    }
    await context.setOffline(false);
    await expect
      .poll(async () => (await atHome(page, house, bedIds)).length, { timeout: 20_000 })
      .toBe(bedIds.length);
    const entries = await atHome(page, house, bedIds);
    expect(entries.map(({ bedId }) => bedId)).toEqual(bedIds);
    const [last] = context.pages();
    await expect(last?.getByTestId('way-home') ?? page.locator('none')).toBeEmpty();
    await context.close();
  });

test('wrong codes are locked out; a helper walks the round alone; who is shut out is out at once', async ({
  page,
  browser,
  house,
}) => {
  const settings = page.locator('section', {
    has: page.getByRole('heading', { name: 'On the home network' }),
  });
  const code = async (may: RegExp): Promise<string> => {
    await page.goto(`${house.url}/garden/1/settings`);
    await choose(settings.getByLabel('A new device may'), { words: may });
    await settings.getByRole('button', { name: /code$/ }).click();
    await expect(settings.getByTestId('invitation')).toContainText(
      may.source.includes('round') ? 'walk the round of Three Poplars' : 'do everything',
    );
    return ((await settings.getByTestId('code').textContent()) ?? '').replace(/\s/g, '');
  };
  const [helpers, helper] = await phone(browser, house, await code(/round/));
  await expect(helper.getByRole('navigation', { name: 'Rooms at the thumb' }).getByRole('link')).toHaveText([
    'Round',
    'Weigh pots',
  ]);
  await helper.goto(`${house.network}/garden/1/settings`);
  await expect(helper.getByText('This device is connected for the round only.')).toBeVisible();
  await helper.goto(`${house.network}/garden/1/round`);
  await openedStop(helper).getByRole('button', { name: 'Done', exact: true }).click();
  await expect(helper.getByRole('status')).toContainText('written down');

  await page.goto(`${house.url}/garden/1/settings`);
  await settings.getByRole('button', { name: 'Shut out kitchen phone' }).click();
  await expect(page.getByRole('status')).toContainText('kitchen phone is shut out');
  await helper.reload();
  await expect(helper.getByLabel('Six figures')).toBeVisible();
  await helpers.close();

  const right = await code(/everything/);
  const stranger = await browser.newContext(PHONE);
  const door = await stranger.newPage();
  await door.goto(house.network);
  // Each another one: the very same within two seconds is a double tap.
  const wrong = ['111111', '222222', '333333', '444444', '555555', '666666'].filter((one) => one !== right);
  for (const one of wrong.slice(0, 5)) {
    await door.getByLabel('Six figures').fill(one);
    const answered = door.waitForResponse('**/api/pair');
    await door.getByRole('button', { name: 'Let this device in' }).click();
    await answered;
    await expect(door.getByRole('alert')).toContainText(
      'Code must be the one that stands on the other screen',
    );
  }
  await door.getByLabel('Six figures').fill(right);
  await door.getByRole('button', { name: 'Let this device in' }).click();
  await expect(door.getByRole('alert')).toContainText('Too many wrong codes');
  await stranger.close();
});

/** Ticks the stop that is opened on a phone, and waits for the next one. */
async function tick(hand: Page): Promise<void> {
  const title = openedStop(hand).getByRole('heading').first();
  const name = (await title.textContent()) ?? '';
  await openedStop(hand).getByRole('button', { name: 'Done', exact: true }).click();
  await expect(title).not.toHaveText(name);
}

test('two devices an hour without network, twenty entries: home has all of them once, in order, and asks about what both did', async ({
  page,
  browser,
  house,
}) => {
  test.setTimeout(300_000);
  const [one, first] = await phone(browser, house, house.code);
  await page.goto(`${house.url}/garden/1/settings`);
  await page.getByRole('button', { name: 'Ask for a code' }).click();
  const second = ((await page.getByTestId('code').textContent()) ?? '').replace(/\s/g, '');
  const [two, other] = await phone(browser, house, second);
  const ids = await stopsToday(page, house);
  expect(ids.length).toBeGreaterThanOrEqual(8);
  const began = Date.now() - 3_600_000;
  const at = (hand: Page, minute: number) => hand.clock.setFixedTime(began + minute * 60_000);
  for (const context of [one, two]) await context.setOffline(true);

  const anyway = async (hand: Page, n: number): Promise<void> => {
    await hand
      .getByRole('button', { name: /^Watered anyway/ })
      .nth(n)
      .click();
    await hand.getByRole('dialog').getByLabel('Amount').fill('11');
    await hand.getByRole('dialog').getByRole('button', { name: 'Write it down' }).click();
    await expect(hand.getByRole('dialog')).toHaveCount(0);
  };
  for (const hand of [first, other]) await hand.getByText('why of each').click();
  // Ten on the one: six stops, four beds watered all the same.
  for (let i = 0; i < 6; i += 1) {
    await at(first, 3 * i);
    await tick(first);
  }
  for (let i = 0; i < 4; i += 1) {
    await at(first, 18 + 3 * i);
    await anyway(first, i);
  }
  await expect(first.getByRole('button', { name: '10 kept here, not yet at home' })).toBeVisible();
  // Ten on the other: two of the same stops, three more beds, five skipped.
  for (let i = 0; i < 2; i += 1) {
    await at(other, 31 + 3 * i);
    await tick(other);
  }
  for (let i = 0; i < 3; i += 1) {
    await at(other, 38 + 3 * i);
    await anyway(other, 4 + i);
  }
  for (let i = 0; i < 5; i += 1) {
    await at(other, 48 + 2 * i);
    const title = openedStop(other).getByRole('heading').first();
    const name = (await title.textContent()) ?? '';
    await openedStop(other).getByRole('button', { name: 'Skip' }).click();
    await other.getByRole('button', { name: 'No time today' }).click();
    await expect(title).not.toHaveText(name);
  }
  await expect(other.getByRole('button', { name: '10 kept here, not yet at home' })).toBeVisible();

  await one.setOffline(false);
  const beds = Array.from({ length: 15 }, (_, i) => i + 1);
  const count = async (): Promise<number> => (await atHome(page, house, beds)).length;
  await expect.poll(count, { timeout: 30_000 }).toBe(10);
  await two.setOffline(false);
  await expect.poll(count, { timeout: 30_000 }).toBe(18);
  const entries = await atHome(page, house, beds);
  expect(entries.slice(0, 6).map(({ bedId }) => bedId)).toEqual(ids.slice(0, 6));
  expect(entries.slice(13).map(({ kind }) => kind)).toEqual(['skip', 'skip', 'skip', 'skip', 'skip']);
  // Each stands at its own moment, an hour ago and on.
  expect(Math.abs(Date.parse(entries[0]?.at ?? '') - began)).toBeLessThan(5000);

  // What both did is asked about, never dropped.
  await other.getByRole('button', { name: '2 to decide' }).click();
  const kept = other.getByRole('dialog', { name: 'Kept here' });
  await expect(kept.getByText(/had \d+ L today already/)).toHaveCount(2);
  await kept.getByRole('button', { name: 'It is the same one: throw this away' }).first().click();
  await expect(kept.getByText(/had \d+ L today already/)).toHaveCount(1);
  await kept.getByRole('button', { name: 'Write it down as well' }).click();
  await expect(kept.getByText('Everything is at home.')).toBeVisible();
  expect(await count()).toBe(19);
  for (const context of [one, two]) await context.close();
});

/** In Kibble's place a network's own sign-in page answers, which says 200 to everything, until somebody has signed in. */
async function signInPage(house: House): Promise<() => Promise<void>> {
  const { hostname, port } = new URL(house.network);
  await house.end();
  const server = createServer((_req, res) => {
    res.writeHead(200, { 'Content-Type': 'text/html' }).end('<h1>Welcome to the café</h1>');
  });
  await new Promise<void>((ready) => server.listen(Number(port), hostname, ready));
  return async () => {
    await new Promise((closed) => {
      server.close(closed);
      server.closeAllConnections();
    });
    await house.again();
  };
}

for (const worker of ['allow', 'block'] as const)
  test(`a network’s sign-in page takes nothing and shows nothing: the round stays, entries wait, and all go home once (${worker === 'allow' ? 'as an app' : 'in a plain page'})`, async ({
    page,
    browser,
    house,
  }) => {
    const [context, hand] = await phone(browser, house, house.code, { serviceWorkers: worker });
    if (worker === 'allow') await asApp(hand);
    const beds = await stopsToday(page, house);
    const signedIn = await signInPage(house);
    await openedStop(hand).getByRole('button', { name: 'Done', exact: true }).click();
    await expect(hand.getByTestId('way-home')).not.toBeEmpty();
    await expect(hand.getByTestId('way-home')).toContainText('1');
    if (worker === 'allow') {
      // Opened anew, the last round that Kibble gave is there, and not the café's page in its place.
      await hand.reload();
      await openedStop(hand).waitFor();
      await expect(hand.getByText('Welcome to the café')).toHaveCount(0);
    }
    await signedIn();
    await expect.poll(async () => (await atHome(page, house, beds)).length, { timeout: 30_000 }).toBe(1);
    await expect(hand.getByTestId('way-home')).toBeEmpty();
    await context.close();
  });

test('the plug is pulled in the middle of a write: it is there once when the machine is back', async ({
  page,
  house,
}) => {
  test.setTimeout(300_000);
  await page.goto(`${house.url}/garden/1/round`);
  await openedStop(page).waitFor();
  await page.locator('html[data-all-here]').waitFor({ state: 'attached', timeout: 60_000 });
  await page.waitForLoadState('networkidle');
  const ids = await stopsOf(page).evaluateAll((rows) => rows.map((row) => Number(row.dataset.stop)));
  const runs = async () =>
    ((await (await page.request.get(`${house.url}/api/gardens/1/runs`)).json()) as unknown[]).length;
  const opened = openedStop(page);
  const acts: [name: string, act: () => Promise<void>, after: () => Promise<number>][] = [
    [
      'done',
      async () => opened.getByRole('button', { name: 'Done', exact: true }).click(),
      async () => (await atHome(page, house, [ids[0] ?? 0])).length,
    ],
    [
      'skipped',
      async () => {
        await opened.getByRole('button', { name: 'Skip' }).click();
        await page.getByRole('button', { name: 'No time today' }).click();
      },
      async () => (await atHome(page, house, [ids[1] ?? 0])).length,
    ],
    [
      'the tap opened',
      async () =>
        opened
          .getByRole('button', { name: /Open the tap|is poured/ })
          .first()
          .click(),
      async () => Math.max(await runs(), (await atHome(page, house, [ids[2] ?? 0])).length),
    ],
  ];
  for (const [name, act, after] of acts) {
    await act();
    await house.kill();
    await house.again();
    await expect.poll(after, { timeout: 30_000, message: name }).toBe(1);
    // Nothing is left to be sent: what is there now stays so.
    await expect(page.getByTestId('way-home')).toBeEmpty();
    await allSent(page);
    expect(await after(), name).toBe(1);
  }
});

/** Acts of a page that are on their way, from when it is first asked of. */
const underWay = new WeakMap<Page, { count: number }>();
function watchActs(page: Page): { count: number } {
  const known = underWay.get(page);
  if (known) return known;
  const acts = { count: 0 };
  underWay.set(page, acts);
  page.on('request', (sent) => (acts.count += sent.method() === 'POST' ? 1 : 0));
  const ended = (sent: Request): void => {
    acts.count -= sent.method() === 'POST' ? 1 : 0;
  };
  page.on('requestfinished', ended).on('requestfailed', ended);
  return acts;
}
/** Done when no act is on its way, and none has been since it was last looked. */
async function allSent(page: Page): Promise<void> {
  const acts = watchActs(page);
  let quiet = 0;
  await expect
    .poll(() => (quiet = acts.count === 0 ? quiet + 1 : 0), { intervals: [100] })
    .toBeGreaterThanOrEqual(3);
}

async function twice(what: Locator, gapMs: number): Promise<void> {
  watchActs(what.page());
  const box = await restingBox(what);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const { mouse } = what.page();
  await mouse.click(x, y);
  await what.page().waitForTimeout(gapMs);
  await mouse.click(x, y);
  await allSent(what.page());
}

test('two taps 20 to 800 ms apart tick one stop once, in the list and on the opened one, and one pot once', async ({
  page,
  house,
}) => {
  const beds = Array.from({ length: 15 }, (_, i) => i + 1);
  const potsGiven = async (): Promise<number> => {
    const { spots } = (await (await page.request.get(`${house.url}/api/gardens/1/pots`)).json()) as {
      spots: { pots: { today: { entry: { kind: string } }[] }[] }[];
    };
    const entries = spots.flatMap(({ pots }) => pots).flatMap(({ today }) => today);
    return entries.filter(({ entry }) => entry.kind === 'given').length;
  };
  let stops = 0;
  for (const [tried, gap] of [20, 120, 400, 800].entries()) {
    await page.goto(`${house.url}/garden/1/round`);
    await stopsOf(page).first().waitFor();
    for (const button of [
      stopsOf(page)
        .nth(1)
        .getByRole('button', { name: /^Done: / }),
      openedStop(page).getByRole('button', { name: 'Done', exact: true }),
    ]) {
      await twice(button, gap);
      stops += 1;
      expect(await atHome(page, house, beds), `${gap} ms`).toHaveLength(stops);
    }
    await page.goto(`${house.url}/garden/1/pots`);
    await twice(page.getByRole('button', { name: /^Done: / }).first(), gap);
    expect(await potsGiven(), `${gap} ms`).toBe(tried + 1);
  }
});

test('two tabs see each other’s entries, and each other’s undo, by themselves', async ({
  page,
  context,
  house,
}) => {
  const other = await context.newPage();
  for (const tab of [page, other]) {
    await tab.goto(`${house.url}/garden/1/round`);
    await openedStop(tab).waitFor();
  }
  const name = (await stopsOf(page).first().getAttribute('aria-label')) ?? '';
  await stopsOf(page)
    .first()
    .getByRole('button', { name: /^Done: / })
    .click();
  await expect(other.getByRole('button', { name: `Take it back: ${name}` })).toBeVisible();
  await other.getByRole('button', { name: `Take it back: ${name}` }).click();
  await expect(page.getByRole('button', { name: `Done: ${name}` })).toBeVisible();
});

test('what is typed outlives a reload and a closed sheet, and is thrown away by a word alone', async ({
  page,
  house,
}) => {
  await page.goto(`${house.url}/garden/1/round`);
  await openedStop(page).getByRole('button', { name: 'Other amount' }).click();
  await page.getByRole('dialog').getByLabel('Amount').fill('17');
  await expect
    .poll(() =>
      page.evaluate(() => Object.values({ ...localStorage }).some((kept) => String(kept).includes('17'))),
    )
    .toBe(true);
  await page.reload();
  await openedStop(page).getByRole('button', { name: 'Other amount' }).click();
  await expect(page.getByRole('dialog').getByLabel('Amount')).toHaveValue('17');
  await page.getByRole('dialog').getByRole('button', { name: 'Begin anew' }).click();
  await expect(page.getByRole('dialog').getByLabel('Amount')).toHaveValue('');

  await page.goto(`${house.url}/garden/1/beds`);
  await page.getByRole('button', { name: 'Change' }).first().click();
  await page.getByLabel('Name of the bed').fill('Peppers by the gate');
  await page.getByRole('link', { name: 'Weather' }).first().click();
  await page.goto(`${house.url}/garden/1/beds`);
  await page.getByRole('button', { name: 'Change' }).first().click();
  await expect(page.getByLabel('Name of the bed')).toHaveValue('Peppers by the gate');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByRole('link', { name: 'Peppers by the gate' })).toBeVisible();
  // The change of the bed is among the acts that can be taken back, also after a reload.
  await page.reload();
  await page.getByRole('button', { name: 'Done lately' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take back' }).first().click();
  await expect(page.getByRole('dialog').getByText('Nothing was done')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('link', { name: 'Peppers, low ground' })).toBeVisible();
});

test('settings and taps can be taken back as well', async ({ page, house }) => {
  await page.goto(`${house.url}/garden/1/settings`);
  await page.getByLabel('Name of the garden').fill('Four Poplars');
  await page.getByRole('button', { name: 'Keep the changes' }).first().click();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('banner').getByText('Three Poplars')).toBeVisible();
});

test('a room that an update took away is fetched anew; a file that is not there is not the page', async ({
  page,
  house,
}) => {
  await page.goto(`${house.url}/garden/1/round`);
  await openedStop(page).waitFor();
  expect((await page.request.get(`${house.url}/assets/gone-12345678.js`)).status()).toBe(404);
  let times = 0;
  await page.route('**/assets/WeatherRoom*.js', (route) =>
    (times += 1) === 1 ? route.fulfill({ status: 404, body: '' }) : route.continue(),
  );
  await page.getByRole('link', { name: 'Weather', exact: true }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Weather' })).toBeVisible();
});

test('every dialog gives the focus back to what opened it; after Done it is on the next stop, and Undo is the next key', async ({
  page,
  house,
}) => {
  await page.goto(`${house.url}/garden/1/round`);
  await openedStop(page).waitFor();
  const opened = openedStop(page);
  const focused = () => page.evaluate(() => document.activeElement?.textContent?.trim().slice(0, 40) ?? '');
  for (const button of [
    opened.getByRole('button', { name: 'Skip' }),
    opened.getByRole('button', { name: 'Other amount' }),
    opened.getByRole('button', { name: 'Look first' }),
    opened.getByRole('button', { name: /show the working/ }),
    page.getByRole('button', { name: /of your time/ }).first(),
    page
      .getByRole('region', { name: /^Weather/ })
      .getByRole('button')
      .first(),
  ]) {
    await button.focus();
    const before = await focused();
    await page.keyboard.press('Enter');
    await page.getByRole('dialog').waitFor();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect.poll(focused).toBe(before);
  }
  const row = stopsOf(page).first().getByRole('button').first();
  await row.focus();
  const next = (await stopsOf(page).nth(1).getAttribute('aria-label')) ?? '';
  await page.keyboard.press('d');
  await expect
    .poll(() =>
      page.evaluate(() => document.activeElement?.closest('[data-stop]')?.getAttribute('aria-label') ?? ''),
    )
    .toBe(next);
  await page.getByRole('status').waitFor();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('status').getByRole('button', { name: 'Undo' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toHaveCount(0);
});

test('by keyboard alone, each within twelve keys of opening its room', async ({ page, house }) => {
  let keys = 0;
  const press = async (...pressed: string[]): Promise<void> => {
    for (const key of pressed) {
      keys += 1;
      await page.keyboard.press(key);
    }
  };
  const open = async (room: string): Promise<void> => {
    await page.goto(`${house.url}/garden/1/${room}`);
    await page.getByRole('main').getByRole('heading').first().waitFor();
    await page.waitForLoadState('networkidle');
    keys = 0;
    // Past rail and bars.
    await press('Tab', 'Enter');
  };
  await open('round');
  await press('d');
  await expect(page.getByRole('status')).toContainText('written down');
  await press('Tab', 'Enter');
  await expect(page.getByRole('status')).toHaveCount(0);
  expect(keys).toBeLessThanOrEqual(12);

  await open('round');
  await press('o');
  await expect(
    page
      .getByRole('timer')
      .or(page.getByText(/1 of \d+/))
      .first(),
  ).toBeVisible();
  expect(keys).toBeLessThanOrEqual(12);

  await open('round');
  await press('w');
  await expect(page.getByRole('dialog', { name: /where it comes from/ })).toBeVisible();
  await press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  expect(keys).toBeLessThanOrEqual(12);

  await open('fortnight');
  await press('ArrowRight');
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(keys).toBeLessThanOrEqual(12);

  await open('ground/bed/1/cans');
  await press('Tab', '1', '2');
  expect(keys).toBeLessThanOrEqual(12);

  await open('weather');
  const chooser = page.waitForEvent('filechooser');
  // A key may overtake the wish to hear of the chooser: by an answer of the page it has arrived.
  await page.evaluate(() => true);
  await press('Enter');
  await chooser;
  expect(keys).toBeLessThanOrEqual(12);
});

test('the calendar’s address and the printed sheets: one page each, in light colours', async ({
  page,
  house,
}) => {
  await page.goto(`${house.url}/garden/1/settings`);
  const address = (await page.getByTestId('calendar-address').textContent()) ?? '';
  expect(address).toContain(`${house.network}/calendar/1/`);
  const feed = await page.request.get(address);
  expect(await feed.text()).toContain('BEGIN:VEVENT');

  await page.request.post(`${house.url}/api/beds/4/copies`, { data: { count: 5 } });
  await page.emulateMedia({ colorScheme: 'dark' });
  for (const [room, landscape] of [
    ['round', false],
    ['fortnight', true],
  ] as const)
    for (const format of ['A4', 'Letter']) {
      await page.goto(`${house.url}/garden/1/${room}`);
      await page.getByRole('main').getByRole('heading').first().waitFor();
      await page.waitForLoadState('networkidle');
      const paper = await page.pdf({
        format,
        landscape,
        printBackground: true,
        margin: { top: '10mm', bottom: '10mm', left: '10mm', right: '10mm' },
      });
      expect(paper.toString('latin1').match(/\/Type\s*\/Page[^s]/g), `${room} on ${format}`).toHaveLength(1);
    }
  await page.emulateMedia({ media: 'print' });
  expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe(
    'rgb(255, 255, 255)',
  );
});
