import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4736, false);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

/** From a text to a run that goes. */
async function teach(page: Page, text: string, who: string) {
  await page.goto(`${server.url}/circuits`);
  await page.getByLabel(/as you write it/).fill(text);
  await page.getByLabel(/in your words/).fill(who);
  await page.getByRole('button', { name: 'One page to teach from' }).click();
  await expect(page.locator('[data-station="1"]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(page.getByText('Ready when you are')).toBeVisible();
  await page.getByRole('button', { name: 'Go', exact: true }).click();
}

/** Nothing on a wall may run into anything else: each line of text is as wide as its place at the most. */
const overflowing = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('main li span, main p')]
      .filter((node) => node.clientWidth > 0 && node.scrollWidth > node.clientWidth + 1)
      .map((node) => node.textContent),
  );

test('as many rounds as they can: all of the round on the wall with its counts, rounds counted by whole rows', async ({
  page,
  context,
}) => {
  await teach(
    page,
    'As many rounds as you can in twelve minutes\n10 squats\n8 press-ups\n6 burpees',
    '4 beginners and 3 fit ones',
  );
  await expect(page.locator('[data-now]')).toHaveText('10 Squats, then 8 Press-ups, then 6 Burpees');
  await expect(page.locator('[data-seconds]')).toHaveText(/^1[12]:\d\d$/);
  const wall = await context.newPage();
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
  ] as const) {
    await wall.setViewportSize({ width, height });
    await wall.goto(`${page.url()}/wall`);
    const moves = wall.locator('[data-moves] > li');
    await expect(moves).toHaveCount(3);
    await expect(moves.nth(0)).toContainText('10 Squats');
    await expect(moves.nth(1)).toContainText('8 Press-ups');
    await expect(moves.nth(2)).toContainText('6 Burpees');
    await expect(wall.getByText('as many rounds as you can in 12 min')).toBeVisible();
    await expect(wall.locator('[data-seconds]')).toHaveText(/^1[12]:\d\d$/);
    expect(await overflowing(wall)).toEqual([]);
  }
  // Those of whom the same is said stand in one row: one press counts for all of them.
  const fit = page.locator('[data-person]').filter({ hasText: 'three who move well' });
  await fit.getByRole('button', { name: /rounds \+1/ }).click();
  await expect(fit.getByRole('button', { name: /1 round \+1/ })).toBeVisible();
  await expect(wall.getByText('up to 1 round so far')).toBeVisible();
  // What is easier and harder is of the move that the coach points at, by keyboard too.
  const burpees = page.getByRole('button', { name: '6 Burpees' });
  await burpees.focus();
  await page.keyboard.press('Enter');
  await expect(burpees).toHaveAttribute('aria-pressed', 'true');
  await fit.getByRole('button', { name: 'easier for three who move well' }).click();
  await expect(page.locator('[data-person]').filter({ hasText: 'three who move well' })).not.toContainText(
    'Burpees',
  );
  // One by one, where one of them needs something else.
  await fit.getByRole('button', { name: 'one by one' }).click();
  await expect(page.locator('[data-person]').filter({ hasText: /^moves well/ })).toHaveCount(3);
});

test('every minute: the count stands before each form, what comes next by its count too', async ({
  page,
  context,
}) => {
  await teach(page, 'EMOM 6\nMin 1: 12 squats\nMin 2: 10 press-ups', '3 fit ones');
  const wall = await context.newPage();
  await wall.goto(`${page.url()}/wall`);
  await expect(wall.locator('main li').first()).toContainText('12 Squats');
  await expect(wall.getByText(/^minute 1 of 6/)).toBeVisible();
  await expect(wall.getByText('Next: 10 Press-ups')).toBeVisible();
  expect(await overflowing(wall)).toEqual([]);
});

