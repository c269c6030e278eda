import { expect, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4731, false);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

/** A session of each format as a trainer writes it, and what the page says of its clock. */
const PASTES: readonly (readonly [name: string, text: string, clock: string])[] = [
  [
    'intervals',
    '30 seconds each, 10 between\nsquats\npress-ups\nplank\ntwice through',
    '30 on, 10 off, twice',
  ],
  [
    'as many rounds',
    'As many rounds as you can in twelve minutes\n10 squats\n8 press-ups\n6 burpees',
    'as many rounds as you can in 12 min',
  ],
  ['every minute', 'EMOM 6\nMin 1: 12 squats\nMin 2: 10 press-ups', 'every minute a station, 6 minutes'],
  [
    'for time',
    '3 rounds for time, cap 12 minutes\n15 kettlebell swings\n12 box jumps',
    '12 min or 3 rounds, whichever comes first',
  ],
  [
    'rounds',
    'Complete 3 rounds of:\n15 squats\n10 press-ups\n30 sec plank',
    '3 rounds by count, 0 s between',
  ],
  [
    'sets',
    '3 sets of 10, 60 seconds rest\nGoblet squats @ 12 kg\nRomanian deadlifts',
    '3 sets each, 60 s between',
  ],
  ['supersets', 'Superset 1 x 3\n10 squats\n10 rows', 'pairs, 3 times each, 0 s after a pair'],
  [
    'pyramid',
    'Pyramid 2, 4, 6, 8, 10 and back down\nsquats\npress-ups',
    '2-4-6… to 10 and back to 2 of each',
  ],
  ['descending', '5-4-3-2-1 of each\nburpees\nsquats', '5-4-3-2-1, once'],
  ['tabata', 'Tabata\nsquats\nmountain climbers', '20 s hard, 10 off, 8 times'],
  [
    'levels on one clock',
    'Green stop at 20, yellow 30, red 40 seconds, 20 seconds rest\nsquats\nstar jumps',
    '20, 30, 40 of 40 s, 20 off, once',
  ],
  [
    'a sentence',
    'We start with 30 seconds of jumping jacks, then 30 seconds of squats and finish with a 30 second plank.',
    '30 on, 0 off, once',
  ],
];

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const)
  test.describe(`at ${width} by ${height}`, () => {
    test.use({ viewport: { width, height } });
    for (const [name, text, clock] of PASTES)
      test(`${name}: pasted, and on the page to teach from in one go`, async ({ page }) => {
        await page.goto(`${server.url}/circuits`);
        const use = page.getByRole('button', { name: 'One page to teach from' });
        await page.getByLabel(/as you write it/).fill(text);
        await page.getByLabel(/in your words/).fill('12 people, two sore knees, one with a tremor');
        // Both ways on are in sight, however long the paste.
        await expect(use).toBeInViewport();
        await expect(page.getByRole('button', { name: /^Lay out/ })).toBeInViewport();
        await use.click();
        await expect(page.locator('[data-station="1"]').first()).toBeVisible();
        await expect(page.getByText(clock).first()).toBeVisible();
        // What isn't understood stands on the page, and nobody is lost.
        await expect(page.getByText(/^12 people/)).toBeVisible();
        await expect(page.getByRole('button', { name: /“tremor”, not understood/ }).first()).toBeVisible();
      });
  });

test('a name nobody knows is a station of its own, its readings beside it, by keyboard', async ({ page }) => {
  await page.goto(`${server.url}/circuits`);
  const box = page.getByLabel(/as you write it/);
  await box.fill(`${'squats\n'.repeat(30)}Wolfram swoops\nstar jumps`);
  await expect(page.getByRole('button', { name: 'One page to teach from' })).toBeInViewport();
  const reading = page.getByTestId('reading');
  await expect(reading.getByText('as you teach it; nothing easier')).toBeVisible();
  // A press on a line of the reading shows it in the text.
  await reading.getByRole('button', { name: 'Wolfram swoops' }).focus();
  await page.keyboard.press('Enter');
  await expect(box).toBeFocused();
  expect(
    await box.evaluate((area: HTMLTextAreaElement) =>
      area.value.slice(area.selectionStart, area.selectionEnd),
    ),
  ).toBe('Wolfram swoops');
  await page.getByLabel('“star jumps” means').selectOption({ label: 'Star jump' });
  await expect(page.getByLabel('rounds').first()).toHaveValue('1');
  await page.getByLabel('rounds').first().fill('2');
  await page.goto(`${server.url}/people`);
  await page.goBack();
  await expect(box).toHaveValue(/Wolfram swoops/);
  await page.getByRole('button', { name: /^Lay out 32 stations/ }).click();
  await expect(page.getByLabel('Title of the session')).toBeVisible();
  await expect(page.getByLabel('Rounds', { exact: true })).toHaveValue('2');
});

test('a trainer’s own ways are theirs everywhere once they say so, in the English they speak', async ({
  page,
}) => {
  await page.goto(`${server.url}/circuits`);
  await page.getByLabel(/as you write it/).fill('30/15 x 2\nPush-ups\neasier: knee push-ups\nSquats\nPlank');
  await page.getByRole('button', { name: 'from now on, everywhere' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'from now on, everywhere' })).toHaveCount(0);
  await page.goto(`${server.url}/yours`);
  await page.getByRole('link', { name: 'Push-up, own ways' }).click();
  await expect(page.getByRole('heading', { name: 'Push-up, own ways' })).toBeVisible();
  await page.goto(`${server.url}/settings`);
  await page.getByText('British: press-up, on the spot').click();
  await page.goto(`${server.url}/ladders`);
  await expect(page.getByText('Knee press-up').first()).toBeVisible();
  await expect(page.getByText('Knee push-up')).toHaveCount(0);
});
