import type { Browser } from '@playwright/test';
import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4762);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const OWNER = ['Ines Marlo', 'a walk round the lake'] as const;

async function comeIn(page: Page, name: string, passphrase: string): Promise<void> {
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel('Your passphrase').fill(passphrase);
  await page.getByRole('button', { name: 'Come in' }).click();
}
/** In, and the page begun anew. */
const isIn = (page: Page) => expect(page.getByLabel('Your passphrase')).toHaveCount(0);
/** Somebody else's browser, on what it opens first. */
async function another(browser: Browser, path: string): Promise<Page> {
  const context = await browser.newContext({
    serviceWorkers: 'block',
    viewport: { width: 390, height: 844 },
  });
  const page = await context.newPage();
  await page.goto(`${server.url}${path}`);
  return page;
}

test.describe.configure({ mode: 'serial' });
let code = '';

test('a team is set up: its owner, the sheet, somebody more with one group', async ({ page }) => {
  await page.goto(`${server.url}/settings`);
  await page.getByRole('link', { name: 'Team' }).click();
  await page.getByLabel('Your name').fill(OWNER[0]);
  await page.getByLabel(/^A passphrase/).fill(OWNER[1]);
  await page.getByLabel('The same again').fill('something else');
  await expect(page.getByText('The two differ.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Set up the team' })).toBeDisabled();
  await page.getByLabel('The same again').fill(OWNER[1]);
  await page.keyboard.press('Enter');
  const sheet = page.locator('[data-sheet]');
  await expect(sheet).toContainText(/([A-Z0-9]{5}-){5}[A-Z0-9]{5}/);
  code = /([A-Z0-9]{5}-){5}[A-Z0-9]{5}/.exec((await sheet.textContent()) ?? '')![0];
  await page.getByRole('button', { name: 'It is kept' }).click();

  for (const [name, role, group] of [
    ['Dana Obi', 'Trainer', 'Thursday morning'],
    ['Kit Sand', 'Assistant', null],
    ['Dr Wren', 'Clinician', null],
  ] as const) {
    await page.getByRole('button', { name: 'Somebody more' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('textbox', { name: 'Name' }).fill(name);
    await dialog.getByText(role, { exact: true }).click();
    if (group) {
      await dialog.getByLabel('All of them').uncheck();
      await dialog.getByLabel(group).check();
    }
    await dialog.getByLabel(/^A first passphrase/).fill('four grey herons');
    await dialog.getByRole('button', { name: 'Add to the team' }).click();
    await expect(page.getByRole('heading', { name })).toBeVisible();
  }
  await expect(page.getByRole('listitem').filter({ hasText: 'Dana Obi' })).toContainText(
    'Trainer · Thursday morning',
  );
  // Two that read alike are refused, and what was typed stays.
  await page.getByRole('button', { name: 'Somebody more' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('dana  obi');
  await page.getByLabel(/^A first passphrase/).fill('four grey herons');
  await page.getByRole('button', { name: 'Add to the team' }).click();
  await expect(page.getByRole('alert')).toContainText('“Dana Obi” is in the team already');
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('dana  obi');
});

test('a trainer sees the people of their group, and is told whom to ask for the rest', async ({
  browser,
}) => {
  const page = await another(browser, '/people');
  await comeIn(page, 'dana obi', 'not this one');
  await expect(page.getByRole('alert')).toContainText('That isn’t a name and its passphrase.');
  await comeIn(page, 'dana obi', 'four grey herons');
  const links = page.getByRole('main').getByRole('link');
  await expect(links.filter({ hasText: 'Thursday morning' })).toBeVisible();
  await expect(links.filter({ hasText: 'Maud Ellery' })).toHaveCount(0);
  await page.goto(`${server.url}/copies`);
  await expect(page.getByRole('alert')).toContainText(
    'Trainers may not make copies and bring them back. Ask Ines Marlo.',
  );
  await page.context().close();
});

test('an assistant may look, and what they change is refused in words and not lost', async ({ browser }) => {
  const page = await another(browser, '/people/maud-ellery/who');
  await comeIn(page, 'Kit Sand', 'four grey herons');
  const notes = page.getByLabel('Notes');
  await expect(notes).toHaveValue('');
  await notes.fill('Knows the way');
  await notes.press('Tab');
  await expect(page.locator('[data-save="refused"]')).toContainText(
    'Assistants may not change people and groups.',
  );
  await expect(notes).toHaveValue('Knows the way');
  await expect(page.getByText('Ask Ines Marlo to change people and groups.')).toBeVisible();
  await page.goto(`${server.url}/people/maud-ellery/record`);
  await expect(page.getByText('Erasing somebody for good is the owner’s.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Erase for good' })).toHaveCount(0);

  // Who comes in next at the same browser neither sees it nor sends it; it waits for who wrote it.
  await page.goto(`${server.url}/team`);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByText('wait here for Kit Sand')).toBeVisible();
  await comeIn(page, ...OWNER);
  await isIn(page);
  await page.goto(`${server.url}/people/maud-ellery/who`);
  await expect(notes).not.toHaveValue('Knows the way');
  await expect(page.locator('[data-save="refused"]')).toHaveCount(0);
  await page.goto(`${server.url}/team`);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await comeIn(page, 'Kit Sand', 'four grey herons');
  await isIn(page);
  await page.goto(`${server.url}/people/maud-ellery/who`);
  await expect(notes).toHaveValue('Knows the way');
  await page.context().close();
});

test('a clinician comes in on who may do what, and sees nobody', async ({ browser }) => {
  const page = await another(browser, '/');
  await comeIn(page, 'Dr Wren', 'four grey herons');
  await expect(page).toHaveURL(/\/may/);
  await page.goto(`${server.url}/people`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText('Maud Ellery')).toHaveCount(0);
  await page.context().close();
});

test('who did what is the owner’s to read: looked at, printed, refused; and whether anything was changed', async ({
  page,
}) => {
  await page.goto(`${server.url}/people/maud-ellery/page`);
  await comeIn(page, ...OWNER);
  await expect(page.getByRole('heading', { level: 1, name: 'Maud Ellery' })).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await page.goto(`${server.url}/trail`);
  const line = (said: string) => page.getByRole('row').filter({ hasText: said });
  await expect(line('printed the whole file of Maud Ellery')).toContainText('Ines Marlo');
  await expect(line('saw the file of Maud Ellery').filter({ hasText: 'Kit Sand' })).toBeVisible();
  await expect(line('was refused: change people and groups').first()).toContainText('Kit Sand');
  await expect(line('was refused: a sign-in')).toContainText('somebody');
  await expect(line('changed the team: Kit Sand added as assistant')).toContainText('Ines Marlo');
  await page.getByRole('button', { name: 'Check that nothing was changed' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'each as it was written' })).toBeVisible();
  await page.getByLabel('By whom').selectOption({ label: 'Kit Sand' });
  await expect(line('printed')).toHaveCount(0);
  await expect(line('signed in')).toHaveCount(2);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a table' }).click();
  expect((await saved).suggestedFilename()).toBe('who-did-what.csv');
});

