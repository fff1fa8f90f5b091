import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { browser as settings } from '../../e2e/browser.ts';
import { withDemo } from './demoServer.ts';

const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));

export interface SectionFrames {
  beds: number;
  /** From the section's answer to its first frame, ms. */
  firstPaintMs: number;
  /** Frames a second while the weather is drawn along for three seconds, and the slowest frame, ms. */
  framesPerSecond: number;
  slowestMs: number;
  layoutShift: number;
  /** JavaScript of the first screen, kB over the wire. */
  roundKb: number;
}

/** The section of sixty beds in a real browser: painted, then scrubbed by the pointer. Null when the interface is not built. */
export async function sectionFrames(): Promise<SectionFrames | null> {
  if (!existsSync(WEB)) return null;
  return withDemo(async (url) => {
    await fetch(`${url}/api/beds/3/copies`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ count: 48 }),
    });
    const chrome = await chromium.launch(settings.launchOptions);
    const page = await chrome.newPage({ viewport: settings.viewport });
    await page.goto(`${url}/garden/1/round`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    const roundKb = await page.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .filter((r) => r.name.endsWith('.js'))
        .reduce((sum, r) => sum + (r as PerformanceResourceTiming).transferSize, 0),
    );
    await page.addInitScript(() => {
      const marks = { shift: 0, answered: 0, painted: 0 };
      Object.assign(window, { kibbleMarks: marks });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as (PerformanceEntry & {
          value: number;
          hadRecentInput: boolean;
        })[])
          if (!entry.hadRecentInput) marks.shift += entry.value;
      }).observe({ type: 'layout-shift', buffered: true });
      const watch = new MutationObserver(() => {
        if (!document.querySelector('[data-testid=section]')) return;
        watch.disconnect();
        requestAnimationFrame(() => requestAnimationFrame(() => (marks.painted = performance.now())));
      });
      watch.observe(document, { childList: true, subtree: true });
    });
    await page.goto(`${url}/garden/1/section`);
    await page.getByTestId('section').waitFor();
    await page.waitForTimeout(600);
    const { firstPaintMs, layoutShift, beds } = await page.evaluate(() => {
      const { kibbleMarks: marks } = window as unknown as { kibbleMarks: { shift: number; painted: number } };
      const answers = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
      const answer = answers.find((r) => r.name.includes('/section'));
      return {
        firstPaintMs: marks.painted - (answer?.responseEnd ?? 0),
        layoutShift: marks.shift,
        beds: document.querySelectorAll('[data-bed]').length,
      };
    });
    const box = await page
      .getByRole('region', { name: /^Weather/ })
      .getByRole('list')
      .boundingBox();
    if (!box) throw new Error('the ribbon must be on the page');
    // As text: the loader that runs this file marks functions with a helper the page does not have.
    await page.evaluate(
      'window.kibbleFrames = []; requestAnimationFrame(function tick(t) { window.kibbleFrames.push(t); requestAnimationFrame(tick); })',
    );
    await page.mouse.move(box.x + box.width * 0.05, box.y + 30);
    await page.mouse.down();
    const until = performance.now() + 3000;
    for (let i = 0; performance.now() < until; i += 1) {
      const share = 0.5 + 0.45 * Math.sin(i / 25);
      await page.mouse.move(box.x + box.width * share, box.y + 30);
    }
    await page.mouse.up();
    const gaps = await page.evaluate(() => {
      const { kibbleFrames: frames } = window as unknown as { kibbleFrames: number[] };
      return frames.slice(1).map((t, i) => t - (frames[i] ?? t));
    });
    await chrome.close();
    const mean = gaps.reduce((a, b) => a + b, 0) / gaps.length;
    return {
      beds,
      firstPaintMs,
      framesPerSecond: 1000 / mean,
      slowestMs: Math.max(...gaps),
      layoutShift,
      roundKb: roundKb / 1000,
    };
  }, WEB);
}
