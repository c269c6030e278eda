import { connect } from 'node:tls';
import { expect, type Page, test } from '@playwright/test';
import { TestServer } from './server.ts';

// The next port is the one it opens to the network: no other test’s server stands there.
const server = new TestServer(4730);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const seconds = (page: Page) => page.locator('[data-seconds]');
const row = (page: Page, id: string) => page.locator(`[data-person="${id}"]`);

/** From the class page to a run that goes. */
async function begin(page: Page) {
  await page.goto(`${server.url}/plan/tuesday-ten?group=tuesday-evening`);
  await page.getByRole('link', { name: 'Class' }).click();
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(page.getByText('Ready when you are')).toBeVisible();
  await page.getByRole('button', { name: 'Go', exact: true }).click();
  await expect(page.locator('[data-now]')).toHaveText('Jumping jack');
}

test('a mixed class on three pages at once, the server killed in the middle, recorded, decided', async ({
  page,
  context,
}) => {
  test.slow();
  await begin(page);
  const second = await context.newPage();
  await second.goto(page.url());
  const wall = await context.newPage();
  await wall.goto(`${page.url()}/wall`);
  const together = async () => {
    const [a, b, c] = await Promise.all([page, second, wall].map((p) => seconds(p).textContent()));
    expect(Math.abs(Number(a) - Number(b))).toBeLessThanOrEqual(1);
    expect(Math.abs(Number(a) - Number(c))).toBeLessThanOrEqual(1);
  };
  await expect(seconds(wall)).toHaveText(/\d+/);
  await together();
  // The wall shows forms and nobody.
  await expect(wall.getByRole('main')).toContainText('Step jack');
  await expect(wall.getByRole('main')).not.toContainText(/Saskia|Maud|knee/);

  // One tap on one page is there on the other.
  await row(page, 'saskia-dorn')
    .getByRole('button', { name: /^easier for/ })
    .click();
  await expect(row(second, 'saskia-dorn').locator('[data-does]')).toContainText('Step jack');

  // The server is gone: the run goes on, and what is pressed isn't lost.
  await server.stop('SIGKILL');
  await expect(page.locator('[data-run="away"]')).toBeVisible();
  const before = Number(await seconds(page).textContent());
  await row(page, 'jory-penhale')
    .getByRole('button', { name: /leaves$/ })
    .click();
  await expect(row(page, 'jory-penhale')).toContainText('gone');
  await page.waitForTimeout(2200);
  expect(Number(await seconds(page).textContent())).toBeLessThan(before);
  // Even a reload goes on at the right second.
  const left = Number(await seconds(second).textContent());
  await server.start();
  await expect(page.locator('[data-run="together"]')).toBeVisible({ timeout: 45_000 });
  await expect(row(second, 'jory-penhale')).toContainText('gone', { timeout: 45_000 });
  expect(left - Number(await seconds(second).textContent())).toBeLessThan(25);
  await page.reload();
  await expect(row(page, 'jory-penhale')).toContainText('gone');
  await together();

  // By keyboard: on to the next, taken back, a pause.
  await page.locator('body').press('n');
  await expect(page.locator('[data-now]')).toHaveText('Next: Squat');
  await page.locator('body').press('u');
  await expect(page.locator('[data-now]')).toHaveText('Jumping jack');
  await page.locator('body').press('Space');
  await expect(second.getByText('Standing still')).toBeVisible();
  await page.locator('body').press('Space');
  await expect(second.getByText('Work', { exact: true })).toBeVisible();

  // A stop sign: their part is over, and it stays on the coach's mind until it is written down.
  await row(page, 'tomas-wick')
    .getByRole('button', { name: /^Stop sign/ })
    .click();
  await page.getByRole('button', { name: 'faint or dizzy' }).click();
  const alert = second.getByRole('alert').filter({ hasText: 'Their part is over' });
  await expect(alert).toBeVisible();
  await alert.getByRole('textbox').fill('sat down, drank, feels fine');
  await alert.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Their part is over' })).toHaveCount(0);

  await page.getByRole('button', { name: 'It is over for today' }).click();
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await expect(wall.getByText('That was it. Well done.')).toBeVisible();
  await page.getByRole('link', { name: 'What came of it' }).click();

  // Recorded by exception.
  await page.getByRole('group', { name: 'How hard was it for everybody' }).getByText('6 could chat').click();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Saskia Dorn/ }).click();
  await page.getByLabel('Pain: where').fill('left knee');
  await page.getByLabel('Pain: where').press('Tab');
  await expect(page.getByRole('button', { name: /^Saskia Dorn/ })).toContainText('pain: left knee');
  await expect(page.getByRole('button', { name: /^Tomas Wick/ })).toContainText('stopped: faint or dizzy');

  // Decided: never up after pain.
  await page.getByText('once it is clean and no more than 5 of 10').click();
  const saskia = page.locator('[data-decision]').filter({ hasText: 'Saskia Dorn' });
  await expect(saskia.first()).toHaveAttribute('data-decision', 'ask');
  await page.getByRole('group', { name: 'How hard was it for everybody' }).getByText('4 light').click();
  // What was hardly begun moves nobody; said to have been done, it does.
  await expect(page.locator('[data-decision="up"]')).toHaveCount(0);
  await page.getByRole('button', { name: 'They did all of it' }).click();
  // Not her knee after all: what was said before stays in the record, and she goes up.
  await page.getByLabel('Pain: where').fill('');
  await page.getByLabel('Pain: where').press('Tab');
  const up = page.locator('[data-decision="up"]');
  await expect(up.first()).toBeVisible();
  const said = (await up.first().locator('strong').first().textContent()) ?? '';
  await page.getByRole('button', { name: /^Take all/ }).click();
  await expect(page.getByRole('button', { name: /^Take all/ })).toHaveCount(0);
  await page.reload();
  await expect(page.locator('[data-decision]').filter({ hasText: said }).first()).toBeVisible();
  await page.getByRole('link', { name: /^The next session/ }).click();
  await expect(page.locator('[data-station="10"]')).toBeVisible();

  // Who was stopped trains no more until somebody says that they may, and it is kept.
  await page.goto(`${server.url}/people/tomas-wick/screening`);
  await expect(page.locator('[data-standing="stop"]')).toBeVisible();
  await expect(page.getByText('sat down, drank, feels fine')).toBeVisible();
  await page.getByRole('button', { name: 'They may go on' }).click();
  await expect(page.getByRole('alert')).toHaveText('Say who allowed it.');
  await page.getByLabel('Who said they may go on').fill('Dr Lund');
  await page.getByLabel('What came of it').fill('low pressure, drinks more');
  await page.getByLabel('What came of it').press('Enter');
  await expect(page.locator('[data-standing="stop"]')).toHaveCount(0);
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  await page.getByText('One that is closed').click();
  await expect(page.getByText('Dr Lund: low pressure, drinks more')).toBeVisible();
});

