import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { choose, expect, test } from './kibble.ts';

/** What docs/cautions.md says of each act, by its heading: a page made from the table of the core. */
const SAYS = new Map(
  [
    ...readFileSync(new URL('../docs/cautions.md', import.meta.url), 'utf8').matchAll(/^## (.+)\n\n(.+)\n/gm),
  ].map(([, act = '', text = '']) => [act, text]),
);

/** Where each act is done, and how one gets there. */
const ACTS: readonly [act: string, open: (page: Page, kibble: string) => Promise<unknown>][] = [
  [
    'Working in great heat',
    async (page, kibble) => {
      await page.request.post(`${kibble}/api/gardens/1/weather/said`, {
        data: {
          days: ['2026-07-14', '2026-07-15', '2026-07-16'].map((date) => ({ date, tMaxC: 37, tMinC: 21 })),
        },
      });
      await page.goto(`${kibble}/garden/1/round`);
    },
  ],
  ['Lifting pots, cans and buckets', (page, kibble) => page.goto(`${kibble}/garden/1/pots/1`)],
  ['Digging, and moving lines or stakes', (page, kibble) => page.goto(`${kibble}/garden/1/ground/bed/1/dig`)],
  ['Leaving a hole open', (page, kibble) => page.goto(`${kibble}/garden/1/ground/bed/1/hole`)],
  ['Electric pumps and timers', (page, kibble) => page.goto(`${kibble}/garden/1/fortnight`)],
  [
    'A hose end in water, feeders, and drip kits on the mains',
    (page, kibble) => page.goto(`${kibble}/garden/1/ground/bed/1/drip`),
  ],
  [
    'Buckets, barrels, baths and basins',
    (page, kibble) => page.goto(`${kibble}/garden/1/ground/bed/3/slow-bucket`),
  ],
  [
    'Water from roofs, barrels and the house',
    async (page, kibble) => {
      await page.goto(`${kibble}/garden/1/trees/12`);
      await page.getByRole('button', { name: 'Give it saved water' }).click();
    },
  ],
  ['The first water from a hose', (page, kibble) => page.goto(`${kibble}/garden/1/ground/bed/3/bucket`)],
  ['Acidifying water', (page, kibble) => page.goto(`${kibble}/garden/1/pots`)],
  [
    'Blowing lines out with air',
    async (page, kibble) => {
      const made = await page.request.post(`${kibble}/api/gardens`, {
        data: {
          garden: {
            name: 'Cold',
            latitudeDeg: 47,
            timeZone: 'Europe/Paris',
            clock: { mode: 'practice', date: '2026-12-10' },
          },
          bed: {
            name: 'Leeks',
            areaM2: 10,
            textureClass: 'loam',
            planting: { cropId: 'leek', plantedOn: '2026-06-15' },
            delivery: { method: 'drip', litresPerMinute: 4 },
          },
        },
      });
      const { id } = (await made.json()) as { id: number };
      await page.request.post(`${kibble}/api/gardens/${id}/weather/said`, {
        data: { days: [{ date: '2026-12-11', tMaxC: 1, tMinC: -9 }] },
      });
      await page.goto(`${kibble}/garden/${id}/weather`);
    },
  ],
  [
    'Wells, streams and ponds',
    async (page, kibble) => {
      await page.goto(`${kibble}/garden/1/ground`);
      await page.getByRole('button', { name: 'Change' }).first().click();
      await choose(page.getByLabel('Its water comes from'), 'well');
    },
  ],
  ['Watering above your head', async (page, kibble) => open(page, kibble, 'Mint')],
  [
    'Large trees with dead limbs',
    async (page, kibble) => {
      const made = await page.request.post(`${kibble}/api/gardens/1/trees`, {
        data: {
          name: 'Lime at the house',
          cropId: 'walnut',
          plantedOn: '1985-03-01',
          textureClass: 'clay loam',
          delivery: { litresPerMinute: 8 },
          tree: {
            sort: 'tree',
            canopyM: 9,
            trunkM: 0.5,
            cameAs: 'not known',
            beneath: 'lawn',
            near: 'building',
            layout: { by: 'bubbler stops' },
          },
        },
      });
      const { id } = (await made.json()) as { id: number };
      await page.goto(`${kibble}/garden/1/trees/${id}`);
    },
  ],
  ['Restrictions on watering', (page, kibble) => page.goto(`${kibble}/garden/1/settings`)],
];

async function open(page: Page, kibble: string, pot: string): Promise<void> {
  await page.goto(`${kibble}/garden/1/pots`);
  await page.getByRole('main').getByRole('link', { name: pot, exact: true }).first().click();
  await page.getByRole('heading', { level: 1, name: pot }).waitFor();
}

test('every act that can hurt somebody shows its caution where it is done, once', async ({
  page,
  kibble,
}) => {
  test.setTimeout(480_000);
  expect(ACTS.map(([act]) => act)).toEqual([...SAYS.keys()]);
  for (const [act, go] of ACTS) {
    await go(page, kibble);
    const notes = page.getByRole('note').filter({ hasText: SAYS.get(act) });
    await expect(notes, act).toHaveCount(1);
    await expect(notes, act).toBeVisible();
  }
  // What is heavy is told with its weight.
  await page.goto(`${kibble}/garden/1/pots/1`);
  await expect(page.getByRole('note').first()).toContainText(/It weighs \d\d(\.\d+)?\skg when full/);
});
