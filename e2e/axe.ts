import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/**
 * What axe has against the page as it is now, by rule and place. What passes is not written up, and no second page is
 * opened to put frames together, as there are none: both cost more than the rules themselves.
 * @param only one rule, in the place of all
 */
export async function against(page: Page, where: string, only?: string): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .options({
      resultTypes: ['violations'],
      ...(only ? { runOnly: [only] } : { rules: { 'label-content-name-mismatch': { enabled: true } } }),
    })
    .setLegacyMode()
    .analyze();
  return violations.map(
    ({ id, nodes }) =>
      `${where}: ${id}: ${nodes
        .slice(0, 3)
        .map(({ target }) => String(target))
        .join(' | ')}`,
  );
}

/** The same in the light and in the dark: what the dark changes is colours, so nothing but their contrast is asked again. */
export async function againstInLightAndDark(page: Page, where: string): Promise<string[]> {
  await page.emulateMedia({ colorScheme: 'light' });
  const found = await against(page, where);
  await page.emulateMedia({ colorScheme: 'dark' });
  return [...found, ...(await against(page, `${where}, in the dark`, 'color-contrast'))];
}
