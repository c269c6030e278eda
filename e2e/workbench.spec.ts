import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4709);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const saved = (page: Page) => expect(page.locator('[data-save="saved"]')).toBeVisible();
const rungs = (page: Page, name: string) =>
  page.getByRole('list', { name: `${name}, rungs` }).locator('[data-rung]');
const findings = (page: Page) => page.locator('[data-finding]');

test('a trainer builds a ladder from a move of their own, mends what is found, and teaches it', async ({
  page,
}) => {
  await page.goto(`${server.url}/ladders`);
  await page.getByRole('link', { name: 'New ladder' }).click();

  await test.step('their own move in a few answers, and a whole ladder comes up', async () => {
    await page.getByRole('button', { name: 'A move of my own' }).click();
    await page.getByLabel('What do you call it?').fill('Plough push');
    await page.getByRole('button', { name: /Squat/ }).click();
    await page.getByRole('combobox', { name: /everyday twin/ }).fill('push up');
    await page
      .getByRole('option', { name: /^Push-up/ })
      .first()
      .click();
    await page
      .getByLabel('Where is the body?')
      .selectOption({ label: 'a straight line from head to heels on hands and toes' });
    const draft = page.getByRole('list', { name: 'Plough push, top rung first' });
    await expect(draft).toContainText('Plough push');
    expect(await draft.getByRole('listitem').count()).toBeGreaterThanOrEqual(5);
    await page.getByRole('button', { name: 'Keep this ladder' }).click();
    await expect(page.getByLabel('Name of the ladder')).toHaveValue('Plough push');
    await saved(page);
  });

  await test.step('a rung in the wrong place is found, and swapped back with one tap', async () => {
    await page.getByRole('button', { name: /^Plough push/ }).click();
    await page.getByRole('button', { name: 'One rung up' }).click();
    const wrong = findings(page).filter({ hasText: 'Wrong:' }).first();
    await expect(wrong).toContainText('Plough push');
    await wrong.getByRole('button', { name: 'Swap the two' }).click();
    await expect(findings(page).filter({ hasText: 'Wrong:' })).toHaveCount(0);
  });

  await test.step('a lever that the numbers don’t show is found, and renamed with one tap', async () => {
    await page.getByRole('button', { name: /^Plough push/ }).click();
    await page.getByText('Levers the numbers don’t show').click();
    await page.getByRole('button', { name: 'the head turns' }).click();
    const doubt = findings(page).filter({ hasText: 'the head turns' });
    await expect(doubt).toBeVisible();
    await doubt.getByRole('button', { name: /^Say/ }).click();
    await expect(doubt).toHaveCount(0);
  });

  await test.step('a rung proposed in the gap is taken, undone and taken again', async () => {
    const before = await rungs(page, 'Plough push').count();
    await page.getByRole('button', { name: /^Find a rung between .* Plough push$/ }).click();
    const proposals = page.getByRole('region', { name: 'Rungs that fit between' });
    await expect(proposals.getByRole('listitem').first()).toBeVisible();
    await proposals
      .getByRole('button', { name: /^Take / })
      .first()
      .click();
    await expect(rungs(page, 'Plough push')).toHaveCount(before + 1);
    await page.keyboard.press('Control+z');
    await expect(rungs(page, 'Plough push')).toHaveCount(before);
    await page.keyboard.press('Control+Shift+z');
    await expect(rungs(page, 'Plough push')).toHaveCount(before + 1);
    await saved(page);
  });

  await test.step('a reload finds it as it was', async () => {
    const before = await rungs(page, 'Plough push').allTextContents();
    await page.reload();
    await expect(rungs(page, 'Plough push')).toHaveCount(before.length);
    expect(await rungs(page, 'Plough push').allTextContents()).toEqual(before);
  });

  await test.step('it stands in a circuit, and somebody’s version climbs down it', async () => {
    await page.goto(`${server.url}/plan/tuesday-ten?station=3`);
    await page.getByRole('button', { name: 'Change move' }).click();
    await page.getByRole('combobox', { name: /everyday twin/ }).fill('plough push');
    await page.getByRole('option', { name: /^Plough push push/ }).click();
    const panel = page.getByRole('region', { name: 'Station 3' });
    await expect(panel.getByRole('heading', { level: 3 })).toHaveText(/^Plough push/);
    await page.getByText('Saskia', { exact: true }).click();
    await expect(panel.locator('[data-rung="plough-push"]')).toBeVisible();
  });
});

