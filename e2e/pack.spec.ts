import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { LEVELS } from '@inner-rung/core/person';
import { expect, test } from '@playwright/test';
import { TestServer } from './server.ts';

const server = new TestServer(4732);
// Where nothing has been brought home yet.
const untouched = new TestServer(4733);
test.beforeAll(() => Promise.all([server.start(), untouched.start()]));
test.afterAll(() => Promise.all([server.stop(), untouched.stop()]));

test('the hall has no network: a session in one file, run from storage, reloaded, its results brought home', async ({
  page,
  browser,
}, info) => {
  test.slow();
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page.getByRole('button', { name: 'Run it' }).click();
  await page.getByRole('button', { name: 'Phones' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Session pack' }).click();
  const file = join(info.outputDir, 'pack.html');
  await (await download).saveAs(file);
  // Everything is in it: it asks nobody for anything.
  expect(readFileSync(file, 'utf8')).not.toMatch(/(src|href)="https?:/);

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, offline: true });
  const pack = await phone.newPage();
  const asked: string[] = [];
  pack.on('request', (request) => {
    if (!/^(file|data|blob):/.test(request.url())) asked.push(request.url());
  });
  await pack.goto(pathToFileURL(file).href);
  await pack.getByRole('button', { name: 'Go', exact: true }).click();
  await expect(pack.locator('[data-now]')).toHaveText('Jumping jack');
  const row = (id: string) => pack.locator(`[data-person="${id}"]`);
  await row('saskia-dorn')
    .getByRole('button', { name: /^easier for/ })
    .click();
  await expect(row('saskia-dorn').locator('[data-does]')).toContainText('Step jack');
  await row('jory-penhale')
    .getByRole('button', { name: /leaves$/ })
    .click();
  await pack.waitForTimeout(2500);
  const before = Number(await pack.locator('[data-seconds]').textContent());
  await pack.reload();
  await expect(row('jory-penhale')).toContainText('gone');
  const after = Number(await pack.locator('[data-seconds]').textContent());
  expect(after).toBeLessThanOrEqual(before);
  expect(after).toBeGreaterThan(before - 8);
  await pack.getByRole('button', { name: 'Somebody more' }).click();
  await pack.getByRole('dialog').getByRole('button', { name: LEVELS[0]!.name }).click();
  const walkIn = pack.locator('[data-person^="walked-in-"]');
  await expect(walkIn).toContainText('walk-in 1');
  await expect(walkIn.locator('[data-does]')).toHaveText(/\w/);
  // On a phone behind one button.
  await pack.getByRole('button', { name: 'More', exact: true }).click();
  await pack.getByRole('button', { name: 'Class sheet' }).click();
  await expect(pack.getByRole('main')).toContainText('Saskia');
  await pack.getByRole('button', { name: 'Run', exact: true }).click();
  await pack.getByRole('button', { name: 'It is over for today' }).click();
  await pack.getByRole('button', { name: 'End it', exact: true }).click();
  await pack.getByRole('button', { name: 'What came of it' }).last().click();
  await pack.getByText('6 could chat').first().click();
  await expect(pack.getByRole('button', { name: /^Saskia/ })).toContainText('6 of 10');
  await pack.reload();
  await pack.getByRole('button', { name: 'What came of it' }).first().click();
  await expect(pack.getByRole('button', { name: /^Saskia/ })).toContainText('6 of 10');
  const saved = pack.waitForEvent('download');
  await pack.getByRole('button', { name: 'Save the results' }).click();
  const results = join(info.outputDir, 'results.json');
  await (await saved).saveAs(results);
  expect(asked).toEqual([]);
  await phone.close();

  // Home again: what is in it is shown before it is taken in.
  await page.goto(`${server.url}/log`);
  await page.getByRole('button', { name: 'From elsewhere' }).click();
  await page.getByLabel('A file').setInputFiles(results);
  await expect(page.getByText(/6 people, \d+ things that happened/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: /^What came of it: Tuesday ten/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Saskia Dorn/ })).toContainText('6 of 10');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
});

test('a table with a wrong line: said what and where, the rest comes in, what was there stays', async ({
  page,
}) => {
  await page.goto(`${server.url}/log`);
  await page.getByRole('button', { name: 'From elsewhere' }).click();
  const box = page.getByLabel('Or paste it here');
  await box.fill('day,session,person\n2026-11-20,Friday,Maud Ellery');
  await expect(page.getByRole('alert')).toContainText('There is no column “date”');
  await box.fill(
    'date,session,person,effort,forms\n2026-11-20,Friday,Maud Ellery,11,\n2026-11-20,Friday,Tomas Wick,6,Squat 12',
  );
  await expect(page.locator('[data-fate="refused"]')).toContainText('isn’t a whole number from 0 to 10');
  await page.getByRole('button', { name: 'Bring in 1 session' }).click();
  await page.getByRole('combobox', { name: 'Person' }).selectOption({ label: 'Tomas Wick' });
  await expect(page.getByRole('row').filter({ hasText: 'Friday' })).toContainText('Squat 12');
  await page.getByRole('combobox', { name: 'Group' }).selectOption({ label: 'Tuesday evening' });
  await expect(page.getByRole('row').filter({ hasText: 'Friday' })).toHaveCount(0);
});

test('the next session is there, made: a round more and what to tell whom; accepted, and who is coming', async ({
  page,
}) => {
  await page.goto(`${untouched.url}/groups/tuesday-evening`);
  const next = page.getByRole('region', { name: /^Next: / });
  await expect(next.locator('[data-step="up"]')).toContainText('3 rounds instead of 2');
  await expect(next.locator('[data-tell]')).toContainText('Saskia');
  await next.getByText('6 of 6 coming').click();
  await next.getByRole('checkbox', { name: 'Jory Penhale' }).uncheck();
  await expect(next.getByText('5 of 6 coming')).toBeVisible();
  await next.getByRole('button', { name: /^Take all/ }).click();
  await expect(next.getByRole('button', { name: /^Take all/ })).toHaveCount(0);
  await expect(next).toContainText('hasn’t been done and recorded yet');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await next.getByRole('link', { name: 'One page to teach from' }).click();
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page.goto(`${untouched.url}/groups/tuesday-evening`);
  await expect(next.getByText('5 of 6 coming')).toBeVisible();
});
