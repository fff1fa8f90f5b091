import { chromium } from '@playwright/test';
import { browser } from './browser.ts';
import { startHouse } from './kibble.ts';
const h = await startHouse('demo');
const b = await chromium.launch(browser.launchOptions);
const want = process.argv.slice(2);
const shots: [string, string, number, number, ((p: import('@playwright/test').Page) => Promise<unknown>)?][] =
  [
    ['round', '/garden/1/round', 1280, 800],
    ['round-phone', '/garden/1/round', 390, 844],
    [
      'bedform',
      '/garden/1/beds',
      1280,
      1000,
      async (p) => {
        await p
          .getByRole('button', { name: /Add a bed/ })
          .first()
          .click();
        await p.waitForTimeout(600);
      },
    ],
    [
      'select',
      '/garden/1/settings',
      1280,
      800,
      async (p) => {
        await p.getByLabel('Units').click();
        await p.waitForTimeout(400);
      },
    ],
    ['section', '/garden/1/section', 1280, 800],
    [
      'feel',
      '/garden/1/ground/bed/1/feel',
      1280,
      800,
      async (p) => {
        await p.getByText('It stays a ball').click();
      },
    ],
    ['bucket-phone', '/garden/1/ground/bed/3/bucket', 390, 1100],
    [
      'drip',
      '/garden/1/ground/bed/2/drip',
      1280,
      1100,
      async (p) => {
        for (const [l, v] of [
          ['Length', '12'],
          ['Width', '0.75'],
          ['Inset from the edge', '19'],
          ['Between emitters', '40'],
          ['An emitter gives', '2.3'],
          ['One filling', '18'],
        ] as const)
          await p.getByLabel(l, { exact: true }).fill(v);
        await p.waitForTimeout(1500);
      },
    ],
    ['pot', '/garden/1/pots/1', 1280, 1000],
    ['pots', '/garden/1/pots', 1280, 1400],
    ['tree', '/garden/1/trees/12', 1280, 1200],
    ['fortnight', '/garden/1/fortnight', 1280, 1000],
    ['weather', '/garden/1/weather', 1280, 900],
    ['settings', '/garden/1/settings', 1280, 1600],
    [
      'treeform',
      '/garden/1/trees',
      1280,
      1200,
      async (p) => {
        await p
          .getByRole('button', { name: /A tree, shrub/ })
          .first()
          .click();
        await p.waitForTimeout(500);
      },
    ],
    [
      'bed',
      '/garden/1/beds/2',
      1280,
      1400,
      async (p) => {
        await p.getByText('the next fortnight', { exact: true }).first().scrollIntoViewIfNeeded();
      },
    ],
  ];
for (const [name, path, width, height, act] of shots) {
  if (want.length && !want.includes(name)) continue;
  const p = await b.newPage({ ...browser, viewport: { width, height } });
  await p.goto(h.url + path);
  await p.getByRole('heading').first().waitFor();
  await p.waitForLoadState('networkidle');
  await p.waitForTimeout(500);
  await act?.(p).catch((e) => console.log(name, String(e).slice(0, 200)));
  await p.screenshot({ path: `/tmp/shots/${name}.png` });
  await p.close();
}
await b.close();
await h.stop();