test('a reference rung changed, compared and put back; a ladder put away and brought back', async ({
  page,
}) => {
  await page.goto(`${server.url}/ladders/pull-apart`);
  await expect(rungs(page, 'Pull-aparts')).not.toHaveCount(0);
  const was = await rungs(page, 'Pull-aparts').count();
  await page.getByRole('button', { name: /^Reverse fly/ }).click();
  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(rungs(page, 'Pull-aparts')).toHaveCount(was - 1);
  await page.getByRole('link', { name: 'Changed by you: compare' }).click();
  const entry = page.locator('#ladder-pull-apart');
  await expect(entry.getByRole('row', { name: /the rungs/ })).toContainText('Reverse fly');
  await entry.getByRole('button', { name: /Back to the reference/ }).click();
  await expect(
    page.getByText('Nothing of your own yet').or(page.getByRole('heading', { name: 'Your own' })),
  ).toBeVisible();
  await page.goto(`${server.url}/ladders/pull-apart`);
  await expect(rungs(page, 'Pull-aparts')).toHaveCount(was);

  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Ladders' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Pull-aparts, top rung first' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Yours' }).click();
  await page.getByRole('button', { name: 'Bring back: Pull-aparts' }).click();
  await page.getByRole('link', { name: 'Ladders' }).click();
  await expect(page.getByRole('list', { name: 'Pull-aparts, top rung first' })).toBeVisible();
});

test('by keyboard alone: choose, move, take out and take back rungs', async ({ page }) => {
  await page.goto(`${server.url}/ladders/curl?rung=2`);
  const names = async () =>
    (await rungs(page, 'Curls').allTextContents()).map((text) => text.split(/[A-Z].*?:/)[0]);
  await expect(page.getByRole('region', { name: 'The chosen rung' })).toContainText('Seated biceps curl');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('region', { name: 'The chosen rung' })).toContainText('Biceps curl, standing');
  const before = await names();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page).toHaveURL(/rung=4/);
  await expect(findings(page).filter({ hasText: 'Wrong:' })).not.toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(findings(page).filter({ hasText: 'Wrong:' })).toHaveCount(0);
  expect(await names()).toEqual(before);
  await page.keyboard.press('Delete');
  await expect(rungs(page, 'Curls')).toHaveCount(before.length - 1);
  await page.keyboard.press('Control+z');
  await expect(rungs(page, 'Curls')).toHaveCount(before.length);
  await page.keyboard.press('n');
  await expect(page.getByRole('region', { name: 'Rungs that fit between' })).toBeVisible();
});

test('a move edited: what is well formed is kept, what isn’t is told beside the field', async ({ page }) => {
  await page.goto(`${server.url}/moves/wall-sit/edit`);
  await page.getByLabel('Name', { exact: true }).fill('Wall chair');
  await saved(page);
  await page.getByLabel('Two or three cues, one a line').fill('Just one');
  await expect(page.getByRole('alert')).toContainText(/>=2/);
  await page.getByLabel('knee bend under load, high end').fill('100');
  await saved(page);
  await page.getByRole('link', { name: 'Done' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wall chair');
  await expect(page.getByRole('row', { name: /knee bend under load/ })).toContainText('90–100');
  await expect(page.getByRole('row', { name: /knee bend under load/ })).toContainText('set by hand');
  await page.getByRole('link', { name: 'Changed by you: compare' }).click();
  await expect(page.locator('#move-wall-sit')).toContainText('Wall chair');
  await page
    .locator('#move-wall-sit')
    .getByRole('button', { name: /Back to the reference/ })
    .click();
  await page.goto(`${server.url}/moves/wall-sit`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wall sit');
});

test('a form found by what must go', async ({ page }) => {
  await page.goto(`${server.url}/moves/knee-push-up`);
  await expect(page.getByText('Off the knees')).toBeVisible();
  await page.getByRole('link', { name: 'Find another form' }).click();
  await page.getByRole('button', { name: 'kneeling' }).click();
  const found = page.getByRole('region', { name: 'Forms found' }).getByRole('listitem');
  await expect(found.first()).toContainText('Push-up, hands raised');
  await expect(found.first()).toContainText('spares the floor, kneeling');
  await page.getByRole('slider').fill('-2');
  await expect(found.first()).toContainText(/easier/);
  await expect(page).toHaveURL(/by=-2/);
});

test('edits of a ladder survive a server that is away', async ({ page }) => {
  await page.goto(`${server.url}/ladders/carry`);
  await expect(rungs(page, 'Carries')).toHaveCount(6);
  await server.stop();
  await page.getByLabel('Name of the ladder').fill('Loaded walks');
  await expect(page.locator('[data-save="away"]')).toBeVisible();
  await server.start();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of the ladder')).toHaveValue('Loaded walks');
});
