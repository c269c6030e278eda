import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const bare = new TestServer(4716, false);
const server = new TestServer(4717);
test.beforeAll(async () => {
  await bare.start();
  await server.start();
});
test.afterAll(async () => {
  await bare.stop();
  await server.stop();
});

const CIRCUIT = `Wednesday mix
40/20 x 2
Jumping jacks
Squats
Press-ups
High knees
Lunges
Plank
Sit-ups
Burpees`;

const station = (page: Page, n: number) => page.locator(`[data-station="${n}"]`);

test('nothing set up: a circuit pasted, fourteen people by number, one page to teach from', async ({
  page,
}) => {
  await page.goto(bare.url);
  await page.getByLabel(/as you write it/).fill(CIRCUIT);
  await page
    .getByLabel('Who is here, in your words')
    .fill('14 people, two sore knees, one no floor, one pregnant, two teenagers, one sore wrist');
  await page.getByLabel('Where').selectOption({ label: 'School hall' });
  await page.getByRole('button', { name: 'One page to teach from' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Wednesday mix' })).toBeVisible();
  await expect(page.getByText(/^14 people/)).toBeVisible();
  await expect(station(page, 8)).toBeVisible();
  for (let n = 1; n <= 8; n++) {
    const forms = station(page, n).locator('.display');
    expect(await forms.count()).toBeGreaterThanOrEqual(2);
    // Its number, what was written and three others.
    expect(await forms.count()).toBeLessThanOrEqual(5);
  }
  // Somebody who stays off the floor has no floor anywhere; the sore knees have no jump.
  await expect(station(page, 1)).toContainText('sore knees');
  await expect(page.locator('[data-say]').first()).toContainText(/Show the .* first\. Then .* for the/);
  await expect(page.getByText(/No plan with at most three/)).toBeVisible();

  // People who came by number are alike: what is said of them is of all of them, unless it is of one.
  const alike = page.getByRole('region', { name: 'Who is here' }).getByRole('button', { name: /^seven / });
  const given = page.getByRole('button', { name: /wants more ×/ });
  await alike.click();
  await expect(page.getByLabel('all seven of them')).toBeChecked();
  await page.getByRole('dialog').getByText('wants more', { exact: true }).click();
  await expect(given).toHaveText(/^seven /);
  await given.click();
  await expect(given).toHaveCount(0);
  await alike.click();
  await page.getByRole('dialog').getByText('one of them', { exact: true }).click();
  await page.getByRole('dialog').getByText('wants more', { exact: true }).click();
  await expect(given).toHaveText(/^one /);
});

test('late changes in two taps: somebody more, somebody away, a knee that is sore today', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten?group=thursday-morning`);
  await page.getByRole('link', { name: 'Class' }).click();
  await expect(page.getByText(/^14 people/)).toBeVisible();
  await expect(station(page, 1)).toBeVisible();

  await page.getByRole('button', { name: 'Somebody more' }).click();
  await page.getByRole('button', { name: 'sore knees', exact: true }).last().click();
  await expect(page.getByText(/^15 people/)).toBeVisible();
  const changes = page.locator('[data-changes]');
  await expect(changes).toBeVisible();
  // Where a piece more is needed than there is, one station may be told anew, and no other.
  const stations = ((await changes.textContent()) ?? '').match(/station \d+/g) ?? [];
  expect(stations).toHaveLength(Number(await changes.getAttribute('data-changes')));
  expect(new Set(stations).size).toBeLessThanOrEqual(1);

  const here = page.getByRole('region', { name: 'Who is here' });
  await here
    .getByRole('button', { name: /finding their feet/ })
    .first()
    .click();
  await page.getByLabel('knee is sore').click();
  await expect(here.getByRole('button', { name: /finding their feet, sore today/ })).toBeVisible();

  await here.getByRole('button', { name: /stays off the floor/ }).click();
  await page.getByLabel('Not here today').click();
  await expect(page.getByText(/^14 people/)).toBeVisible();

  await page.reload();
  await expect(page.getByText(/^14 people/)).toBeVisible();
  await expect(here.getByRole('button', { name: /finding their feet, sore today/ })).toBeVisible();
});

test('a form that isn’t wanted goes, and comes back when that is taken back; the wall shows no names', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten?group=thursday-morning`);
  await page.getByRole('link', { name: 'Class' }).click();
  const first = station(page, 1).getByRole('button', { name: 'Jumping jack', exact: true });
  await first.click();
  await page.getByRole('button', { name: 'Not this one here' }).click();
  await expect(first).toHaveCount(0);
  await page
    .getByRole('list', { name: 'As you wanted it' })
    .getByRole('button', { name: 'Take back' })
    .click();
  await expect(first).toHaveCount(1);

  await page.getByRole('button', { name: 'For the wall' }).click();
  await expect(page.getByText('sore knees')).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Who is here' })).toHaveCount(0);
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)!.length).toBeLessThanOrEqual(2);
});

