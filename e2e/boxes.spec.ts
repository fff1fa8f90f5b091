import type { Page } from '@playwright/test';
import { expect, ROUTES, test } from './kibble.ts';

const WIDTHS = [1280, 1024, 390];

/**
 * Pieces of text on the page that touch or overlap one another, are cut off by their drawing, or wider than the page: each run of letters by the boxes that
 * the browser gives its lines. Two lines of one block may stand close; two pieces side by side need a gap.
 */
function touching(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const GAP_PX = 2;
    interface Piece {
      text: string;
      block: Element;
      x0: number;
      x1: number;
      y0: number;
      y1: number;
    }
    const blockOf = (element: Element): Element => {
      // Each piece of lettering in a drawing stands for itself.
      const lettering = element.closest('text');
      if (lettering) return lettering;
      let at: Element | null = element;
      while (at && getComputedStyle(at).display.startsWith('inline') && at.parentElement)
        at = at.parentElement;
      return at ?? element;
    };
    const isSeen = (element: Element): boolean => {
      if (!element.checkVisibility({ opacityProperty: true, visibilityProperty: true })) return false;
      // What only a screen reader reads is clipped to a dot; what is folded away has no height.
      for (let at: Element | null = element; at; at = at.parentElement) {
        const style = getComputedStyle(at);
        const box = at.getBoundingClientRect();
        if (style.overflow !== 'visible' && (box.width <= 1 || box.height <= 1)) return false;
        // What stays in place while the page moves lies over it by design.
        if (style.position === 'fixed' || style.position === 'sticky') return false;
      }
      return true;
    };
    const pieces: Piece[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const parent = node.parentElement;
      const text = node.textContent?.trim() ?? '';
      if (
        !parent ||
        text === '' ||
        parent.closest('script, style, noscript, title, option') ||
        !isSeen(parent)
      )
        continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const { left, right, top, bottom } of range.getClientRects()) {
        // A line's box is taller than its letters; they fill about its middle.
        const air = (bottom - top) * 0.2;
        if (right - left > 1)
          pieces.push({
            text: text.slice(0, 40),
            block: blockOf(parent),
            x0: left,
            x1: right,
            y0: top + air,
            y1: bottom - air,
          });
      }
    }
    const found = new Set<string>();
    // What is written in a drawing past its edge is cut off.
    for (const lettering of document.querySelectorAll('svg text')) {
      const drawing = lettering.closest('svg')?.getBoundingClientRect();
      const { left, right } = lettering.getBoundingClientRect();
      if (
        drawing &&
        right > left &&
        drawing.width > 0 &&
        (right > drawing.right + 1 || left < drawing.left - 1)
      )
        found.add(`cut off: ${lettering.textContent ?? ''}`);
    }
    for (const piece of pieces)
      if (piece.x1 > document.documentElement.clientWidth + 1 && !insideScroller(piece.block))
        found.add(`wider than the page: ${piece.text}`);
    for (const [i, a] of pieces.entries())
      for (const b of pieces.slice(i + 1)) {
        if (a.block === b.block) continue;
        const apartX = Math.max(a.x0, b.x0) - Math.min(a.x1, b.x1);
        const apartY = Math.max(a.y0, b.y0) - Math.min(a.y1, b.y1);
        if (apartX < GAP_PX && apartY < 0) found.add(`${a.text} | ${b.text}`);
      }
    return [...found];

    function insideScroller(element: Element): boolean {
      for (let at: Element | null = element; at; at = at.parentElement)
        if (['auto', 'scroll', 'hidden'].includes(getComputedStyle(at).overflowX)) return true;
      return false;
    }
  });
}

for (const width of WIDTHS)
  test(`no text touches its neighbour, ${width} wide`, async ({ page, kibble }) => {
    await page.setViewportSize({ width, height: 844 });
    const found: string[] = [];
    for (const route of ROUTES) {
      await page.goto(kibble + route);
      await page.getByRole('main').waitFor();
      await page.waitForLoadState('networkidle');
      await page.evaluate(() => document.fonts.ready);
      for (const what of await touching(page)) found.push(`${route}: ${what}`);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth > innerWidth + 1);
      if (wide) found.push(`${route}: the page moves sideways`);
    }
    expect(found).toEqual([]);
  });
