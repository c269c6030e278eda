import axe from 'axe-core';
import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

type Rules = Pick<axe.RunOptions, 'runOnly' | 'rules'>;

const COLOURS: Rules = { runOnly: ['color-contrast'] };
const TAGS: Rules = { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'] };
// Colours are looked at in both themes; the width changes none.
const ALL_BUT_COLOURS: Rules = { ...TAGS, rules: { 'color-contrast': { enabled: false } } };

/** What breaks rules on a page that has the examiner in it. Only what is wrong is gathered: the rest costs as much again. */
async function finds(page: Page, rules: Rules): Promise<string[]> {
  const violations = await page.evaluate(
    async (options) =>
      (await (window as unknown as { axe: typeof axe }).axe.run(document, options)).violations,
    { ...rules, resultTypes: ['violations'] } satisfies axe.RunOptions,
  );
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
      // A colour on its way to another would be read as it is between, and what isn't in sight yet where it isn't.
      await page.evaluate(() => {
        const still = new CSSStyleSheet();
        still.replaceSync(
          '*, ::before, ::after { transition: none !important; content-visibility: visible !important }',
        );
        document.adoptedStyleSheets.push(still);
      });
      await page.evaluate(axe.source);
      expect(await finds(page, TAGS)).toEqual([]);
      await page.evaluate(() => {
        document.documentElement.dataset['theme'] = 'hall';
      });
      expect(await finds(page, COLOURS), 'dark').toEqual([]);
      if (onPhone === null) return;
      await page.setViewportSize({ width: 390, height: 844 });
      await onPhone?.(page);
      expect(await finds(page, ALL_BUT_COLOURS), 'on a phone').toEqual([]);
    });
}
