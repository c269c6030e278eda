import { lookAt, type Screen } from './axe.ts';
import { expect } from './browser.ts';

const SCREENS: readonly Screen[] = [
  ['settings', '/settings', async () => {}],
  ['team', '/team', async () => {}],
  [
    'who did what',
    '/trail',
    async (page) => page.getByRole('button', { name: 'Check that nothing' }).click(),
  ],
  [
    'copies',
    '/copies',
    async (page) =>
      page
        .getByRole('button', { name: /^A file to keep elsewhere/ })
        .first()
        .click(),
  ],
  ['people', '/people', async (page) => page.getByRole('button', { name: 'Add them' }).click()],
  [
    'people from a table',
    '/people',
    async (page) => {
      await page.getByRole('button', { name: 'From a table' }).click();
      await page.getByLabel('Or paste it here').fill('name,born\nWren Abery,1971\n,1980');
    },
  ],
  [
    'today',
    '/people/maud-ellery/today',
    async (page) => {
      await page.getByRole('button', { name: 'Slept badly' }).click();
      await page.getByRole('button', { name: 'Left knee' }).click();
      await page.getByText('A reading, if they take one').click();
    },
  ],
  ['who somebody is', '/people/maud-ellery/who', async () => {}],
  ['the questions', '/people/nev-ashdown/screening', async () => {}],
  ['where the answers lead', '/people/ines-calloway/screening', async () => {}],
  [
    'limits',
    '/people/maud-ellery/limits',
    async (page) => page.getByRole('button', { name: 'Ease: no kneeling' }).click(),
  ],
  ['tests', '/people/maud-ellery/tests', async () => {}],
  [
    'rungs',
    '/people/maud-ellery/rungs?ladder=push',
    async (page) => {
      await page.getByRole('searchbox', { name: 'Find a ladder' }).fill('push-up');
      const begin = page.getByRole('button', { name: 'Find the rung' });
      const begun = page.getByRole('button', { name: 'Too easy' });
      await expect(begin.or(begun)).toBeVisible();
      if (await begin.isVisible()) await begin.click();
      await expect(begun).toBeVisible();
    },
  ],
  ['effort', '/people/saskia-dorn/effort', async () => {}],
  ['who may do what', '/may/osteoporosis', async (page) => page.getByText('Sign it as a clinician').click()],
  ['what is kept', '/people/maud-ellery/record', async () => {}],
  ['a person as a page', '/people/maud-ellery/page', async () => {}],
  ['a group', '/groups/tuesday-evening', async () => {}],
  ['the rooms', '/rooms', async () => {}],
  ['a room', '/rooms/a-front-room', async () => {}],
  [
    'before you start',
    '/plan/tuesday-ten/setup',
    async (page) => expect(page.locator('[data-sharing]')).toBeVisible(),
  ],
  [
    'other ways',
    '/moves/step-up',
    async (page) => {
      await page.getByRole('combobox', { name: 'Where' }).selectOption({ label: 'Living room, the usual' });
      await expect(page.locator('[data-way]').first()).toBeVisible();
    },
  ],
  ['a group by number', '/groups/thursday-morning', async () => {}],
];

lookAt(SCREENS, 4713);
