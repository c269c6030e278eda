import { expect, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4708);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('from a station to its move, to the wall, and what is barred for somebody is struck out', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten?station=3`);
  await page.getByRole('link', { name: 'All about it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Push-up, hands raised');
  await expect(page.getByRole('row', { name: /pushing strength/ })).toContainText('Ebben et al. 2011');

  await page.getByLabel(/Height of the hands/).fill('61');
  await expect(page.getByRole('row', { name: /pushing strength/ })).toContainText('41% body mass');

  await page.getByRole('link', { name: 'Ladders' }).click();
  await page.getByLabel('Find a move').fill('pres-up');
  const push = page.getByRole('list', { name: 'Push-ups, top rung first', exact: true });
  await expect(push).toBeVisible();
  await expect(page.getByRole('list', { name: 'Bridges, top rung first', exact: true })).toHaveCount(0);
  await page.getByLabel('For', { exact: true }).selectOption({ label: 'Tomas Wick' });
  await expect(
    push.getByRole('link', { name: /^Push-up ?, barred: no weight through the wrists/ }),
  ).toBeVisible();
  await expect(
    page
      .getByRole('link', { name: /^Pushes without weight on the wrists, .*, [1-9] of \d+ rungs open/ })
      .first(),
  ).toBeVisible();
  await expect(page).toHaveURL(/for=tomas-wick/);
  await page.reload();
  await expect(push.getByRole('link', { name: /^Push-up ?, barred/ })).toBeVisible();
  await push.getByRole('link', { name: /^Wall push-up/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wall push-up');
  await page.goBack();
  await expect(page.getByLabel('For', { exact: true })).toHaveValue('tomas-wick');
});

test('what a move asks of a body: forces through the rep, at a height, by keyboard', async ({ page }) => {
  await page.goto(`${server.url}/moves/raised-push-up`);
  await page.getByRole('link', { name: 'See the forces, joint by joint' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/push-up, hands raised/);
  const moment = page.getByRole('region', { name: 'In this moment' });
  const rep = page.getByRole('slider', { name: 'Through the rep' });
  await rep.focus();
  await page.keyboard.press('Home');
  // Published: 55 % at 30 cm and 41 % at 61 cm, held at the top (Ebben et al. 2011).
  await page.getByLabel(/Height of the hands/).fill('30');
  await expect(moment).toContainText(/5[0-9] % of their weight/);
  await page.getByLabel(/Height of the hands/).fill('61');
  await expect(moment).toContainText(/(39|4[0-5]) % of their weight/);
  await expect(page.getByRole('img', { name: /^Forces: / })).toBeVisible();
  await page.goto(`${server.url}/moves/spine-turn-lying/forces`);
  await expect(page.getByText('It is drawn from above')).toBeVisible();
});

test('a tall step says by way of what it is climbed, and one leg is one limb instead of two', async ({
  page,
}) => {
  await page.goto(`${server.url}/ladders/stand-still`);
  const step = page.getByRole('button', {
    name: 'Find a rung between Stand, heel to toe and One-leg stand',
    exact: true,
  });
  await expect(step).toContainText('one limb instead of two');
  await expect(step).toContainText('by way of One-leg stand, the other toes touch the floor lightly');
  // A small step needs nothing between.
  await expect(
    page.getByRole('button', { name: /^Find a rung between One-leg stand, head turning/ }),
  ).not.toContainText('by way of');
  await step.focus();
  await page.keyboard.press('Enter');
  await expect(step).toHaveCount(0);
});
