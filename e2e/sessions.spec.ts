import { readFileSync } from 'node:fs';
import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4715);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const saved = (page: Page) => expect(page.locator('[data-save="saved"]')).toBeVisible();
const blocks = (page: Page) => page.getByRole('navigation', { name: 'Blocks of the session' });
const finding = (page: Page, check: string) =>
  page.getByRole('region', { name: 'Worth a look' }).locator(`[data-check="${check}"]`);

const PASTED = `Thursday hall

Circuit 1: 40/5 x 3, 1 min between rounds
Press-ups
Planks
Push-ups and turn
Squats
Standing rows
Lunges

Circuit 2: AMRAP 8
10 squats, 8 push-ups, 30s plank
12 step jacks

Challenge: 3 rounds for time, 6 min cap
10 sit-ups
8 burpees

Finisher: 20/10 x 8
High knees`;

test('a session of four formats from a pasted list: mended, fitted to 40 minutes, its run sheet printed', async ({
  page,
}) => {
  await page.goto(`${server.url}/circuits`);
  await page.getByLabel(/as you write it/).fill(PASTED);
  await expect(page.getByRole('status').filter({ hasText: 'stations' })).toContainText('4 blocks');
  await page.getByRole('button', { name: /^Lay out/ }).click();
  await expect(page.getByLabel('Title of the session')).toHaveValue('Thursday hall');
  await saved(page);

  await test.step('four blocks, four formats', async () => {
    await expect(blocks(page).getByRole('button', { name: /Circuit 1.*40 on, 5 off/ })).toBeVisible();
    await expect(blocks(page).getByRole('button', { name: /Circuit 2.*as many rounds/ })).toBeVisible();
    await expect(blocks(page).getByRole('button', { name: /Challenge.*6 min or 3 rounds/ })).toBeVisible();
    await expect(blocks(page).getByRole('button', { name: /Finisher.*4:00.*8 times/ })).toBeVisible();
  });

  await test.step('three findings, a tap each', async () => {
    await expect(finding(page, 'same joint')).toContainText('load the wrists');
    await finding(page, 'same joint').getByRole('button', { name: 'Best order…' }).click();
    await page
      .getByRole('dialog', { name: 'Best order' })
      .getByRole('button', { name: 'Take this order' })
      .click();
    await expect(finding(page, 'same joint')).toHaveCount(0);

    await page.getByRole('button', { name: 'Build' }).click();
    await page.getByLabel('The clock is for').selectOption('older adults');
    await expect(finding(page, 'rest too short')).toBeVisible();
    await finding(page, 'rest too short')
      .getByRole('button', { name: /^Rest \d+ s$/ })
      .click();
    await expect(finding(page, 'rest too short')).toHaveCount(0);
    await page.getByLabel('The clock is for').selectOption('adults');

    const more = page.getByRole('region', { name: 'Worth a look' }).getByRole('button', { name: /more/ });
    if (await more.isVisible()) await more.click();
    await finding(page, 'warm-up').getByRole('button', { name: 'Make one' }).click();
    await expect(finding(page, 'warm-up')).toHaveCount(0);
    await expect(blocks(page).getByRole('button', { name: /Warm-up/ })).toHaveAttribute(
      'aria-current',
      'true',
    );
  });

  await test.step('one more is let stand, with a reason that is kept', async () => {
    const first = page.getByRole('region', { name: 'Worth a look' }).getByRole('listitem').first();
    const check = await first.getAttribute('data-check');
    await first.getByRole('button', { name: 'Let it stand' }).click();
    await first.getByLabel('Because').fill('they know it');
    await first.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('list', { name: 'Let stand' })).toContainText('they know it');
    const kept = async () =>
      (await (await page.request.get(`${server.url}/api/plans`)).json())[0].body.accepted;
    await expect.poll(kept).toMatchObject([{ check, why: 'they know it' }]);
  });

  await test.step('fitted to 40 minutes', async () => {
    await page.getByText('Fit it to a time').click();
    await page.getByLabel(/I have/).fill('40');
    const offers = page.locator('[data-fit]');
    expect(await offers.count()).toBeGreaterThan(1);
    await offers.first().click();
    const { id } = (await (await page.request.get(`${server.url}/api/plans`)).json())[0];
    const length = async () => {
      const stored = await (await page.request.get(`${server.url}/api/plans/${id}`)).json();
      const answer = await page.request.post(`${server.url}/api/timeline`, { data: stored.body });
      return (await answer.json()).lengthSeconds as number;
    };
    await expect.poll(length).toBeLessThanOrEqual(2400);
    expect(await length()).toBeGreaterThan(2100);
  });

  await test.step('the run sheet: what is now, what is next, on paper too', async () => {
    await page.getByRole('link', { name: 'Run sheet' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Thursday hall' })).toBeVisible();
    await expect(page.getByRole('heading', { level: 2 })).toHaveCount(5);
    await expect(page.locator('[data-line="rest"]').first()).toContainText(/rest \d+ s\. Next: /);
    await expect(page.getByText(/Expect .* rounds\./)).toBeVisible();
    await page.getByRole('link', { name: 'On paper' }).click();
    await expect(page.getByRole('status').first()).toHaveText(/^[1-9] pages?$/);
    const shown = Number((await page.getByRole('status').first().textContent())!.split(' ')[0]);
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    // What prints is what is seen: as many pages, none of them empty.
    expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(shown);
  });
});

test('built by typing and by keyboard: stations added, asked about, moved, doubled, taken out, undone', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/twelve-by-thirty`);
  await page.getByRole('button', { name: 'Build' }).click();
  const circuit = page.getByRole('region', { name: 'Circuit', exact: true });
  const rows = circuit.getByRole('listitem');
  await expect(rows).toHaveCount(12);

  await circuit.getByLabel('Add stations to Circuit').fill('10 squats, 8 wibbles, 40s plank');
  await expect(circuit.getByText('“wibbles” stands as you teach it')).toBeVisible();
  await expect(circuit.getByRole('button', { name: 'Add 3' })).toBeEnabled();
  await circuit.getByLabel('Add stations to Circuit').fill('10 squats, 8 burpees, 40s plank');
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(15);
  await expect(rows.nth(12)).toContainText('Squats, 10 reps');
  await expect(rows.nth(14)).toContainText('Plank, 40 s');

  await rows.nth(12).getByRole('button', { name: 'Drag Squats' }).focus();
  const spoken = page.locator('[id^="DndLiveRegion"]');
  await page.keyboard.press('Space');
  await expect(spoken).toHaveText(/^(Holding|Over) Squats, station 13/);
  await page.keyboard.press('ArrowDown');
  await expect(spoken).toHaveText('Over Burpees, station 14.');
  await page.keyboard.press('Space');
  await expect(rows.nth(13)).toContainText('Squats, 10 reps');
  await rows.nth(13).getByRole('button', { name: 'Squats once more' }).click();
  await expect(rows).toHaveCount(16);
  await rows.nth(14).getByRole('button', { name: 'Take out Squats' }).click();
  await expect(rows).toHaveCount(15);
  for (let n = 0; n < 4; n++) await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(12);
});

test('a dose in full: reps in pieces, tempo, load, a chain; what makes no sense is said by the field', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten?station=2`);
  const panel = page.getByRole('region', { name: 'Station 2' });
  await panel.locator('[data-dose] summary').click();
  await panel.getByLabel('Counted in').selectOption('reps');
  await panel.getByLabel('How many').fill('12');
  await panel.getByLabel('Tempo').fill('three');
  await expect(panel.getByRole('alert')).toHaveText('four digits: lower, pause, lift, pause, as 3-1-1-0');
  await panel.getByLabel('Tempo').fill('3-1-1-0');
  await panel.getByLabel('In pieces').fill('6 + 6');
  await panel.getByLabel('Load').fill('8');
  await expect(panel.locator('[data-dose] summary')).toContainText('6 + 6, 3-1-1-0, 8 kg');
  await panel.getByRole('button', { name: 'Then something more' }).click();
  await page.getByRole('combobox', { name: /everyday twin/ }).fill('shoulder tap');
  await page.keyboard.press('Enter');
  await expect(panel.locator('[data-dose] summary')).toContainText('then');
  await saved(page);
  await page.reload();
  await expect(panel.locator('[data-dose] summary')).toContainText('6 + 6, 3-1-1-0, 8 kg');
});

