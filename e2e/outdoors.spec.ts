import type { Browser, BrowserContext, Page } from '@playwright/test';
import { expect, openedStop, stopsOf, test, type House } from './kibble.ts';

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
  return [context, page];
}

for (const worker of ['allow', 'block'] as const)
  test(`a phone is let in, loses the network at the first stop, finishes the round, and home knows it all once (${worker === 'allow' ? 'as an app' : 'in a plain page'})`, async ({
    page,
    browser,
    house,
  }) => {
    const [context, hand] = await phone(browser, house, house.code, { serviceWorkers: worker });
    if (worker === 'allow') {
      await hand.evaluate(async () => void (await navigator.serviceWorker.ready));
      await hand.reload();
      await openedStop(hand).waitFor();
    }
    const bedIds = await stopsOf(hand).evaluateAll((rows) => rows.map((row) => Number(row.dataset.stop)));
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
    await expect(hand.getByTestId('way-home')).toContainText('No way home since');
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
      await expect(reopened.getByTestId('way-home')).toContainText('What you see is of');
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
