import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4702);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const panel = (page: Page) => page.getByRole('region', { name: /^Station \d/ });

test('the whole story with the keyboard alone', async ({ page }) => {
  await page.goto(server.url);
  await expect(panel(page)).toContainText('Step jack');
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };

  // Who: the names are one radio group, reached by its letter and walked with the arrows.
  await press('w', 'ArrowDown');
  await expect(page.getByRole('radio', { name: 'Nev' })).toBeChecked();
  await press('ArrowDown');
  await expect(page.getByRole('radio', { name: 'Saskia' })).toBeChecked();
  await expect(panel(page)).toContainText('Jumping jack');

  // The impact dial, down to one foot on the floor.
  await press('i', 'Home', 'ArrowRight');
  await expect(page.getByLabel('Impact')).toHaveAttribute('aria-valuetext', 'One foot stays down');
  await expect(panel(page)).toContainText('Step jack for jumping jack: one foot stays down');
  await press('b', 'Home');
  await expect(page.getByLabel('Ability')).toHaveAttribute('aria-valuetext', 'New to this');

  // Leave the dial, walk the stations, change a move.
  await page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());
  await press('ArrowRight', 'ArrowRight');
  await expect(panel(page)).toHaveAccessibleName('Station 3');
  await press('m');
  await expect(page.getByRole('combobox', { name: /everyday twin/ })).toBeFocused();
  await page.keyboard.type('wall sit');
  await expect(page.getByRole('option', { name: /^Wall sit wall/ })).toHaveAttribute('aria-selected', 'true');
  await press('Enter');
  await expect(panel(page)).toContainText('Wall sit');

  // The clock by tabbing to its fields.
  await page.getByLabel('Ability').focus();
  await press('Tab');
  await expect(page.getByLabel('Format')).toBeFocused();
  await press('Tab');
  await expect(page.getByLabel('Work')).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('45');
  await expect(page.getByRole('group', { name: /The floor/ }).locator('visible=true')).toContainText('22:00');
  await press('Control+z');
  await expect(page.getByRole('group', { name: /The floor/ }).locator('visible=true')).toContainText('20:20');
  await press('Control+Shift+z');
  await expect(page.getByRole('group', { name: /The floor/ }).locator('visible=true')).toContainText('22:00');

  // Sheet, lanes, theme, keys.
  await page.locator('body').evaluate(() => (document.activeElement as HTMLElement).blur());
  await press('v');
  await expect(page.getByRole('table')).toBeVisible();
  await press('l');
  await expect(page.getByRole('columnheader', { name: 'Wants more' })).toBeVisible();
  await press('t');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'hall');
  await press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'hall');
  await expect(page.getByLabel('Work')).toHaveValue('45');
  await press('c');
  await expect(page.getByRole('img', { name: /^Page 1: .*Saskia Dorn/ })).toBeVisible();
});

test('letters can be switched off, and then do nothing', async ({ page }) => {
  await page.goto(server.url);
  await expect(panel(page)).toBeVisible();
  await page.keyboard.press('?');
  await page.getByLabel('Single-letter keys on').uncheck();
  await page.keyboard.press('Escape');
  await page.keyboard.press('m');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});
