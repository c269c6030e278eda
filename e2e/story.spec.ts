import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4701);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const saved = (page: Page) => expect(page.locator('[data-save="saved"]')).toBeVisible();
const floor = (page: Page) => page.getByRole('group', { name: /^The floor/ }).locator('visible=true');
const stationOnFloor = (page: Page, n: number) =>
  floor(page).getByRole('button', { name: new RegExp(`^Station ${n}:`) });
const reason = (page: Page) => page.locator('[data-reason]');

test('a trainer scales the circuit for somebody, changes it, prints a card and finds it all again', async ({
  page,
}) => {
  await page.goto(server.url);
  await expect(page.getByLabel('Title of the session')).toHaveValue('Tuesday ten');
  await expect(stationOnFloor(page, 10)).toBeVisible();

  await test.step('somebody else, somewhere else', async () => {
    await page.getByText('Tomas', { exact: true }).click();
    await stationOnFloor(page, 7).locator('text').first().click();
    await expect(reason(page)).toContainText('Forearm plank for plank: no weight through the wrists');
    await page.getByText('Maud', { exact: true }).click();
    await expect(stationOnFloor(page, 1)).toHaveAccessibleName(/Step jack, arms low, for Jumping jack/);
    await page.getByLabel('Where').selectOption({ label: 'A front room, people below' });
    await expect(stationOnFloor(page, 3)).toHaveAccessibleName(/43 cm|Wall push-up|band press/i);
    await page.getByLabel('Where').selectOption({ label: 'Tannery Lane Hall' });
  });

  await test.step('the impact and ability dials redraw the floor', async () => {
    await page.getByText('Saskia', { exact: true }).click();
    await expect(stationOnFloor(page, 1)).toHaveAccessibleName(/Jumping jack/);
    await page.getByLabel('Impact').fill('1');
    await expect(stationOnFloor(page, 1)).toHaveAccessibleName(/Step jack.*for Jumping jack/);
    await stationOnFloor(page, 1).locator('text').first().click();
    await expect(reason(page)).toContainText('one foot stays down');
    await expect(reason(page)).toContainText(/Pick up the pace to \d+ a minute/);
    await page.getByLabel('Ability').fill('0');
    await expect(stationOnFloor(page, 3)).toHaveAccessibleName(/hands raised/);
  });

  await test.step('the clock: work, rest, rounds', async () => {
    await page.getByLabel('Work').fill('30');
    await page.getByLabel('Rest', { exact: true }).fill('15');
    await page.getByLabel('Rounds', { exact: true }).fill('3');
    await expect(floor(page)).toContainText('23:45');
    await page.getByLabel('Work').fill('3');
    await expect(page.getByRole('alert')).toHaveText('5 to 600');
    await page.getByLabel('Work').blur();
    await expect(floor(page)).toContainText('23:45');
  });

  await test.step('another move at a station, by its everyday name', async () => {
    await stationOnFloor(page, 9).locator('text').first().click();
    await page.getByRole('button', { name: 'Change move' }).click();
    await page.getByRole('combobox', { name: /everyday twin/ }).fill('russian twst');
    await page.getByRole('option', { name: /Russian twist, feet up/ }).click();
    await expect(page.getByRole('complementary').or(page.locator('aside'))).toContainText(
      'for russian twist, feet up',
    );
  });

  await test.step('undo and redo', async () => {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(stationOnFloor(page, 9)).toHaveAccessibleName(/for Sit-up/);
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(stationOnFloor(page, 9)).toHaveAccessibleName(/for Russian twist, feet up/);
  });

  await saved(page);
  await test.step('a reload, then a stopped and started server: everything as it was', async () => {
    const before = (await floor(page).textContent())!;
    await page.reload();
    await expect(floor(page)).toHaveText(before);
    await server.stop();
    await server.start();
    await page.goto(server.url);
    await expect(page.getByLabel('Impact')).toHaveValue('1');
    await expect(page.getByLabel('Ability')).toHaveValue('0');
    await expect(page.getByRole('radio', { name: 'Saskia' })).toBeChecked();
    await expect(floor(page)).toContainText('23:45');
  });

  await test.step('a card of one A4 page', async () => {
    await page.getByRole('link', { name: 'Card' }).click();
    const card = page.getByRole('img', { name: /^Page 1: .*Saskia Dorn/ });
    await expect(card.getByText(/^(10|[1-9])$/)).toHaveCount(10);
    await expect(card).toContainText('23:45');
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
    const box = /\/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)/.exec(pdf)!;
    expect([Math.round(Number(box[1])), Math.round(Number(box[2]))]).toEqual([595, 842]);
  });
});

