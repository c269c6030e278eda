import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { TestServer } from './server.ts';

const server = new TestServer(4704);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

async function finds(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return violations.flatMap((v) =>
    v.nodes.map((node) => `${v.id}: ${node.target.join(' ')}: ${node.failureSummary}`),
  );
}

const SCREENS: readonly (readonly [string, string, (page: Page) => Promise<void>])[] = [
  ['the floor', '/plan/tuesday-ten', async () => {}],
  ['the sheet', '/plan/tuesday-ten', async (page) => page.getByRole('button', { name: 'Sheet' }).click()],
  [
    'the sheet with lanes',
    '/plan/tuesday-ten',
    async (page) => {
      await page.getByRole('button', { name: 'Sheet' }).click();
      await page.getByRole('button', { name: 'Lanes' }).click();
    },
  ],
  [
    'changing a move',
    '/plan/tuesday-ten',
    async (page) => {
      await page.getByRole('button', { name: 'Change move' }).click();
      await page.getByRole('combobox', { name: /everyday twin/ }).fill('squat');
    },
  ],
  [
    'pasting',
    '/plan/tuesday-ten',
    async (page) => {
      await page.getByRole('button', { name: /Paste/ }).click();
      await page.getByLabel(/a station a line/).fill('40/20\nsquats\nbanana hops');
    },
  ],
  ['the keys', '/plan/tuesday-ten', async (page) => page.getByRole('button', { name: 'Keys' }).click()],
  ['all circuits', '/circuits', async () => {}],
  [
    'the ladders',
    '/ladders?for=maud-ellery',
    async (page) => {
      // A few ladders show what the wall is made of; all of them only take long.
      await page.getByLabel('Find a move').fill('skipping rope');
      await expect(page.getByRole('list', { name: 'Bridges, top rung first', exact: true })).toHaveCount(0);
    },
  ],
  ['a ladder', '/ladders/push-up?rung=3', async () => {}],
  [
    'a rung proposed',
    '/ladders/pull-apart?rung=2',
    async (page) => {
      await page
        .getByRole('button', { name: /^Find a rung between/ })
        .first()
        .click();
      await expect(page.getByRole('region', { name: 'Rungs that fit between' })).toBeVisible();
    },
  ],
  ['a ladder from one move', '/ladders/new?from=push-up', async () => {}],
  ['a move', '/moves/push-up', async () => {}],
  ['a move edited', '/moves/push-up/edit', async () => {}],
  ['another form', '/find?from=push-up&without=wrist', async () => {}],
  ['what is yours', '/yours', async () => {}],
  ['a card', '/plan/tuesday-ten/card', async () => {}],
  ['a circuit that isn’t there', '/plan/not-here', async () => {}],
];

/** Screens that a phone never shows. */
const WIDE_ONLY = ['changing a move', 'the keys'];

for (const [name, path, reach] of SCREENS)
  for (const width of [1280, 390]) {
    if (width === 390 && WIDE_ONLY.includes(name)) continue;
    test(`axe finds nothing: ${name}, ${width} wide`, async ({ page }) => {
      await page.setViewportSize({ width, height: width === 390 ? 844 : 800 });
      await page.goto(`${server.url}/circuits`);
      for (const theme of ['paper', 'hall']) {
        await page.evaluate(
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