test('a phone has its person’s own round, each with its own count; a tap shows one of it', async ({
  page,
  browser,
}) => {
  await teach(
    page,
    'As many rounds as you can in twelve minutes\n10 squats\n8 press-ups\n6 burpees',
    '2 beginners and 3 fit ones',
  );
  await page.getByRole('button', { name: 'Phones' }).click();
  await page
    .getByRole('button', { name: /^Make a link/ })
    .last()
    .click();
  const href = (await page.getByRole('link', { name: /\/p\// }).first().getAttribute('href'))!;
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await context.newPage();
  await phone.goto(server.url + new URL(href, server.url).pathname);
  const round = phone.locator('[data-does] button');
  await expect(round).toHaveText([/^10\s*Squats$/, /^8\s*Press-ups$/, /^6\s*Burpees$/]);
  await expect(round.first()).toHaveAttribute('aria-pressed', 'true');
  await round.last().click();
  await expect(round.last()).toHaveAttribute('aria-pressed', 'true');
  await expect(phone.getByText('6 reps')).toBeVisible();
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await context.close();
});

test('a second coach has the easier forms; one sits out, one goes and is back in; what was aimed for is beside what was said', async ({
  page,
  context,
}) => {
  await teach(
    page,
    'Effort 8 of 10, beginners 6\nAs many rounds as you can in twelve minutes\n10 squats\n8 press-ups\n6 burpees',
    '2 beginners and 3 fit ones',
  );
  const second = await context.newPage();
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
  ] as const) {
    await second.setViewportSize({ width, height });
    await second.goto(`${page.url()}/second`);
    const forms = second.locator('[data-easier-forms] > li');
    await expect(forms).toHaveCount(3);
    await expect(forms.nth(1)).toContainText('the two who are new to this');
    await expect(forms.nth(1).locator('[data-easier]')).toBeVisible();
    expect(await second.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
  }
  const news = page.locator('[data-person]').filter({ hasText: /new to this/ });
  // Both do the same, so they stand in one row until the coach wants each by themselves.
  await news.getByRole('button', { name: 'one by one' }).click();
  await expect(news).toHaveCount(2);
  const presses = second.locator('[data-easier-forms] > li').nth(1);
  const before = await presses.locator('.display').textContent();
  // One has gone: the way back in stands where she was.
  await news
    .first()
    .getByRole('button', { name: /leaves$/ })
    .click();
  await expect(news.first()).toContainText('gone');
  await expect(presses).toContainText('the one who is new to this');
  await news
    .first()
    .getByRole('button', { name: /is back in$/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(news.first()).not.toContainText('gone');
  await expect(presses).toContainText('the two who are new to this');
  // The other sits this one out; the second coach goes on with what is still done.
  await page.getByRole('button', { name: '8 Press-ups' }).click();
  await news
    .last()
    .getByRole('button', { name: /^Another move for/ })
    .click();
  await page.getByRole('option', { name: /Sits this one out/ }).click();
  await expect(news.last().locator('[data-does]')).toContainText('easy movement');
  await expect(presses).toContainText('the one who is new to this');
  await expect(presses.locator('.display')).toHaveText(before!);
  // Whoever did a few reps was there.
  await expect(page.getByRole('timer').first()).toContainText(/11:[0-4]\d/);
  // Over: everybody said 10, where 8 was aimed for and 6 by those new to it.
  await page.getByRole('button', { name: 'It is over for today' }).click();
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await page.getByRole('link', { name: 'What came of it' }).click();
  const aimed = page.locator('[data-aimed]');
  await expect(aimed).toHaveText('Aimed for 8 of 10, short sentences; new to this 6 of 10, could chat.');
  await page.getByText('10 all out').first().click();
  await expect(aimed).toContainText('on the whole 10 was said, 5 said far more');
});

test('children see two forms to choose from, and no child beside another', async ({ page, context }) => {
  await teach(page, 'As many rounds as you can in six minutes\n10 squats\n8 press-ups', '6 children aged 10');
  const wall = await context.newPage();
  await wall.goto(`${page.url()}/wall`);
  const moves = wall.locator('[data-moves] > li');
  await expect(moves).toHaveCount(2);
  await expect(moves.first().locator('[data-choice]')).toHaveText(/^or \d+ \w/);
  const rows = page.locator('[data-person]');
  await rows
    .first()
    .getByRole('button', { name: /rounds \+1/ })
    .click();
  await expect(rows.first().getByRole('button', { name: /1 round \+1/ })).toBeVisible();
  await expect(wall.getByText('to beat')).toHaveCount(0);
  expect(await overflowing(wall)).toEqual([]);
});
