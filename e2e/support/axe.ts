import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/**
 * Looks for what keeps people from reading a page. Only what is wrong is told, and in the page itself: naming all that is
 * right and carrying it over to a second page takes longer than looking.
 */
export const axe = (page: Page): AxeBuilder =>
  new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true);
