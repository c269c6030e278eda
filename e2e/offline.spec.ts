import type { Page } from '@playwright/test';
import { expect, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4741);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

/** Waits until all that pages are made of is kept in the browser, which a page by itself begins after a while. */
async function takenIn(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready;
    active!.postMessage({ is: 'take in' });
  });
  await expect
    .poll(
      () => page.evaluate(async () => (await (await caches.open('shell')).match('/page')) !== undefined),
      {
        timeout: 60_000,
      },
    )
    .toBe(true);
}

test('a page opens while the server is away, says so, keeps what is changed, and undoes it after a reload', async ({
  browser,
}) => {
  const context = await browser.newContext({ serviceWorkers: 'allow' });
  const page = await context.newPage();
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Tuesday');
  await page.goto(`${server.url}/people`);
  await expect(page.getByRole('link', { name: /Maud Ellery/ }).first()).toBeVisible();
  await takenIn(page);
  // Seen once with all of it here, so that what the server last said is kept too.
  await page.goto(`${server.url}/plan/tuesday-ten`);
  const title = page.getByRole('textbox', { name: /title/i }).first();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Tuesday');
  const before = await page.getByRole('heading', { level: 1 }).textContent();
  await expect(page.locator('[data-standing]')).toHaveCount(0);

  await server.stop('SIGKILL');
  await page.reload();
  await expect(page.locator('[data-standing]')).toContainText('This is how it stood at');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(before!);
  await page.getByRole('button', { name: 'Build' }).click();
  await title.fill('Tuesday without a server');
  await title.press('Tab');
  await expect(page.getByText('Tuesday without a server').first()).toBeAttached();
  await page.reload();
  await expect(page.locator('[data-standing]')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Tuesday without a server');
  await page.getByRole('button', { name: /^Undo/ }).first().click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(before!);
  await page.getByRole('button', { name: /^Redo/ }).first().click();

  // Other pages are there too.
  await page.goto(`${server.url}/people`);
  await expect(page.getByRole('link', { name: /Maud Ellery/ }).first()).toBeVisible();
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Tuesday without a server');

  await server.start();
  await expect(page.locator('[data-standing]')).toHaveCount(0);
  await expect
    .poll(async () => (await (await fetch(`${server.url}/api/plans/tuesday-ten`)).json()).body.title)
    .toBe('Tuesday without a server');
  await context.close();
});

test('it can be installed: a name, a way in, and pictures of the sizes that are asked for', async () => {
  const answer = await fetch(`${server.url}/manifest.webmanifest`);
  expect(answer.headers.get('content-type')).toContain('application/manifest+json');
  const manifest = (await answer.json()) as {
    name: string;
    start_url: string;
    icons: { src: string; sizes: string }[];
  };
  expect(manifest.name).toBe('Inner Rung');
  expect((await fetch(`${server.url}${manifest.start_url}`)).status).toBe(200);
  for (const size of ['192x192', '512x512']) {
    const icon = manifest.icons.find(({ sizes }) => sizes === size)!;
    const png = Buffer.from(await (await fetch(`${server.url}${icon.src}`)).arrayBuffer());
    // Width and height stand at a fixed place of every PNG.
    expect(`${png.readUInt32BE(16)}x${png.readUInt32BE(20)}`).toBe(size);
  }
});