test('every card of the demo fits its page, long circuits too', async ({ page }) => {
  for (const plan of ['tuesday-ten', 'twelve-by-thirty']) {
    await page.goto(`${server.url}/plan/${plan}`);
    for (const name of ['Maud', 'Tomas', 'Ines', 'Jory', 'Nev']) {
      await page.getByText(name, { exact: true }).click();
      await saved(page);
      await page.getByRole('link', { name: 'Card' }).click();
      await expect(page.getByRole('img', { name: new RegExp(`^Page 1: .*${name}`) })).toBeVisible();
      // Ten stations are a page; twelve, some with a long caution, are two at the most.
      await expect(page.getByRole('status').first()).toHaveText(
        plan === 'tuesday-ten' ? '1 page' : /^[12] pages?$/,
      );
      await page.getByRole('link', { name: /Back/ }).click();
    }
  }
});

test('pasting a circuit: lines settle, the clock is read, undo brings the old one back', async ({ page }) => {
  await page.goto(`${server.url}/plan/twelve-by-thirty`);
  await expect(floor(page)).toContainText('8:30');
  await page.getByRole('button', { name: /Paste/ }).click();
  await page
    .getByLabel(/as you write it/)
    .fill(
      'Thursday five\n30/15 x 3, 1 min between rounds\nPress-ups\nSquats\nBanana hops\nplank\nJumping jacks',
    );
  await expect(page.getByRole('status').filter({ hasText: 'as you teach it' })).toHaveText(
    '5 stations · 30 on, 15 off, 3 rounds · 1 as you teach it',
  );
  await page.getByRole('button', { name: 'Lay out 5 stations' }).click();
  await expect(page.getByLabel('Title of the session')).toHaveValue('Thursday five');
  await expect(floor(page)).toContainText('12:30');
  await expect(floor(page)).toContainText('Banana hops');
  await page.keyboard.press('Control+z');
  await expect(floor(page)).toContainText('8:30');
});

test('from the page of circuits: paste with nothing set up, and land on its floor', async ({ page }) => {
  await page.goto(`${server.url}/circuits`);
  await page.getByLabel(/as you write it/).fill('40/20 x 2\nsquat\nburpees\nrow');
  await page.getByLabel('“row” means').selectOption({ label: 'Standing row' });
  await page.getByRole('button', { name: 'Lay out 3 stations' }).click();
  await expect(stationOnFloor(page, 2)).toBeVisible();
  await saved(page);
  await page.goto(`${server.url}/circuits`);
  await expect(page.getByRole('link', { name: /New session/ })).toBeVisible();
});

test('the best order of the stations, one kept in its place, and a time to fit', async ({ page }) => {
  await page.goto(`${server.url}/plan/tuesday-ten`);
  await page.getByRole('button', { name: 'Best order…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Best order' });
  const floorChanges = dialog.locator('[data-count="floorChanges"] td');
  await expect(floorChanges).toHaveCount(2);
  const [now, best] = await floorChanges.allTextContents();
  expect(Number(best)).toBeLessThan(Number(now));
  await dialog.getByRole('checkbox', { name: /^Keep 10, Burpee/ }).check();
  await expect(dialog.getByRole('region', { name: 'Best' }).getByRole('listitem').nth(9)).toContainText(
    'Burpee',
  );
  await dialog.getByRole('button', { name: 'Take this order' }).click();
  await expect(stationOnFloor(page, 10)).toHaveAccessibleName(/Burpee/);
  await page.keyboard.press('Control+z');
  await expect(stationOnFloor(page, 1)).toHaveAccessibleName(/Jumping jack/);

  await page.getByText('Fit it to a time').click();
  await page.getByLabel(/I have/).fill('33');
  const offer = page.locator('[data-fit="rounds"]');
  const rounds = /^\d+/.exec((await offer.textContent()) ?? '')?.[0] ?? 'none';
  await offer.click();
  await expect(page.getByLabel('Rounds', { exact: true })).toHaveValue(rounds);
  await page.getByLabel(/I have/).fill('1');
  await expect(page.getByRole('alert')).toHaveText('No one change brings it there.');
});
