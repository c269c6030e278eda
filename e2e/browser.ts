import { type BrowserContext, test as base } from '@playwright/test';

export { expect, type Page } from '@playwright/test';

/**
 * A test with a page of a browser that has been here before: what the program is made of is at hand, as it is for
 * whoever uses it every day, and what a test kept in the browser is gone before the next.
 */
export const test = base.extend<object, { kept: BrowserContext }>({
  kept: [
    async ({ browser }, use) => {
      const context = await browser.newContext();
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  page: async ({ kept, viewport }, use) => {
    const page = await kept.newPage();
    if (viewport) await page.setViewportSize(viewport);
    const origins = new Set<string>();
    page.on('framenavigated', (frame) => {
      if (/^http/.test(frame.url())) origins.add(new URL(frame.url()).origin);
    });
    await use(page);
    await page.close();
    const after = await kept.newPage();
    const session = await kept.newCDPSession(after);
    for (const origin of origins)
      await session.send('Storage.clearDataForOrigin', {
        origin,
        storageTypes: 'local_storage,indexeddb,cookies',
      });
    await after.close();
  },
});
