import { expect, test } from '@playwright/test';
import { TestServer } from './server.ts';

const server = new TestServer(4703);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

test('the story at arm’s length, by thumb', async ({ page }) => {
  await page.goto(server.url);
  const part = (name: string) =>
    page.getByRole('navigation', { name: 'Parts of the plan' }).getByRole('button', { name });
  const floor = page.getByRole('group', { name: /^The floor/ }).locator('visible=true');
  await expect(floor).toBeVisible();

  await page.getByText('Tomas', { exact: true }).tap();
  await page.getByRole('button', { name: /7 Forearm plank/ }).tap();
  const station = page.getByRole('region', { name: 'Station 7' });
  await expect(station).toContainText('Forearm plank for plank: no weight through the wrists');
  await expect(part('Station')).toHaveAttribute('aria-pressed', 'true');

  await part('Dials').tap();
  await page.getByLabel('Impact').fill('1');
  await page.getByLabel('Rounds', { exact: true }).fill('1');
  await part('Floor').tap();
  await expect(floor).toContainText('9:40');
  await expect(page.getByRole('button', { name: /1 Step jack/ })).toBeVisible();

  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(floor).toContainText('20:20');

  const wide = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(wide).toBeLessThanOrEqual(0);
});

test('the page and the run come first, what changes them is behind one button', async ({ page }) => {
  await page.goto(`${server.url}/plan/tuesday-ten/class`);
  const first = page.locator('[data-station="1"]').first();
  await expect(first).toBeInViewport();
  const most = page.getByRole('group', { name: 'Other forms, at most' });
  await expect(most).toBeHidden();
  await page.getByRole('button', { name: 'More', exact: true }).tap();
  await expect(page.getByRole('button', { name: 'More', exact: true })).toHaveAttribute(
    'aria-expanded',
    'true',
  );
  await most.getByText('1', { exact: true }).tap();
  await expect(most.getByRole('radio', { name: '1', exact: true })).toBeChecked();
  await page.getByRole('button', { name: 'Run it' }).tap();
  await expect(page.getByRole('button', { name: 'Go', exact: true })).toBeInViewport();
  const sound = page.getByRole('button', { name: 'Sound' });
  await expect(sound).toBeHidden();
  await page.getByRole('button', { name: 'More', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(sound).toBeVisible();
});

test('everything to tap is at least 44 px high', async ({ page }) => {
  await page.goto(server.url);
  await expect(page.getByRole('button', { name: /^1 / })).toBeVisible();
  const small = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a[href], select, label:has(input[type="radio"])')]
      .filter((el) => el.checkVisibility() && !el.closest('figure') && el.tabIndex !== -1)
      .map((el) => ({
        says: el.textContent || el.getAttribute('aria-label'),
        height: el.getBoundingClientRect().height,
      }))
      .filter(({ height }) => height < 43.5),
  );
  expect(small).toEqual([]);
});
