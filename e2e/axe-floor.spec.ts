import { lookAt, type Screen } from './axe.ts';
import { expect } from './browser.ts';

const SCREENS: readonly Screen[] = [
  ['the floor', '/plan/tuesday-ten', async () => {}],
  ['the sheet', '/plan/tuesday-ten', async (page) => page.getByRole('button', { name: 'Sheet' }).click()],
  [
    'the sheet with lanes',
    '/plan/tuesday-ten',
    async (page) => {
      await page.getByRole('button', { name: 'Sheet' }).click();
      await page.getByRole('button', { name: 'Lanes' }).click();
    },
  ],
  [
    'changing a move',
    '/plan/tuesday-ten',
    async (page) => {
      await page.getByRole('button', { name: 'Change move' }).click();
      await page.getByRole('combobox', { name: /everyday twin/ }).fill('squat');
    },
    null,
  ],
  [
    'pasting',
    '/plan/tuesday-ten',
    async (page) => {
      await page.getByRole('button', { name: /Paste/ }).locator('visible=true').click();
      await page.getByLabel(/as you write it/).fill('40/20\nsquats\nbanana hops');
    },
  ],
  ['building', '/plan/tuesday-ten', async (page) => page.getByRole('button', { name: 'Build' }).click()],
  [
    'a dose',
    '/plan/tuesday-ten',
    async (page) => {
      await page.locator('[data-dose] summary').click();
    },
    async (page) => {
      await page.getByRole('button', { name: 'Station', exact: true }).click();
      await expect(page.getByLabel('Tempo').first()).toBeVisible();
    },
  ],
  ['the sums', '/plan/tuesday-ten', async (page) => page.getByRole('button', { name: /^The sums/ }).click()],
  [
    'the class page',
    '/plan/tuesday-ten?group=thursday-morning',
    async (page) => {
      await page.getByRole('link', { name: 'Class' }).click();
      await expect(page.locator('[data-station="1"]')).toBeVisible();
    },
  ],
  ['the run sheet', '/plan/tuesday-ten/run-sheet', async () => {}],
  [
    'the forces of a move',
    '/moves/held-load-squat/forces',
    async (page) => {
      await expect(page.getByRole('region', { name: 'In this moment' })).toBeVisible();
    },
  ],
  ['the keys', '/plan/tuesday-ten', async (page) => page.getByRole('button', { name: 'Keys' }).click(), null],
  [
    'the best order',
    '/plan/tuesday-ten',
    async (page) => {
      await page.getByRole('button', { name: 'Best order…' }).click();
      await expect(page.locator('[data-count="floorChanges"]')).toBeVisible();
    },
    null,
  ],
  ['all sessions', '/circuits', async () => {}],
  [
    'the ladders',
    '/ladders?for=maud-ellery',
    async (page) => {
      // A few ladders show what the wall is made of; all of them only take long.
      await page.getByLabel('Find a move').fill('skipping rope');
      await expect(page.getByRole('list', { name: 'Bridges, top rung first', exact: true })).toHaveCount(0);
    },
  ],
  ['a ladder', '/ladders/push-up?rung=3', async () => {}],
  [
    'a rung proposed',
    '/ladders/pull-apart?rung=2',
    async (page) => {
      await page
        .getByRole('button', { name: /^Find a rung between/ })
        .first()
        .click();
      await expect(page.getByRole('region', { name: 'Rungs that fit between' })).toBeVisible();
    },
  ],
  ['a ladder from one move', '/ladders/new?from=push-up', async () => {}],
  ['a move', '/moves/push-up', async () => {}],
  ['a move edited', '/moves/push-up/edit', async () => {}],
  ['another form', '/find?from=push-up&without=wrist', async () => {}],
  ['what is yours', '/yours', async () => {}],
  ['a card', '/plan/tuesday-ten/card', async () => {}],
  ['a circuit that isn’t there', '/plan/not-here', async () => {}],
];

lookAt(SCREENS, 4704);
