import { expect, type Page, test } from '@playwright/test';
import { TestServer } from './server.ts';

const server = new TestServer(4705);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const title = (page: Page) => page.getByLabel('Title of the session');
const state = (page: Page, is: string) => expect(page.locator(`[data-save="${is}"]`)).toBeVisible();

test('the server goes away: edits stay in the browser, survive a closed tab, and are saved when it is back', async ({
  context,
}) => {
  const page = await context.newPage();
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await title(page).fill('Edited while away');
  await state(page, 'saved');
  await server.stop('SIGKILL');
  await page.getByLabel('Rest', { exact: true }).fill('30');
  await state(page, 'away');
  await page.close();
  await server.start();
  // Another tab takes up what the closed one left, once it is plain that it has gone.
  await new Promise((done) => setTimeout(done, 5200));
  const again = await context.newPage();
  await again.goto(`${server.url}/plan/tuesday-ten`);
  await expect(again.getByLabel('Rest', { exact: true })).toHaveValue('30');
  await state(again, 'saved');
  const stored = await (await again.request.get(`${server.url}/api/plans/tuesday-ten`)).json();
  expect(stored.body.blocks[0].format.restSeconds).toBe(30);
  expect(stored.body.title).toBe('Edited while away');
});

test('an open page saves by itself when the server comes back', async ({ page }) => {
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await expect(title(page)).toBeVisible();
  await server.stop();
  await page.getByLabel('Work').fill('50');
  await state(page, 'away');
  await server.start();
  await state(page, 'saved');
});

test('two at one session, each at their own part: both stand, and it is said', async ({ context }) => {
  const first = await context.newPage();
  const second = await context.newPage();
  for (const page of [first, second]) {
    await page.goto(`${server.url}/plan/tuesday-ten`);
    await expect(title(page)).toBeVisible();
  }
  const stored = async () =>
    (await (await first.request.get(`${server.url}/api/plans/tuesday-ten`)).json()).body;
  await title(first).fill('Named in the first');
  await expect.poll(async () => (await stored()).title).toBe('Named in the first');
  await second.getByLabel('Rest', { exact: true }).fill('35');
  await expect(second.getByText('Saved, together with what was changed elsewhere')).toBeVisible();
  await expect(title(second)).toHaveValue('Named in the first');
  expect(await stored()).toMatchObject({ title: 'Named in the first' });
  expect((await stored()).blocks[0].format.restSeconds).toBe(35);
  for (const page of [first, second]) await page.close();
});

test.describe('two tabs on one circuit', () => {
  const stored = async (page: Page) =>
    (await (await page.request.get(`${server.url}/api/plans/twelve-by-thirty`)).json()).body.title;
  let clashes = 0;
  async function clash(context: import('@playwright/test').BrowserContext) {
    const first = await context.newPage();
    const second = await context.newPage();
    await first.goto(`${server.url}/plan/twelve-by-thirty`);
    await second.goto(`${server.url}/plan/twelve-by-thirty`);
    await expect(title(second)).toBeVisible();
    const mine = `From the first tab ${++clashes}`;
    await title(first).fill(mine);
    // “Saved” may still be of before the edit: what counts is what the server has.
    await expect.poll(() => stored(first)).toBe(mine);
    await title(second).fill(`From the second tab ${clashes}`);
    await expect(second.getByRole('alert')).toContainText('changed in another tab');
    return { first, second, titles: [mine, `From the second tab ${clashes}`] as const };
  }
  test('the second can take over', async ({ context }) => {
    const { first, second, titles } = await clash(context);
    expect(await stored(first)).toBe(titles[0]);
    await second.getByRole('button', { name: 'Save mine over it' }).click();
    await state(second, 'saved');
    expect(await stored(first)).toBe(titles[1]);
  });

  test('the second can load what was saved', async ({ context }) => {
    const { second, titles } = await clash(context);
    await second.getByRole('button', { name: 'Load theirs' }).click();
    await expect(title(second)).toHaveValue(titles[0]);
    await state(second, 'saved');
  });

  test('the second can keep its own as a copy', async ({ context }) => {
    const { first, second, titles } = await clash(context);
    await second.getByRole('button', { name: 'Keep mine as a copy' }).click();
    await expect(title(second)).toHaveValue(`${titles[1]} (copy)`);
    await state(second, 'saved');
    expect(await stored(first)).toBe(titles[0]);
  });
});

test('a circuit that isn’t there says so and shows the way', async ({ page }) => {
  await page.goto(`${server.url}/plan/never-was`);
  await expect(page.getByRole('heading', { name: 'No such session' })).toBeVisible();
  await page.getByRole('link', { name: 'See your sessions' }).click();
  await expect(page.getByRole('heading', { name: /Your sessions/ })).toBeVisible();
});