test('every format can be chosen, and the ribbon reads it', async ({ page }) => {
  await page.goto(`${server.url}/plan/twelve-by-thirty`);
  const format = page.getByLabel('Format');
  await expect(format).toBeVisible();
  const kinds = await format.locator('option').allTextContents();
  expect(kinds.length).toBeGreaterThanOrEqual(15);
  const ribbon = page.getByRole('slider', { name: 'Along the session' });
  for (const kind of kinds) {
    await format.selectOption({ label: kind });
    await ribbon.focus();
    await page.keyboard.press('ArrowRight');
    await expect(ribbon).toHaveAttribute('aria-valuetext', /\d+:\d\d · /);
    await expect(page.getByRole('figure', { name: /^The session to scale: [1-9]/ })).toBeVisible();
  }
});

test('a file out and in again is the same session; another file is refused with where and why', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/twelve-by-thirty`);
  await page.getByRole('button', { name: /^More/ }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Keep it as a file' }).click(),
  ]);
  const text = readFileSync(await download.path(), 'utf8');
  await page.goto(`${server.url}/circuits`);
  await page.getByLabel('A session’s file').setInputFiles({
    name: 'wrong.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text.replace('"sides": "', '"sides": "never ')),
  });
  await expect(page.getByRole('alert')).toContainText('blocks.0.stations.0.sides');
  const own = JSON.parse(text);
  await page.getByLabel('A session’s file').setInputFiles({
    name: 'session.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text.replace(own.id, 'from-a-file')),
  });
  await saved(page);
  const stored = await (await page.request.get(`${server.url}/api/plans/from-a-file`)).json();
  expect(stored.body).toEqual({ ...own, id: 'from-a-file' });
});

test('the shelf: found by a tag and a move, taken as a copy, deleted again', async ({ page }) => {
  await page.goto(`${server.url}/circuits`);
  await page.getByRole('button', { name: 'seated', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Chair morning/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Hall thirty/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'seated', exact: true }).click();
  await page.getByLabel('Find').fill('skater hop');
  await expect(page.getByRole('button', { name: /^Chair morning/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Hall thirty/ }).click();
  await saved(page);
  await page.getByRole('button', { name: /^More/ }).click();
  await page.getByRole('button', { name: 'Delete it' }).click();
  await page.getByRole('button', { name: 'Delete “Hall thirty”' }).click();
  await expect(page.getByRole('heading', { name: /Your sessions/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Hall thirty/ })).toHaveCount(0);
});

test('a warm-up made from the circuit can be made again for other minutes, and edited', async ({ page }) => {
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await page.getByText('Add a block').first().click();
  await page.getByRole('button', { name: 'Warm-up, made from the circuit' }).click();
  await page.getByRole('button', { name: 'Build' }).click();
  const warm = page.getByRole('region', { name: 'Warm-up', exact: true });
  await expect.poll(() => warm.getByRole('listitem').count()).toBeGreaterThan(4);
  const before = await warm.getByRole('listitem').count();
  await warm.getByLabel('Minutes').fill('15');
  await warm.getByRole('button', { name: 'Make it from the circuit' }).click();
  await expect.poll(() => warm.getByRole('listitem').count()).toBeGreaterThan(before);
  await warm
    .getByRole('button', { name: /^Take out .* walk/i })
    .first()
    .click();
  await page.keyboard.press('Control+z');
});
