import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { decodeLibrary } from '@inner-rung/core/forms';
import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

// The next port is the one it opens to the network: no other test’s server stands there.
const server = new TestServer(4744);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('a move is seen: it moves at its tempo, stands while the pointer is on it, and is still where that is asked', async ({
  page,
  browser,
}) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(`${server.url}/moves/squat`);
  const figure = page.locator('[data-figure="moving"]');
  await expect(figure).toHaveAttribute('aria-label', /^Squat\. From upright.*knees bent/);
  const drawn = () => figure.locator('path').nth(3).getAttribute('d');
  const before = await drawn();
  await expect.poll(drawn).not.toBe(before);
  await figure.hover();
  await page.waitForTimeout(150);
  const stands = await drawn();
  await page.waitForTimeout(400);
  expect(await drawn()).toBe(stands);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG' }).click();
  expect((await download).suggestedFilename()).toBe('squat-1.svg');

  const quiet = await browser.newContext({ reducedMotion: 'reduce' });
  const other = await quiet.newPage();
  await other.goto(`${server.url}/moves/squat`);
  await expect(other.locator('[data-figure="still"]')).toBeVisible();
  await expect(other.locator('[data-figure="moving"]')).toHaveCount(0);
  await quiet.close();
});

test('every move is drawn and agrees with its data; a fault stands faint beside the good pose', async ({
  page,
}) => {
  await page.goto(`${server.url}/figures`);
  await expect(page.getByRole('status')).toHaveText(
    /^\d+ moves drawn of their own, 0 shown by their nearest, 0 without\. 0 findings\.$/,
  );
  // A ladder is drawn when it comes near the window.
  const last = page.getByRole('region').last();
  await expect(last.locator('[data-figure]')).toHaveCount(0);
  await last.scrollIntoViewIfNeeded();
  await expect(last.locator('[data-figure]').first()).toBeVisible();
  await page.goto(`${server.url}/moves/plank`);
  await expect(page.locator('[data-figure="fault"]').first()).toHaveAttribute(
    'aria-label',
    /as it goes wrong: the lower back sags|as it goes wrong: the hips/,
  );
});

/** A move of the trainer's own that looks like nothing in particular yet. */
async function ownMove(page: Page) {
  const file = await (await page.request.get(`${server.url}/api/library`)).body();
  const like = decodeLibrary(new Uint8Array(file).buffer).move('split-squat')!;
  const mine = { ...like, id: 'our-low-split', name: 'Our low split' };
  const put = await page.request.put(`${server.url}/api/changes/move-our-low-split`, {
    headers: { 'If-None-Match': '*' },
    data: { version: 1, id: 'move-our-low-split', kind: 'move', of: 'our-low-split', mine, was: null },
  });
  expect(put.status()).toBe(201);
}

test('a move of one’s own: shown by its nearest, then drawn by hand and by keyboard, no joint past its range', async ({
  page,
}) => {
  await ownMove(page);
  await page.goto(`${server.url}/moves/our-low-split`);
  await expect(page.getByText(/^Not drawn yet: shown as /)).toBeVisible();
  await page.getByRole('link', { name: 'Edit' }).click();
  await page.getByRole('button', { name: 'Draw it from this' }).click();
  const editor = page.getByRole('region', { name: 'Draw it' });
  await expect(editor.getByRole('status')).toContainText('Touches: near foot, far foot.');
  // The second pose, the hips lower by the keyboard: the feet stay where they stand.
  await editor.getByRole('button', { name: '2', exact: true }).click();
  const hips = editor.getByRole('button', { name: /^hips:/ });
  const foot = editor.getByRole('button', { name: /^near foot:/ });
  const height = async () => Number(/(-?\d+) cm up/.exec((await hips.getAttribute('aria-label'))!)![1]);
  const stood = await foot.getAttribute('aria-label');
  const before = await height();
  await hips.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
  await expect.poll(height).toBe(before - 3);
  expect(await foot.getAttribute('aria-label')).toBe(stood);
  // As far as it goes, and in words.
  for (let i = 0; i < 9; i++) await page.keyboard.press('Shift+ArrowDown');
  await expect(editor.getByText(/^It goes no further: /)).toBeVisible();
  expect(await height()).toBeGreaterThan(5);
  // A hand by the pointer.
  const hand = editor.getByRole('button', { name: /^near hand:/ });
  const hung = (await hand.getAttribute('aria-label'))!;
  const from = (await hand.boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y - 80, { steps: 4 });
  await page.mouse.up();
  await expect(hand).not.toHaveAttribute('aria-label', hung);
  const reached = (await hand.getAttribute('aria-label'))!;
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(hand).toHaveAttribute('aria-label', hung);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(hand).toHaveAttribute('aria-label', reached);
  // A chair of three metres is refused in words, and the drawing stays.
  await editor.getByLabel('Something beside it').selectOption('a chair');
  const tall = editor.getByLabel('height, cm');
  await tall.fill('300');
  await tall.press('Tab');
  await expect(editor.getByRole('alert')).toHaveText(
    '300 cm is higher than anybody gets on to: at most 130 cm.',
  );
  await editor.getByRole('button', { name: 'Take away: Chair' }).click();
  await editor.getByLabel('Something beside it').selectOption('a cushion');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Done' }).click();
  await expect(page.getByText('To scale for somebody 1.70 m tall.')).toBeVisible();
  await page.reload();
  await expect(page.locator('[data-figure]').first()).toHaveAttribute('aria-label', /^Our low split\./);
});

