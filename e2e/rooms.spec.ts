import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4714);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const saved = (page: Page) => expect(page.locator('[data-save="saved"]')).toBeVisible();

test('a strange room ticked by picture, and the circuit laid out in it', async ({ page }) => {
  await page.goto(`${server.url}/rooms`);
  await page.getByRole('button', { name: 'Tick what I see here' }).click();
  await page.getByLabel('Name of the room').fill('Chapel annexe');
  for (const thing of ['Clear wall', 'Chair, no wheels', 'Hand weights', 'Mat'])
    await page.getByRole('button', { name: thing, exact: true }).click();
  await expect(page.getByLabel('How many: Hand weights, 2 kg')).toHaveValue('2');
  await page.getByLabel('How many: Mat').fill('8');
  await page.getByLabel('Size: Chair, no wheels').fill('46');
  await page.getByLabel('Width of the clear floor, m').fill('0.2');
  await expect(page.getByRole('alert')).toHaveText('width under 1 m');
  await page.getByLabel('Width of the clear floor, m').fill('6');
  await page.getByLabel('Length of the clear floor, m').fill('8');
  await expect(page.getByText('12 at once, at 4 m² each')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('How many: Mat')).toHaveValue('8');

  await page.goto(`${server.url}/plan/tuesday-ten?station=8`);
  await page.getByLabel('Where').selectOption({ label: 'Chapel annexe' });
  const station = page.getByRole('region', { name: 'Station 8' });
  await expect(station.locator('[data-reason]')).toContainText('something firm to step on isn’t here');
  await station.getByText(/^Other ways, with what is in/).click();
  await expect(station.locator('[data-ways]')).toContainText('Not here: something firm to step on.');
  await expect(station.locator('[data-way]').first()).toBeVisible();
  const way = station.getByRole('button', { name: /^Write in/ }).first();
  const name = (await way.getAttribute('aria-label'))!.replace(/^Write in /, '').split(',')[0]!;
  await way.click();
  await expect(page.getByRole('region', { name: 'Station 8' })).toContainText(name);
  await page.keyboard.press('Control+z');
});

test('a ready-made room is picked as it is, and becomes the trainer’s own', async ({ page }) => {
  await page.goto(`${server.url}/plan/twelve-by-thirty`);
  await page.getByLabel('Where').selectOption({ label: 'Living room, the usual' });
  await saved(page);
  await page.goto(`${server.url}/rooms`);
  await expect(page.getByRole('link', { name: /^Living room, the usual/ })).toBeVisible();
  await page.getByRole('button', { name: 'Begin from Clinic bay' }).click();
  await expect(page.getByRole('button', { name: 'Parallel rails', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a file' }).click();
  const path = await (await download).path();
  await page.goto(`${server.url}/rooms`);
  await page.getByLabel('A room’s file').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"version":2,"id":"x"}'),
  });
  await expect(page.getByRole('alert')).toContainText('x.json: name');
  await page.getByLabel('A room’s file').setInputFiles(path);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Clinic bay');
});

test('before you start: what to put out, and what changes when there isn’t enough', async ({ page }) => {
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await page.getByLabel('Where').selectOption({ label: 'Tannery Lane Hall' });
  await page.getByLabel('Who is here').selectOption({ label: 'Thursday morning' });
  await saved(page);
  await page.getByRole('link', { name: 'Set up' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Before you start: Tuesday ten');
  await expect(page.getByText('14 people, Thursday morning')).toBeVisible();
  await expect(page.locator('[data-sharing]')).toContainText(/changes? make it fit|enough of everything/);
  const together = await page.locator('[data-sharing]').textContent();
  // The class was planned with what is there: what it does, all at one station or going round, there is enough for.
  expect(together).toContain('There is enough of everything');
  await page.getByText('Rotating', { exact: true }).click();
  await expect(page.locator('[data-sharing]')).toContainText('There is enough of everything');
  await expect(page.locator('[data-changed="true"]')).toHaveCount(0);
  await expect(page.getByRole('img', { name: /Floor of 12 by 8 metres with 10 stations/ })).toBeVisible();
});

test('what else would do, on a move’s page, room by room', async ({ page }) => {
  await page.goto(`${server.url}/moves/standing-row`);
  await page.getByRole('combobox', { name: 'Where' }).selectOption({ label: 'A front room, people below' });
  await expect(page.locator('[data-way="stand-in"]').first()).toContainText('hinge side');
});
