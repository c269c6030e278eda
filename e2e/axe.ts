import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { TestServer } from './server.ts';

async function finds(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return violations.flatMap((v) =>
    v.nodes.map((node) => `${v.id}: ${node.target.join(' ')}: ${node.failureSummary}`),
  );
}

/** A screen by name: where it is, and what is done there before it is looked at. */
export type Screen = readonly [string, string, (page: Page) => Promise<void>];

/** Screens that a phone never shows. */
const WIDE_ONLY = ['changing a move', 'the keys', 'the best order'];

/** A test a screen and width: axe finds nothing, in the dark theme either. */
export function lookAt(screens: readonly Screen[], port: number): void {
  const server = new TestServer(port);
  test.beforeAll(() => server.start());
  test.afterAll(() => server.stop());
  for (const [name, path, reach] of screens)
    for (const width of [1280, 390]) {
      if (width === 390 && WIDE_ONLY.includes(name)) continue;
      test(`axe finds nothing: ${name}, ${width} wide`, async ({ page }) => {
        await page.setViewportSize({ width, height: width === 390 ? 844 : 800 });
        // Colours don't depend on the width: the dark theme is looked at once.
        for (const theme of width === 390 ? ['paper'] : ['paper', 'hall']) {
          // Set before the page's own scripts run; the last one set holds.
          await page.addInitScript(
            (t) => localStorage.setItem('inner-rung/view', JSON.stringify({ theme: t })),
            theme,
          );
          await page.goto(`${server.url}${path}`);
          await expect(page.getByRole('heading').or(page.getByRole('table')).first()).toBeAttached();
          await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
          await reach(page);
          expect(await finds(page), theme).toEqual([]);
        }
      });
    }
}
