import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { TestServer } from './server.ts';

const server = new TestServer(4734);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('a move is seen: it moves at its tempo, stands while the pointer is on it, and is still where that is asked', async ({
  page,
  browser,
}) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(`${server.url}/moves/squat`);
  const figure = page.locator('[data-figure="moving"]');
  await expect(figure).toHaveAttribute('aria-label', /^Squat\. From upright.*knees bent/);
  const drawn = () => figure.locator('path').nth(3).getAttribute('d');
  const before = await drawn();
  await expect.poll(drawn).not.toBe(before);
  await figure.hover();
  await page.waitForTimeout(150);
  const stands = await drawn();
  await page.waitForTimeout(400);
  expect(await drawn()).toBe(stands);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG' }).click();
  expect((await download).suggestedFilename()).toBe('squat-1.svg');

  const quiet = await browser.newContext({ reducedMotion: 'reduce' });
  const other = await quiet.newPage();
  await other.goto(`${server.url}/moves/squat`);
  await expect(other.locator('[data-figure="still"]')).toBeVisible();
  await expect(other.locator('[data-figure="moving"]')).toHaveCount(0);
  await quiet.close();
});

test('the figure follows the height, and one that isn’t drawn is shown by its nearest, marked', async ({
  page,
}) => {
  await page.goto(`${server.url}/figures`);
  await expect(page.getByRole('status')).toHaveText(
    /^\d+ moves drawn of their own, \d+ shown by their nearest, \d+ without\. 0 findings\.$/,
  );
  const marked = page
    .locator('[data-move]')
    .filter({ has: page.locator('p', { hasText: /^as / }) })
    .first();
  await marked.getByRole('link').click();
  await expect(page.getByText(/^Not drawn yet: shown as /)).toBeVisible();
});

test('a card for everybody and one for each station: seen, and as a PDF', async ({ page }, info) => {
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page.getByRole('link', { name: 'Cards' }).click();
  await expect(page.getByRole('status')).toHaveText('6 pages');
  await expect(page.getByRole('img', { name: /^Page 1: .*Maud/ })).toBeVisible();
  // The trainer's own words are on the card, and stay with the session.
  await page.getByRole('button', { name: 'Words' }).click();
  const words = page.getByLabel('1. Jumping jack');
  await words.fill('Quiet feet tonight');
  await words.press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('main').getByText('Quiet feet tonight').first()).toBeVisible();
  await page.reload();
  await expect(page.getByRole('main').getByText('Quiet feet tonight').first()).toBeVisible();
  const cards = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  const file = join(info.outputDir, 'cards.pdf');
  await (await cards).saveAs(file);
  expect(readFileSync(file).subarray(0, 5).toString()).toBe('%PDF-');
  // Nothing private on the wall.
  await page.getByText('a card for each station').click();
  await expect(page.getByRole('status')).toHaveText('10 pages');
  await expect(page.getByRole('main')).not.toContainText(/Maud|Saskia|knee pain/);
  await page.getByText('Letter', { exact: true }).click();
  await expect(page.getByRole('status')).toHaveText('10 pages');
});

test('a ladder on one page for a wall', async ({ page }) => {
  await page.goto(`${server.url}/ladders/push`);
  await page.getByRole('link', { name: 'Poster' }).click();
  await expect(page.getByText('1 page', { exact: true })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Page 1: Push-ups/ })).toBeVisible();
});
