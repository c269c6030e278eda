import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4722);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const cell = (page: Page, station: number, lane: number) =>
  page.getByRole('button', { name: new RegExp(`^Station ${station}, lane ${lane}: .*, change$`) });
const openLanes = async (page: Page) => {
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await page.getByRole('button', { name: 'Sheet' }).click();
  await page.getByRole('button', { name: 'Lanes' }).click();
};

test('three lanes in one tap; one form changed by hand is checked, stays over a reload, and goes back', async ({
  page,
}) => {
  await openLanes(page);
  await page.getByRole('group', { name: 'Lanes' }).getByText('3').click();
  await expect(page.getByRole('columnheader', { name: /Lane 3/ })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'Never harder inwards' })).toBeVisible();
  await expect(cell(page, 3, 3)).toHaveText(/Push-up/);
  // By keyboard: the inner lane gets the outer one's rung.
  await cell(page, 2, 2).focus();
  await page.keyboard.press('Enter');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Sit to stand/ })
    .first()
    .click();
  await expect(cell(page, 2, 2)).toContainText('by hand');
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Lanes' }).click();
  await expect(cell(page, 2, 2)).toContainText('Sit to stand');
  await cell(page, 2, 2).click();
  await page.getByRole('button', { name: 'As it was made' }).click();
  await expect(cell(page, 2, 2)).not.toContainText('by hand');
});

test('rests that differ by lane stand side by side, and one clock has them all', async ({ page }) => {
  await openLanes(page);
  await page.getByText('Rests by lane').click();
  await expect(page.getByText('A group with 20 s of rest')).toBeVisible();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByLabel('Format')).toHaveValue('staggered');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Format')).toHaveValue('intervals');
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
});

test('rounds walk outwards: as many rounds as lanes, each with its own form', async ({ page }) => {
  await openLanes(page);
  await page.getByRole('group', { name: 'Lanes' }).getByText('3').click();
  await expect(page.getByRole('columnheader', { name: /Lane 3/ })).toBeVisible();
  await page.getByRole('button', { name: 'A lane outwards each round' }).click();
  await expect(page.getByLabel('Format')).toHaveValue('progressive');
  await expect(page.getByLabel('Rounds', { exact: true })).toHaveValue('3');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Format')).toHaveValue('intervals');
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
});

test('what somebody can go to in the middle of a set stands beside the station', async ({ page }) => {
  await page.goto(`${server.url}/plan/tuesday-ten?who=saskia-dorn`);
  const mid = page.locator('[data-mid-set]').locator('visible=true');
  await expect(mid).toContainText('Too much');
  await expect(mid).toContainText('knee');
});

test('side by side: figures, pictures and stations of whoever is chosen', async ({ page }) => {
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await page.getByRole('button', { name: 'Sheet' }).click();
  await page.getByRole('link', { name: 'Side by side' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tuesday ten, side by side');
  await expect(page.getByRole('columnheader', { name: 'As written' })).toHaveCount(2);
  await expect(page.getByRole('img', { name: /^Effort over the session/ })).toBeVisible();
  await page.getByRole('button', { name: 'Jory' }).click();
  await expect(page.getByRole('columnheader', { name: 'Jory' })).toHaveCount(2);
  const landings = page.getByRole('row', { name: /^Light landings/ });
  await expect(landings.getByRole('cell').first()).toHaveText('360');
});

test('what if: going round needs fewer chairs at once, a piece more is said to bring something, a level is for today', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten?group=tuesday-evening`);
  await page.getByRole('link', { name: 'Class' }).click();
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page.getByText('going round').click();
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page.getByRole('button', { name: 'What if we borrowed…' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Chair, no wheels', exact: true }).click();
  await expect(page.getByRole('button', { name: /^1 more: / })).toBeVisible();
  await expect(page.locator('[data-changes]')).toContainText('all of them together');
  await page.locator('[data-station="1"]').getByRole('button', { name: 'Maud' }).click();
  await page.getByText('wants more', { exact: true }).click();
  await expect(page.getByRole('button', { name: /^Maud.*: wants more/ })).toBeVisible();
  await page.getByRole('button', { name: /^Maud.*: wants more/ }).click();
  await expect(page.getByRole('button', { name: /^Maud.*: wants more/ })).toHaveCount(0);
});

test('a word that isn’t known is settled once: from then on it stands for that move', async ({ page }) => {
  await page.goto(`${server.url}/circuits`);
  const box = page.getByLabel(/as you write it/);
  await box.fill('30/15 x 2\nToad squats\nSquats');
  await page.getByLabel('“Toad squats” means').selectOption({ label: 'Squat' });
  await page.getByRole('button', { name: /^From now on “Toad squats” stands for/ }).click();
  await expect(page.getByLabel('“Toad squats” means')).toHaveCount(0);
  await expect(page.getByTestId('reading').getByText('Squat', { exact: true })).toBeVisible();
  await page.goto(`${server.url}/yours`);
  await expect(page.getByRole('button', { name: /^Back to the reference/ })).toHaveCount(1);
});