test('a run is found again from the start page and begins no second; ending asks, and can be taken back', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  const run = page.getByRole('button', { name: 'Run it' });
  await expect(run).toBeEnabled();
  await run.click();
  await page.getByRole('button', { name: 'Go', exact: true }).click();
  await expect(page.getByText('Work', { exact: true })).toBeVisible({ timeout: 45_000 });
  const here = page.url();

  // Harder twice by the same thumb is harder once, and the button stays where it is.
  const harder = page.locator('button[aria-label^="harder for"]:enabled').first();
  const easier = page.getByRole('button', { name: /^easier for/ }).first();
  const before = await easier.boundingBox();
  await harder.dblclick();
  expect((await easier.boundingBox())!.x).toBeCloseTo(before!.x, 0);
  // Long enough for something to have been done.
  await expect.poll(async () => Number(await page.locator('[data-seconds]').textContent())).toBeLessThan(36);

  await page.goto(`${server.url}/circuits`);
  await page
    .locator('[data-run-line="under way"]')
    .first()
    .getByRole('link', { name: 'Go on with it' })
    .click();
  await expect(page).toHaveURL(here);
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  await expect(page.locator('[data-going]')).toBeVisible();
  await page.locator('[data-going]').getByRole('link', { name: 'Go on with it' }).click();

  await page.getByRole('button', { name: 'It is over for today' }).click();
  await page.getByRole('button', { name: 'No, go on' }).click();
  await page.getByRole('button', { name: 'It is over for today' }).click();
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await page.getByRole('button', { name: 'It isn’t over: go on' }).click();
  await expect(page.getByText('Work', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'It is over for today' }).click();
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await page.goto(`${server.url}/circuits`);
  await page
    .locator('[data-run-line="over"]')
    .first()
    .getByRole('link', { name: 'Say what came of it' })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: /What came of it/ })).toBeVisible();
  await expect(page.locator('[data-short]')).toContainText('counts towards a next rung');
});

