import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/**
 * What axe has against the page as it is now, by rule and place. What passes is not written up, and no second page is
 * opened to put frames together, as there are none: both cost more than the rules themselves.
 */
export async function against(page: Page, where: string): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .options({ resultTypes: ['violations'], rules: { 'label-content-name-mismatch': { enabled: true } } })
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
