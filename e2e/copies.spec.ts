import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4740);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('everything copied, changed, brought back; out as a sealed file, and in again with its passphrase alone', async ({
  page,
}) => {
  await page.goto(`${server.url}/yours`);
  await page.getByRole('link', { name: 'Copies of everything' }).click();
  // One was made when it was started.
  await expect(page.locator('[data-copy="start"]')).toContainText('6 people, 2 groups, 3 sessions');
  await page.getByRole('button', { name: 'Make a copy now' }).click();
  await expect(page.locator('[data-copy="asked"]')).toHaveCount(1);

  // Something is written over; the copy has it as it was.
  await page.goto(`${server.url}/people/nev-ashdown/who`);
  const notes = page.getByLabel('Notes');
  await notes.fill('Written since');
  await notes.press('Tab');
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  await page.goto(`${server.url}/copies`);
  const asked = page.locator('[data-copy="asked"]');
  await asked.getByRole('button', { name: /^Bring back/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Bring this copy back' });
  await expect(dialog).toContainText('6 people, 2 groups, 3 sessions');
  await dialog.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page).toHaveURL(/\/circuits$/);
  await page.goto(`${server.url}/people/nev-ashdown/who`);
  await expect(notes).not.toHaveValue('Written since');

  // What stood before is a copy as well.
  await page.goto(`${server.url}/copies`);
  await expect(page.locator('[data-copy="before-restoring"]')).toHaveCount(1);

  // Out as one file; a short passphrase is refused, in words.
  await asked.getByRole('button', { name: /^A file to keep elsewhere/ }).click();
  const passphrase = page.getByLabel('Its passphrase');
  await passphrase.fill('short');
  await page.getByRole('button', { name: 'Save the file' }).click();
  await expect(page.getByRole('alert')).toContainText('10 letters at the least');
  await passphrase.fill('four geese over a wet barn');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the file' }).click();
  const path = join(mkdtempSync(join(tmpdir(), 'inner-rung-out-')), 'everything.inner-rung');
  await (await download).saveAs(path);
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.getByRole('button', { name: 'Bring in a file' }).click();
  await page.getByLabel('The file').setInputFiles(path);
  await passphrase.fill('four geese over a dry barn');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('The passphrase isn’t the one');
  await passphrase.fill('four geese over a wet barn');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-copy="brought-in"]')).toContainText('6 people');
});
