import { againstInLightAndDark } from './axe.ts';
import { expect, ROUTES, test } from './kibble.ts';

const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
];

for (const size of SIZES)
  test(`every room is clean to axe in the light and in the dark, ${size.width} wide, a dialog open too`, async ({
    page,
    kibble,
  }) => {
    test.setTimeout(360_000);
    await page.setViewportSize(size);
    const found: string[] = [];
    const look = async (where: string): Promise<void> => {
      found.push(...(await againstInLightAndDark(page, where)));
    };
    for (const route of ROUTES) {
      await page.goto(kibble + route);
      await page.getByRole('main').waitFor();
      await page.waitForLoadState('networkidle');
      await look(route);
    }
    await page.goto(`${kibble}/garden/1/round`);
    await page.getByRole('button', { name: 'Skip', exact: true }).first().click();
    await page.getByRole('dialog').waitFor();
    await look('skipping');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await page.getByRole('dialog').waitFor();
    await look('finding');
    expect(found).toEqual([]);
  });
