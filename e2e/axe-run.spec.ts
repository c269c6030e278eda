import { lookAt, type Screen } from './axe.ts';
import { expect, type Page } from './browser.ts';

/** Makes a run of the evening class and goes to it; `on` to one of its other faces. */
const toRun =
  (on = '') =>
  async (page: Page) => {
    await expect(page.locator('[data-station="10"]')).toBeVisible();
    const run = page.getByRole('button', { name: 'Run it' });
    await expect(run).toBeEnabled();
    await run.click();
    await expect(page.getByText('Ready when you are')).toBeVisible();
    await page.getByRole('button', { name: 'Go', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
    if (on === 'phones') {
      await page.getByRole('button', { name: 'Phones' }).click();
      await expect(page.getByRole('button', { name: 'Make a link for Maud' })).toBeVisible();
      return;
    }
    if (on === 'record') {
      await page.getByRole('button', { name: 'It is over for today' }).click();
      await page.getByRole('button', { name: 'End it', exact: true }).click();
      await page.getByRole('link', { name: 'What came of it' }).click();
      await page.getByRole('button', { name: 'All as planned: keep it' }).click();
      await page.getByRole('button', { name: /^Maud Ellery/ }).click();
      await expect(page.getByLabel('Pain: where')).toBeVisible();
      return;
    }
    if (on) await page.goto(`${page.url()}/${on}`);
    await expect(page.locator('[data-seconds]')).toBeVisible();
  };
const CLASS = '/plan/tuesday-ten/class?group=tuesday-evening';

const SCREENS: readonly Screen[] = [
  ['the run', CLASS, toRun()],
  ['the wall', CLASS, toRun('wall')],
  ['the second coach', CLASS, toRun('second')],
  ['other devices', CLASS, toRun('phones')],
  ['what came of it', CLASS, toRun('record')],
  ['the log', '/log', async (page) => expect(page.getByRole('table')).toBeVisible()],
  [
    'somebody’s weeks',
    '/people/saskia-dorn/weeks',
    async (page) => expect(page.getByRole('table')).toBeVisible(),
  ],
  [
    'the next session of a group',
    '/groups/tuesday-evening',
    async (page) => expect(page.getByRole('heading', { name: 'What to tell whom' })).toBeVisible(),
  ],
  [
    'a move and its figure',
    '/moves/raised-push-up',
    async (page) => expect(page.getByRole('img', { name: /^Push-up, hands raised/ })).toBeVisible(),
  ],
  [
    'cards for a class',
    '/plan/tuesday-ten/paper',
    async (page) => expect(page.getByRole('img', { name: /^Page 1: / })).toBeVisible(),
  ],
  [
    'the class sheet',
    '/plan/tuesday-ten/paper?what=class',
    async (page) => expect(page.getByRole('img', { name: /^Page 1: / })).toBeVisible(),
  ],
  [
    'a home programme',
    '/people/maud-ellery/home',
    async (page) => {
      // Looked at a second time it is as it was left.
      const session = page.getByLabel('Another session');
      const sheet = page.getByRole('img', { name: /^Page 1: / });
      await expect(session.or(sheet).first()).toBeAttached();
      if (await session.isVisible()) await session.selectOption({ label: 'Tuesday ten' });
      await expect(sheet).toBeVisible();
    },
  ],
  [
    'a drawing by hand',
    '/moves/step-up/edit',
    async (page) => {
      const begin = page.getByRole('button', { name: /^Draw it/ });
      const editor = page.getByRole('region', { name: 'Draw it' });
      await expect(begin.or(editor)).toBeVisible();
      if (await begin.isVisible()) await begin.click();
      await expect(editor).toBeVisible();
    },
  ],
  [
    'side by side',
    '/plan/tuesday-ten/compare',
    async (page) => expect(page.getByRole('img', { name: /^Effort over/ })).toBeVisible(),
  ],
];

lookAt(SCREENS, 4724);
