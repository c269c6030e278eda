import { expect, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4742);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('every page has a title of its own, is announced when one goes there, and its header can be passed by', async ({
  page,
}) => {
  await page.goto(`${server.url}/people`);
  await expect(page).toHaveTitle('People · Inner Rung');
  await page.keyboard.press('Tab');
  const skip = page.getByRole('button', { name: 'To the content' });
  await expect(skip).toBeFocused();
  await expect(skip).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  await page.getByRole('link', { name: 'Rooms' }).click();
  await expect(page).toHaveTitle('Rooms · Inner Rung');
  await expect(page.locator('[data-announced]')).toHaveText('Rooms');
  const titles = new Set<string>();
  for (const path of [
    '/circuits',
    '/people/maud-ellery/who',
    '/log',
    '/ladders',
    '/find',
    '/yours',
    '/copies',
    '/plan/tuesday-ten',
    '/plan/tuesday-ten/class',
  ]) {
    await page.goto(`${server.url}${path}`);
    await expect(page).toHaveTitle(/ · Inner Rung$/);
    titles.add(await page.title());
  }
  expect(titles.size).toBe(9);
});

test('an address that leads nowhere says so, and shows ways on', async ({ page }) => {
  await page.goto(`${server.url}/poeple/maud`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is no such page');
  await expect(page.getByText('/poeple/maud')).toBeVisible();
  await expect(page).toHaveTitle('There is no such page · Inner Rung');
  await page.getByRole('link', { name: 'All sessions' }).click();
  await expect(page).toHaveURL(/\/circuits$/);
});

test('one search reaches everything by keyboard, and what isn’t there can be made from it', async ({
  page,
}) => {
  await page.goto(`${server.url}/rooms`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const search = async (text: string) => {
    await page.keyboard.press('Control+k');
    const field = page.getByRole('combobox', { name: /Sessions, people, moves/ });
    await expect(field).toBeFocused();
    await field.fill(text);
  };
  await search('maud');
  await expect(page.getByRole('option').first()).toContainText('Maud Ellery');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/people\/maud-ellery/);

  await search('hypertension');
  await expect(page.getByRole('option').first()).toContainText('High blood pressure');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/may\/high-blood-pressure/);

  await search('Wobbleboard twist');
  await page.getByRole('option', { name: /a move of your own/ }).click();
  await expect(page).toHaveURL(/\/ladders\/new\?name=Wobbleboard/);
  await expect(page.locator('input[value="Wobbleboard twist"]')).toBeVisible();

  await page.goto(`${server.url}/plan/tuesday-ten`);
  await page.getByRole('button', { name: /^Search/ }).click();
  await page.getByRole('combobox', { name: /Sessions, people, moves/ }).fill('paste a session');
  await expect(page.getByRole('dialog').getByRole('option').first()).toContainText(/do it here/);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('light and dark as the device has it or as is chosen, and larger type on a phone, everywhere and after a reload', async ({
  page,
}) => {
  const theme = () => page.evaluate(() => document.documentElement.dataset['theme']);
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${server.url}/people`);
  await expect.poll(theme).toBe('hall');
  await page.emulateMedia({ colorScheme: 'light' });
  await expect.poll(theme).toBe('paper');
  await page.getByRole('link', { name: 'Settings' }).click();
  await page.getByText('Dark, for the hall').click();
  await page.getByText('Larger', { exact: true }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/settings', '/people', '/circuits', '/plan/tuesday-ten']) {
    await page.goto(`${server.url}${path}`);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeAttached();
    await expect.poll(theme).toBe('hall');
    const { type, wide } = await page.evaluate(() => ({
      type: getComputedStyle(document.documentElement).fontSize,
      wide: document.documentElement.scrollWidth - window.innerWidth,
    }));
    expect([path, type, wide <= 0]).toEqual([path, '20px', true]);
  }
});
