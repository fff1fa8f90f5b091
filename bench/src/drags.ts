import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { browser as settings } from '../../e2e/browser.ts';
import { withDemo } from './demoServer.ts';

const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));
const DRAGS = 50;

export interface Drags {
  /** From letting go to the question on the screen, ms: middle and worst of fifty. */
  feedbackMs: number;
  worstMs: number;
  /** From letting go to what it costs, ms: middle of fifty. */
  costMs: number;
}

/** Fifty waterings dragged to another day one after the other, in a real browser. Null when the interface is not built. */
export async function drags(): Promise<Drags | null> {
  if (!existsSync(WEB)) return null;
  return withDemo(async (url) => {
    const chrome = await chromium.launch(settings.launchOptions);
    const page = await chrome.newPage({ viewport: settings.viewport });
    await page.goto(`${url}/garden/1/fortnight`);
    await page.getByTestId('fortnight').waitFor();
    // As text: the loader that runs this file marks functions with a helper the page does not have.
    await page.evaluate(`
      window.kibbleDrag = { up: 0, sheet: 0, cost: 0 };
      addEventListener('pointerup', () => { window.kibbleDrag = { up: performance.now(), sheet: 0, cost: 0 }; }, true);
      new MutationObserver(() => {
        const d = window.kibbleDrag;
        if (d.up && !d.sheet && document.querySelector('[role=dialog]')) d.sheet = performance.now();
        if (d.up && !d.cost && document.querySelector('[data-testid=consequence]')) d.cost = performance.now();
      }).observe(document, { childList: true, subtree: true });
    `);
    const table = page.getByTestId('fortnight');
    const bars = await table.getByRole('button', { name: /Left and right move it/ }).all();
    const sheets: number[] = [];
    const costs: number[] = [];
    for (let i = 0; i < DRAGS; i += 1) {
      const bar = bars[i % bars.length];
      const from = await bar?.boundingBox();
      if (!from) throw new Error('a watering must be on the page');
      const x = from.x + from.width / 2;
      const y = from.y + from.height / 2;
      // To one of the next days, or back where the table ends.
      const step = (1 + (i % 3)) * from.width * 1.15 * (x > 900 ? -1 : 1);
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.mouse.move(x + step / 2, y, { steps: 3 });
      await page.mouse.move(x + step, y, { steps: 3 });
      await page.mouse.up();
      await page.getByTestId('consequence').waitFor();
      const { up, sheet, cost } = await page.evaluate(
        () => (window as unknown as { kibbleDrag: { up: number; sheet: number; cost: number } }).kibbleDrag,
      );
      sheets.push(sheet - up);
      costs.push(cost - up);
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'hidden' });
    }
    await chrome.close();
    const middle = (values: number[]): number => [...values].sort((a, b) => a - b)[DRAGS / 2] ?? 0;
    return { feedbackMs: middle(sheets), worstMs: Math.max(...sheets), costMs: middle(costs) };
  }, WEB);
}
