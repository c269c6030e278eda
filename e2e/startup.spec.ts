import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { expect, test } from '@playwright/test';
import { TestServer } from './server.ts';

const root = resolve(import.meta.dirname ?? '.', '..');
const server = new TestServer(4706, false);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('a trainer’s first day: nothing set up, a circuit pasted, a floor to teach from', async ({ page }) => {
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'Paste a circuit' })).toBeVisible();
  await page.getByLabel(/as you write it/).fill('40/20 x 2\nJumping jacks\nPress-ups\nSquats\nBurpees');
  await page.getByRole('button', { name: 'Lay out 4 stations' }).click();
  const floor = page.getByRole('group', { name: /^The floor/ }).locator('visible=true');
  await expect(floor).toContainText('7:20');
  await page.getByLabel('Ability').fill('0');
  await expect(floor).toContainText('for press-ups');
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
});

test('a page whose code can’t be had says so, keeps what there is, and comes when it can', async ({
  page,
}) => {
  await page.route('**/figures-screen-*.js', (route) => route.abort());
  await page.goto(`${server.url}/figures`);
  await expect(page.getByRole('heading', { name: 'This page couldn’t be shown' })).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('figures-screen');
  await page.getByRole('link', { name: 'To the floor' }).click();
  await expect(page.getByRole('heading', { name: 'This page' })).toHaveCount(0);
  await page.goBack();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.unroute('**/figures-screen-*.js');
  await page.getByRole('button', { name: 'Load it again' }).click();
  await expect(page.getByRole('heading', { name: 'Figures' })).toBeVisible();
});

const startAgain = (args: readonly string[], env: Record<string, string> = {}) =>
  spawnSync(process.execPath, [join(root, 'server/dist/main.mjs'), ...args], {
    env: { ...process.env, INNER_RUNG_ROOT: root, ...env },
    encoding: 'utf8',
    timeout: 15_000,
  });

test.describe('what stands in the way of starting is one sentence', () => {
  test('a busy port', () => {
    const { stderr, status } = startAgain([
      '--port',
      '4706',
      '--data',
      mkdtempSync(join(tmpdir(), 'inner-rung-')),
    ]);
    expect(stderr.trim()).toBe('Port 4706 is in use. Stop what uses it, or start with PORT=4707.');
    expect(status).toBe(1);
  });
  test('a data folder that can’t be written to', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'inner-rung-')), 'a-file');
    writeFileSync(file, '');
    const { stderr, status } = startAgain(['--port', '4707', '--data', join(file, 'data')]);
    expect(stderr.trim()).toMatch(
      /^The data folder .* can’t be written to\. Choose another with INNER_RUNG_DATA=\S+\.$/,
    );
    expect(status).toBe(1);
  });
  test('a port that isn’t one', () => {
    expect(startAgain(['--port', 'tea']).stderr.trim()).toBe(
      '“tea” isn’t a port: give a whole number from 1 to 65535.',
    );
  });
  test('a Node that is too old', () => {
    const { stderr, status } = spawnSync(
      process.execPath,
      [
        '-e',
        `Object.defineProperty(process.versions, 'node', { value: '18.20.0' }); import(${JSON.stringify(join(root, 'scripts/ground.mjs'))}).then((g) => g.checkNode())`,
      ],
      { encoding: 'utf8' },
    );
    expect(stderr.trim()).toMatch(/^Inner Rung needs Node 20\.19 or newer; this is 18\.20\.0\./);
    expect(status).toBe(1);
  });
});