test('what is sore today and what was said of a walk-in hold in a swap in the middle of a run', async ({
  page,
}) => {
  await page.goto(`${server.url}/plan/tuesday-ten/class?group=tuesday-evening`);
  await expect(page.locator('[data-station="10"]')).toBeVisible();
  await page
    .getByRole('region', { name: 'Who is here' })
    .getByRole('button', { name: /Saskia/ })
    .click();
  await page.getByLabel('no floor today').click();
  const run = page.getByRole('button', { name: 'Run it' });
  await expect(run).toBeEnabled();
  // The plan with the late change in it.
  await expect(page.locator('[data-changes]')).toBeVisible();
  await expect(run).toBeEnabled();
  await run.click();
  await expect(page.getByText('Ready when you are')).toBeVisible();
  await page.getByRole('button', { name: 'Somebody more' }).click();
  await page.getByRole('button', { name: 'no floor', exact: true }).click();
  await expect(page.getByText(/is in\. Nobody else’s forms have changed/)).toBeVisible();
  for (const [who, id] of [
    ['Saskia', 'saskia-dorn'],
    ['walk-in 1', null],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^Another move for ${who}`) }).click();
    await page.keyboard.type('forearm plank');
    await page.waitForTimeout(300);
    await page.keyboard.press('Enter');
    await expect(page.getByText(new RegExp(`^Forearm plank isn’t open to everybody: ${who}`))).toBeVisible();
    if (id) await expect(row(page, id).locator('[data-does]')).toContainText('raised');
  }
});

test('what somebody leaves out in a run may be for good, or for today', async ({ page }) => {
  await begin(page);
  const left = await row(page, 'saskia-dorn').locator('[data-does]').textContent();
  const name = left!.split(' · ')[0]!;
  await page.getByRole('button', { name: 'Another move for Saskia' }).click();
  await page.getByRole('option', { name: /Sits this one out/ }).click();
  await expect(row(page, 'saskia-dorn').locator('[data-does]')).toContainText('easy movement');
  const offer = page.locator('[data-from-now-on]');
  await offer.getByRole('button', { name: 'only today' }).click();
  await expect(offer).toHaveCount(0);
  // Once more, and for good this time; by keyboard.
  await page.getByRole('button', { name: /^Take back/ }).click();
  await expect(row(page, 'saskia-dorn').locator('[data-does]')).toContainText(name);
  await page.getByRole('button', { name: 'Another move for Saskia' }).click();
  await page.getByRole('option', { name: /Sits this one out/ }).click();
  await offer.getByRole('button', { name: /^Rather not/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Saskia Dorn: .* only where nothing else is open to them/)).toBeVisible();
  await page.goto(`${server.url}/people/saskia-dorn/who`);
  await expect(page.getByText('Moves they dislike', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: new RegExp(`${name}`) }).first()).toBeVisible();
});

test('the wall answers “which is mine?” by first names or by numbers, as the trainer chooses, and never by what they have', async ({
  page,
  context,
}) => {
  await begin(page);
  const by = page.getByLabel('On the wall, people find their form by');
  const wallLink = page.getByRole('link', { name: 'Wall' });
  const wall = await context.newPage();
  await wall.goto(`${server.url}${await wallLink.getAttribute('href')}`);
  await expect(wall.locator('[data-seconds]')).toBeVisible();
  await expect(wall.locator('[data-whose]')).toHaveCount(0);
  await by.selectOption('with first names');
  await wall.goto(`${server.url}${await wallLink.getAttribute('href')}`);
  const step = wall.getByRole('listitem').filter({ hasText: 'Step jack' }).first();
  await expect(step.locator('[data-whose]')).toHaveText(/^[A-Z][a-z]+(, [A-Z][a-z]+)*$/);
  await expect(wall.getByRole('main')).not.toContainText(/knee|wrist|heart|Dorn|Ellery/);
  await by.selectOption('with numbers');
  await wall.goto(`${server.url}${await wallLink.getAttribute('href')}`);
  // Each is there once, by the number that stands beside their name here.
  await expect(wall.locator('[data-badge]').first()).toBeVisible();
  const seen = await wall
    .locator('[data-badge]')
    .evaluateAll((all) => all.map((one) => Number((one as HTMLElement).dataset['badge'])));
  const rows = await page.locator('[data-person] [data-badge]').count();
  expect(seen.sort((a, b) => a - b)).toEqual(Array.from({ length: rows }, (_, i) => i + 1));
  await by.selectOption('forms alone');
});

test('an address of no run says so', async ({ page }) => {
  await page.goto(`${server.url}/run/nowhere`);
  await expect(page.getByRole('heading', { name: 'There is no such run here' })).toBeVisible();
});

test('a person’s own link on a phone: my form, my next, nothing of anybody else, over with the session', async ({
  page,
  browser,
}) => {
  await begin(page);
  await page.getByRole('button', { name: 'Phones' }).click();
  await page.getByRole('button', { name: 'Make a link for Maud' }).click();
  const href = (await page.getByRole('link', { name: /\/p\// }).getAttribute('href'))!;
  await page.keyboard.press('Escape');
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await context.newPage();
  const asked: string[] = [];
  phone.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await phone.goto(server.url + new URL(href).pathname);
  await expect(phone.getByRole('heading', { name: 'Maud' })).toBeVisible();
  await expect(phone.locator('[data-does]')).toContainText('Step jack');
  // It stands on nothing of the trainer's, and doesn't ask for it.
  expect(asked.some((path) => path.startsWith('/api/p/'))).toBe(true);
  expect(asked.filter((path) => path.startsWith('/api/') && !path.startsWith('/api/p/'))).toEqual([]);
  expect(asked.filter((path) => path.includes('engine.worker'))).toEqual([]);
  await expect(phone.getByRole('main')).not.toContainText(/Saskia|Tomas|knee pain/);
  // The coach changes her rung: her phone knows.
  await row(page, 'maud-ellery')
    .getByRole('button', { name: /^easier for/ })
    .click();
  await expect(phone.locator('[data-does]')).toContainText('Side tap');
  // What happens to others is none of hers.
  await row(page, 'saskia-dorn')
    .getByRole('button', { name: /leaves$/ })
    .click();
  await page.getByRole('button', { name: 'It is over for today' }).click();
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await expect(phone.getByText('That was it. Well done.')).toBeVisible();
  await phone.reload();
  await expect(phone.getByRole('heading', { name: /It is over, or this link leads nowhere/ })).toBeVisible();
  await context.close();
});

test('from the network the passcode comes first', async ({ page, browser }) => {
  await begin(page);
  await page.getByRole('button', { name: 'Phones' }).click();
  await page.getByLabel(/A passcode of yours/).fill('short');
  await page.getByRole('button', { name: 'Open it on the local network' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'A passcode has 6 letters' })).toBeVisible();
  await page.getByLabel(/A passcode of yours/).fill('seven-geese');
  await page.getByRole('button', { name: 'Open it on the local network' }).click();
  await expect(page.getByText('Open on the local network.')).toBeVisible();
  const address = await page
    .locator('dialog strong')
    .textContent({ timeout: 2000 })
    .catch(() => null);
  // A machine on no network has nothing to try it from.
  if (address) {
    // What a phone shows of the machine's certificate is what stands here to compare.
    const { hostname, port } = new URL(address.split(' or ')[0]!);
    const shown = await new Promise<string>((told, failed) => {
      const asked = connect({ host: hostname, port: Number(port), rejectUnauthorized: false }, () => {
        told(asked.getPeerCertificate().fingerprint256);
        asked.end();
      });
      asked.on('error', failed);
    });
    await expect(page.getByText(shown)).toBeVisible();
    const context = await browser.newContext({ ignoreHTTPSErrors: true });
    const other = await context.newPage();
    await other.goto(new URL(address.split(' or ')[0]!).origin);
    await other.getByLabel('The trainer’s passcode').fill('wrong-one');
    await other.getByRole('button', { name: 'Come in' }).click();
    await expect(other.getByRole('alert')).toHaveText('That isn’t the passcode.');
    await other.getByLabel('The trainer’s passcode').fill('seven-geese');
    await other.getByRole('button', { name: 'Come in' }).click();
    await expect(other.getByRole('link', { name: 'Class' })).toBeVisible();
    await context.close();
  }
  await page.getByRole('button', { name: 'Shut it' }).click();
  await expect(page.getByText('Only this machine sees Inner Rung now.')).toBeVisible();
});

test('the week on the start page, a day off, a file for a calendar; the log found by a word', async ({
  page,
}) => {
  await page.goto(`${server.url}/circuits`);
  const coming = page.getByRole('region', { name: /^(Today|This week)$/ });
  await expect(coming.getByRole('listitem')).toHaveCount(2);
  const tuesday = coming.getByRole('listitem').filter({ hasText: 'Tuesday evening' });
  const on = (await tuesday.getAttribute('data-on'))!;
  await tuesday.getByRole('link', { name: 'Tuesday ten' }).click();
  await expect(page.getByText(/^6 people, Tuesday evening/)).toBeVisible();
  await page.goto(`${server.url}/groups/tuesday-evening`);
  await page.getByLabel('Not held on').fill(on);
  await expect(page.getByRole('button', { name: /^not on .*as usual again/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'For a calendar' }).click();
  expect((await download).suggestedFilename()).toBe('tuesday-evening.ics');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.goto(`${server.url}/circuits`);
  await expect(tuesday).toContainText('not held');

  await page.goto(`${server.url}/log`);
  await page.getByRole('searchbox', { name: 'Look for' }).fill('wrist tomas');
  await expect(page.getByRole('status')).toHaveText('1 result');
  await expect(page.getByRole('row').filter({ hasText: 'pain: right wrist' })).toHaveCount(1);
  // The same by what happened, and by its day in the month.
  await page.getByRole('searchbox', { name: 'Look for' }).fill('');
  await page.getByLabel('What happened').selectOption({ label: 'pain' });
  await expect(page.getByRole('row').filter({ hasText: 'pain: right wrist' })).toHaveCount(1);
  const dates = await page.getByRole('row').count();
  await page.getByText('Month', { exact: true }).click();
  await page
    .getByRole('button', { name: /with a sign or pain/ })
    .last()
    .click();
  await expect(page.getByLabel('From', { exact: true })).not.toHaveValue('');
  expect(await page.getByRole('row').count()).toBeLessThanOrEqual(dates);
  await page.getByLabel('To', { exact: true }).fill('2020-01-01');
  await expect(page.getByRole('alert')).toContainText('there are no days');
});