test('a correction becomes a rule: what somebody would rather not do isn’t given to them again', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/twelve-by-thirty?group=tuesday-evening`);
  await page.getByRole('link', { name: 'Class' }).click();
  const jacks = station(page, 1);
  await expect(jacks).toBeVisible();
  const did = await jacks.textContent();
  await jacks.getByRole('button', { name: 'Maud' }).click();
  const rule = page.getByRole('button', { name: /^Rather not .*, ever$/ });
  const move = (await rule.textContent())!.replace(/^Rather not |, ever$/g, '');
  await rule.click();
  await expect(jacks).not.toHaveText(did!);
  await expect(page.locator('[data-changes]')).toContainText('Maud');
  await page.goto(`${server.url}/people/maud-ellery/who`);
  await expect(
    page.getByRole('button', { name: new RegExp(`^No longer dislikes ${move}`, 'i') }),
  ).toBeVisible();
});

test('somebody is given something else; what isn’t open to them is said, and they keep what they had', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten?group=tuesday-evening`);
  await page.getByRole('link', { name: 'Class' }).click();
  const last = station(page, 10);
  await expect(last).toBeVisible();
  const give = async (move: string) => {
    await last.getByRole('button', { name: /Tomas/ }).click();
    await page.getByRole('button', { name: 'Something else…' }).click();
    await page.getByRole('combobox', { name: /everyday twin/ }).fill(move);
    await page.getByRole('option').first().click();
  };
  const wished = page.getByRole('list', { name: 'As you wanted it' });
  await give('Burpee');
  await expect(wished).toContainText('Burpee, but it isn’t open to them here');
  await give('Sit, stand and reach');
  await expect(wished).toContainText(/Given: Sit, stand and reach/);
  await expect(last).toContainText('Sit, stand and reach');

  // Two forms at the most: every other face of today says the same.
  await page.getByRole('group', { name: 'Other forms, at most' }).getByText('2', { exact: true }).click();
  await expect(last).toContainText('Sit, stand and reach');
  await page.goto(`${page.url().replace('/class', '/setup')}`);
  const tomas = page
    .getByRole('listitem')
    .filter({ hasText: 'Sit, stand and reach' })
    .filter({ hasText: 'Tomas' });
  await expect(tomas.first()).toBeVisible();
  await page.goto(page.url().replace('/setup', '/class'));
  await expect(page.getByRole('radio', { name: '2', exact: true }).first()).toBeChecked();
  await expect(last).toContainText('Sit, stand and reach');
});

test('what is changed while somebody is looked at is asked: for them alone, or for everybody', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten`);
  const panel = page.getByRole('region', { name: 'Station 3' });
  await page
    .getByRole('button', { name: /^Station 3:/ })
    .locator('text')
    .first()
    .click();
  await expect(panel).toBeVisible();
  const written = async () => {
    const body = await (await page.request.get(`${server.url}/api/plans/tuesday-ten`)).json();
    return body.body.blocks[0].stations[2].move as string;
  };
  const before = await written();
  const open = panel.locator('[data-rung]:not(:has(.line-through))');
  await open.last().click();
  const name = await page.getByRole('dialog').getByRole('heading').textContent();
  await page.getByRole('button', { name: /, in this session$/ }).click();
  await expect(page.locator('[data-given]')).toContainText(name!);
  await expect(panel.getByRole('heading', { level: 2 })).toContainText(name!);
  expect(await written()).toBe(before);
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(page.locator('[data-given]')).toHaveCount(0);

  await open.last().click();
  await page.getByRole('button', { name: /^For everybody/ }).click();
  await expect.poll(written).not.toBe(before);
});
