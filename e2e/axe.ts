import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

/** An examination of a page by rules that are told. */
const look = (page: Page) => new AxeBuilder({ page }).options({ resultTypes: ['violations'] });

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

async function finds(axe: AxeBuilder): Promise<string[]> {
  // No screen has frames of another origin, the only thing for which the other mode opens a page more each time.
  // Only what is wrong is gathered: the rest of what it finds costs as much again.
  const { violations } = await axe.setLegacyMode().analyze();
  return violations.flatMap((v) =>
    v.nodes.map((node) => `${v.id}: ${node.target.join(' ')}: ${node.failureSummary}`),
  );
}

/**
 * A screen by name: where it is, what is done there before it is looked at, and what else where that is to be seen on
 * a phone; null for what a phone never shows.
 */
export type Screen = readonly [
  name: string,
  path: string,
  reach: (page: Page) => Promise<void>,
  onPhone?: ((page: Page) => Promise<void>) | null,
];

/**
 * A test a screen: axe finds nothing, in the dark theme and on a phone neither. It is loaded once: the theme and the
 * width change nothing but its style, and the theme nothing but its colours.
 */
export function lookAt(screens: readonly Screen[], port: number): void {
  const server = new TestServer(port);
  test.beforeAll(() => server.start());
  test.afterAll(() => server.stop());
  for (const [name, path, reach, onPhone] of screens)
    test(`axe finds nothing: ${name}`, async ({ page }) => {
      await page.goto(`${server.url}${path}`);
      await expect(page.getByRole('heading').or(page.getByRole('table')).first()).toBeAttached();
      await reach(page);
      // A colour on its way to another would be read as it is between.
      await page.evaluate(() => {
        const still = new CSSStyleSheet();
        still.replaceSync('*, ::before, ::after { transition: none !important }');
        document.adoptedStyleSheets.push(still);
      });
      expect(await finds(look(page).withTags(TAGS))).toEqual([]);
      await page.evaluate(() => {
        document.documentElement.dataset['theme'] = 'hall';
      });
      expect(await finds(look(page).withRules('color-contrast')), 'dark').toEqual([]);
      if (onPhone === null) return;
      await page.setViewportSize({ width: 390, height: 844 });
      await onPhone?.(page);
      // Colours have been looked at in both themes; the width changes none.
      const phone = look(page).withTags(TAGS).disableRules('color-contrast');
      expect(await finds(phone), 'on a phone').toEqual([]);
    });
}