test('signed out elsewhere; a lost passphrase; the end of the team', async ({ page, browser }) => {
  const dana = await another(browser, '/people');
  await comeIn(dana, 'Dana Obi', 'four grey herons');
  await expect(dana.getByText('Thursday morning').first()).toBeVisible();
  await page.goto(`${server.url}/team`);
  await comeIn(page, ...OWNER);
  await page
    .getByRole('button', { name: /^Sign Dana Obi out/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Sign Dana Obi out/ })).toHaveCount(1);
  await page.getByRole('button', { name: /^Sign Dana Obi out/ }).click();
  await expect(page.getByRole('button', { name: /^Sign Dana Obi out/ })).toHaveCount(0);
  await dana.reload();
  await expect(dana.getByLabel('Your passphrase')).toBeVisible();
  await dana.context().close();

  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await page.getByRole('link', { name: 'the way back in' }).click();
  await page.getByLabel('The owner’s name').fill('Ines Marlo');
  await page.getByLabel('The code on the sheet').fill(code.toLowerCase());
  await page.getByLabel(/^A new passphrase/).fill('another walk entirely');
  await page.getByRole('button', { name: 'Let me in again' }).click();
  await expect(page.locator('[data-sheet]')).not.toContainText(code);
  await page.getByRole('button', { name: 'It is kept' }).click();
  await comeIn(page, 'Ines Marlo', 'another walk entirely');
  await expect(page.getByLabel('Your passphrase')).toHaveCount(0);
  await page.goto(`${server.url}/team`);
  await page.getByRole('button', { name: 'End the team' }).click();
  await page.getByRole('button', { name: /^Yes: everybody out/ }).click();
  await expect(page.getByRole('button', { name: 'Set up the team' })).toBeVisible();
  await page.goto(`${server.url}/people`);
  await expect(page.getByText('Maud Ellery').first()).toBeVisible();
});