test('a card for everybody and one for each station: seen, and as a PDF', async ({ page }, info) => {
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page.getByRole('link', { name: 'Cards' }).click();
  await expect(page.getByRole('status')).toHaveText('6 pages');
  await expect(page.getByRole('img', { name: /^Page 1: .*Maud/ })).toBeVisible();
  // The trainer's own words are on the card, and stay with the session.
  await page.getByRole('button', { name: 'Words' }).click();
  const words = page.getByLabel('1. Jumping jack');
  await words.fill('Quiet feet tonight');
  await words.press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('main').getByText('Quiet feet tonight').first()).toBeVisible();
  await page.reload();
  await expect(page.getByRole('main').getByText('Quiet feet tonight').first()).toBeVisible();
  const cards = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  const file = join(info.outputDir, 'cards.pdf');
  await (await cards).saveAs(file);
  expect(readFileSync(file).subarray(0, 5).toString()).toBe('%PDF-');
  // Nothing private on the wall.
  await page.getByText('a card for each station').click();
  await expect(page.getByRole('status')).toHaveText('10 pages');
  await expect(page.getByRole('main')).not.toContainText(/Maud|Saskia|knee pain/);
  await page.getByText('Letter', { exact: true }).click();
  await expect(page.getByRole('status')).toHaveText('10 pages');
});

test('a ladder on one page for a wall', async ({ page }) => {
  await page.goto(`${server.url}/ladders/push`);
  await page.getByRole('link', { name: 'Poster' }).click();
  await expect(page.getByText('1 page', { exact: true })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Page 1: Push-ups/ })).toBeVisible();
});

test('what the coach holds: class sheet, run sheet and set-up list, each as a PDF too', async ({
  page,
}, info) => {
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  await page.getByRole('link', { name: 'Cards' }).click();
  const paper = page.getByRole('main');
  const saved = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'PDF' }).click();
    const file = await download;
    expect(file.suggestedFilename()).toBe(name);
    await file.saveAs(join(info.outputDir, name));
    return readFileSync(join(info.outputDir, name));
  };
  await page.getByText('class sheet, for you').click();
  await expect(paper.getByText('For the coach only: names and cautions. Not for the wall.')).toBeVisible();
  await expect(paper.getByText('Take care')).toBeVisible();
  await expect(paper.getByText(/Stop at sharp knee pain/).first()).toBeVisible();
  expect((await saved('tuesday-ten-class.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByText('run sheet', { exact: true }).click();
  await expect(paper.getByText(/^rest 20 s\. Next:/).first()).toBeVisible();
  await expect(page).toHaveURL(/what=run/);
  expect((await saved('tuesday-ten-run.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByText('set-up list').click();
  await expect(paper.getByText('The floor, to scale')).toBeVisible();
  await expect(paper.getByText('Who gets what')).toBeVisible();
  await page.getByText('A5', { exact: true }).click();
  await expect(page.getByRole('status').first()).toHaveText(/^[2-9] pages$/);
});

test('words on one person’s card alone; a code that opens it on a phone while the network is let in', async ({
  page,
  browser,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  await page.getByRole('link', { name: 'Cards' }).click();
  await expect(page.getByRole('status').first()).toHaveText('6 pages');
  await page.getByRole('button', { name: 'Words' }).click();
  await page.getByLabel('On whose card').selectOption({ label: 'Maud' });
  const words = page.getByLabel('2. Squat');
  await words.fill('Hands on the chair back, Maud');
  await words.press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByText('Hands on the chair back, Maud')).toHaveCount(1);
  // Shut, a code is refused in words.
  await page.getByText('A code for phones').click();
  await expect(page.getByRole('alert').filter({ hasText: 'The local network is shut.' })).toBeVisible();
  await page.getByText('A code for phones').click();
  const open = await page.request.put(`${server.url}/api/network`, {
    data: { on: true, passcode: 'seven-geese' },
  });
  const { addresses } = (await open.json()) as { addresses: string[] };
  // A machine on no network has nothing to open it from.
  test.skip(addresses.length === 0, 'this machine is on no network');
  const made = page.waitForResponse(
    (answer) => answer.url().endsWith('/api/cards') && answer.status() === 201,
  );
  await page.getByText('A code for phones').click();
  const { tokens } = (await (await made).json()) as { tokens: string[] };
  expect(tokens).toHaveLength(6);
  await expect(page.getByRole('status').first()).toHaveText(/pages$/);
  // Nobody vouches for the machine: whoever holds the phone says to go on.
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    ignoreHTTPSErrors: true,
  });
  const other = await phone.newPage();
  const maud = await page
    .getByRole('img', { name: /^Page \d+: / })
    .evaluateAll((all) => all.findIndex((one) => /Maud/.test(one.getAttribute('aria-label') ?? '')));
  await other.goto(`${addresses[0]}/c/${tokens[maud]}`);
  await expect(other.getByRole('heading', { level: 1, name: 'Maud' })).toBeVisible();
  await expect(other.getByText('Hands on the chair back, Maud')).toBeVisible();
  await expect(other.locator('[data-figure]').first()).toBeVisible();
  expect(await other.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  // Ended, the codes on all papers lead nowhere.
  await page.getByRole('button', { name: 'End every code' }).click();
  await expect(page.getByRole('button', { name: 'End every code' })).toHaveCount(0);
  await other.reload();
  await expect(other.getByRole('heading', { name: 'No card here' })).toBeVisible();
  await other.goto(`${addresses[0]}/c/${'x'.repeat(32)}`);
  await expect(other.getByRole('heading', { name: 'No card here' })).toBeVisible();
  await phone.close();
  await page.request.put(`${server.url}/api/network`, { data: { on: false } });
});

test('a home programme: two sessions, their days, a box for each time, scaled to the living room', async ({
  page,
  browser,
}) => {
  await page.goto(`${server.url}/people/maud-ellery/home`);
  await page.getByLabel('Another session').selectOption({ label: 'Tuesday ten' });
  await page.getByRole('button', { name: 'Mon' }).click();
  await page.getByRole('button', { name: 'Thu' }).click();
  await page.getByLabel('A word of yours at the head of each').fill('After breakfast.');
  const paper = page.getByRole('main');
  await expect(paper.getByText('Tuesday ten, Mondays and Thursdays')).toBeVisible();
  await expect(paper.getByText(/^After breakfast\. How hard/)).toBeVisible();
  const stations = await paper.getByText(/^(10|[1-9])$/).count();
  expect(stations).toBe(10);
  // Four weeks of two days: eight boxes a line.
  await expect(paper.locator('rect')).toHaveCount(80);
  await page.getByLabel('Another session').selectOption({ index: 1 });
  await expect(paper.getByText('Maud: session 2', { exact: true })).toBeVisible();
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  // Kept with her, not in this browser.
  const elsewhere = await browser.newPage();
  await elsewhere.goto(`${server.url}/people/maud-ellery/home`);
  await expect(elsewhere.getByRole('main').getByText('Maud: session 2', { exact: true })).toBeVisible();
  await elsewhere.close();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(paper.getByText('Maud: session 2', { exact: true })).toHaveCount(0);
});

test('a home programme says where somebody isn’t to be left alone with it, and there is none for who mayn’t train', async ({
  page,
}) => {
  const has = async (name: string) => {
    await page.goto(`${server.url}/people/saskia-dorn/limits`);
    await page.getByRole('button', { name: `Add ${name}` }).click();
    await expect(page.locator('[data-save="saved"]')).toBeVisible();
    await page.goto(`${server.url}/people/saskia-dorn/home`);
  };
  await has('Has fallen in the last year');
  await page.getByLabel('Another session').selectOption({ label: 'Tuesday ten' });
  await expect(page.getByRole('main').getByText(/^Only with somebody beside you\./)).toBeVisible();
  // A recent heart attack waits for a doctor's word: no paper to take home meanwhile.
  await has('Heart attack, stent');
  await expect(page.getByRole('heading', { name: 'No programme for Saskia Dorn yet' })).toBeVisible();
  await expect(page.getByLabel('Another session')).toHaveCount(0);
});
