import { writeFileSync } from 'node:fs';
import { expect, type Page, test } from './browser.ts';
import { TestServer } from './server.ts';

const server = new TestServer(4712);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const saved = (page: Page) => expect(page.locator('[data-save="saved"]')).toBeVisible();
const part = (page: Page, name: string) =>
  page.getByRole('navigation', { name: /^Parts of .*page$/ }).getByRole('link', { name, exact: true });

/** A day so many years and a little before today, so that somebody is exactly that old. */
const bornYearsAgo = (years: number) => {
  const day = new Date();
  day.setDate(day.getDate() - 30);
  return `${day.getFullYear() - years}-${String(day.getMonth() + 1).padStart(2, '0')}-${String(day.getDate()).padStart(2, '0')}`;
};

test('somebody of 74 with knee arthritis and a beta-blocker, from hello to a scaled circuit', async ({
  page,
}) => {
  await page.goto(`${server.url}/people`);

  await test.step('a name and a birth date are enough', async () => {
    await page.getByLabel('Name or initials').fill('Odile Marchbank');
    await page.getByLabel('Year or date of birth').fill('1944-02-31');
    await expect(page.getByRole('alert')).toHaveText('there is no such day in the calendar');
    await page.getByLabel('Year or date of birth').fill(bornYearsAgo(74));
    await page.getByRole('button', { name: 'Add them' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Odile Marchbank');
    await expect(page.getByText('74 · older adult')).toBeVisible();
  });

  await test.step('screening: a half-answered form survives a reload, then leads to its row', async () => {
    await page.getByRole('group', { name: /^1\./ }).getByText('No', { exact: true }).click();
    await page.reload();
    await expect(page.getByRole('group', { name: /^1\./ }).getByRole('radio', { name: 'No' })).toBeChecked();
    await page.getByRole('button', { name: 'Keep these answers' }).click();
    await expect(page.getByRole('alert')).toHaveText('Question 2 has no answer yet.');
    await page.getByRole('group', { name: /^2\./ }).getByText('No', { exact: true }).click();
    await page.getByRole('checkbox', { name: 'None of these' }).check();
    await page.getByRole('button', { name: 'Keep these answers' }).click();
    await expect(page.locator('[data-standing="go"]')).toBeVisible();
    await expect(page.locator('tr[aria-current="true"]')).toContainText('Begin light to moderate');
  });

  await test.step('knee arthritis from the list, the beta-blocker with one tick', async () => {
    await part(page, 'Limits').click();
    await page.getByRole('searchbox', { name: 'Or look for it in the list' }).fill('knee');
    await page.getByRole('button', { name: 'Add Sore knees' }).click();
    await expect(page.locator('[data-limit="sore-knees/knee.kneel"]')).toContainText('no kneeling');
    await part(page, 'Who they are').click();
    await page.getByText(/A medicine or device that changes the heart rate/).click();
    await page.getByText('female', { exact: true }).click();
    await saved(page);
  });

  await test.step('the chair stand, counted by hand, read against its table', async () => {
    await part(page, 'Tests').click();
    await page.getByLabel('Result').fill('9');
    await page.reload();
    await expect(page.getByLabel('Result')).toHaveValue('9');
    await page.getByRole('button', { name: 'Keep the result' }).click();
    await expect(page.locator('[data-reading]')).toContainText('9: below average for women 70–74 (under 10)');
    await expect(page.locator('[data-reading]')).toContainText('CDC STEADI');
    await expect(page.getByText(/Shows that Odile owns/)).toContainText('Sit to stand');
  });

  await test.step('two rungs found by trying', async () => {
    await part(page, 'Rungs').click();
    await page.getByRole('button', { name: /^Push-ups: / }).click();
    await page.getByRole('button', { name: 'Find the rung' }).click();
    await expect(page.locator('[data-trying="wall-push-up"]')).toBeVisible();
    await page.getByRole('button', { name: 'Too easy' }).click();
    await page.getByRole('button', { name: 'About right' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Odile owns' })).toContainText('in 2 tries');
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.locator('[data-place="assessed"]')).toContainText('Push-up, hands raised');
    await page.getByRole('button', { name: /^Bridges: / }).click();
    await page.getByRole('button', { name: 'Find the rung' }).click();
    await page.getByRole('button', { name: 'About right' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Odile owns' })).toContainText('in 1 try');
  });

  await test.step('barred rungs are struck out with their reason', async () => {
    await page.getByRole('button', { name: /^Jacks: .* barred$/ }).click();
    await expect(page.locator('li[data-rung="jumping-jack"]')).toContainText('one foot stays down');
    await expect(
      page.locator('li[data-rung="jumping-jack"]').getByRole('button', { name: /^Seen/ }),
    ).toHaveCount(0);
  });

  await test.step('effort by breath and number alone', async () => {
    await part(page, 'Effort').click();
    await expect(page.locator('[data-no-rates]')).toContainText('something changes the heart rate');
    await expect(page.locator('[data-band="vigorous"]')).toContainText('above their 6');
    await expect(page.getByRole('table')).toHaveCount(0);
  });

  await test.step('and the circuit, scaled', async () => {
    await page.getByRole('link', { name: 'Scale the circuit for Odile' }).click();
    await expect(page.getByRole('radio', { name: 'Odile' })).toBeChecked();
    const floor = page.getByRole('group', { name: /^The floor/ }).locator('visible=true');
    await expect(floor.getByRole('button', { name: /^Station 1:/ })).toHaveAccessibleName(/for Jumping jack/);
    await expect(page.locator('[data-reason]')).toContainText('one foot stays down');
    await page.getByRole('link', { name: 'Card' }).click();
    await expect(page.getByRole('img', { name: /^Page 1: .*Odile Marchbank/ })).toContainText(
      'up to 6 of 10',
    );
  });
});

test('a known disease waits for a doctor’s word: no card until cleared, then the ceiling holds', async ({
  page,
}) => {
  await page.goto(`${server.url}/people/nev-ashdown/screening`);
  for (const n of ['1', '2'])
    await page
      .getByRole('group', { name: new RegExp(`^${n}\\.`) })
      .getByText(n === '1' ? 'No' : 'Yes', { exact: true })
      .click();
  await page.getByRole('checkbox', { name: 'None of these' }).check();
  await page.getByRole('button', { name: 'Keep these answers' }).click();
  await expect(page.locator('[data-standing="clearance recommended"]')).toBeVisible();
  await expect(page.getByText('No card and no place in a session yet')).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: 'Scale the circuit for Nev' }).click();
  await expect(page.getByText('no card yet')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Card', exact: true })).toHaveCount(0);
  await page.goto(`${server.url}/plan/tuesday-ten/card`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('No card for Nev Ashdown yet');
  await page.getByRole('link', { name: 'Settle it' }).click();

  const tomorrow = new Date(Date.now() + 36 * 3_600_000).toISOString().slice(0, 10);
  const word = page.getByRole('form', { name: 'A doctor’s word' });
  await word.getByLabel('Who cleared them').fill('Dr Ferris');
  await word.getByLabel('On').fill(tomorrow);
  await word.getByRole('button', { name: 'Keep the clearance' }).click();
  await expect(word.getByRole('alert')).toContainText('can’t be dated ahead');
  await word.getByLabel('On').fill(new Date().toISOString().slice(0, 10));
  await word.getByLabel(/Effort of 10/).fill('5');
  await word.getByRole('button', { name: 'Keep the clearance' }).click();
  await expect(page.locator('[data-standing="cleared"]')).toBeVisible();
  await expect(page.getByText('effort up to 5 of 10')).toBeVisible();
  await saved(page);
  await part(page, 'Kept').click();
  await expect(page.getByText('Cleared by Dr Ferris', { exact: false }).first()).toBeVisible();
});

test('today in three taps: a bad night and a sore knee, for this session only', async ({ page }) => {
  await page.goto(`${server.url}/people/saskia-dorn`);
  await page.getByRole('button', { name: 'Slept badly' }).click();
  await page.getByRole('button', { name: 'Left knee' }).click();
  await expect(page.locator('[data-today="easier"]')).toBeVisible();
  await page.getByText('A reading, if they take one').click();
  await page.getByLabel('Blood pressure, upper').fill('185');
  await expect(page.getByRole('alert')).toHaveText('a blood pressure has two numbers');
  await page.getByLabel('and lower').fill('95');
  await expect(page.locator('[data-today="not today"]')).toBeVisible();
  await expect(page.getByText('185/95 at rest is too high: not today.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Blood pressure, upper')).toHaveValue('185');
  await page.getByRole('button', { name: 'Clear the readings' }).click();
  await expect(page.locator('[data-today="easier"]')).toBeVisible();
  await page.getByRole('link', { name: 'Scale the circuit for Saskia' }).click();
  await expect(page.getByRole('link', { name: 'Easier today' })).toBeVisible();
  await expect(page.locator('[data-reason]')).toContainText('one foot stays down');
});

test('a limit eased needs who and why, and holds again with one tap', async ({ page }) => {
  await page.goto(`${server.url}/people/maud-ellery/limits`);
  const limit = page.locator('[data-limit="sore-knees/knee.kneel"]');
  await limit.getByRole('button', { name: /^Ease/ }).click();
  await limit.getByRole('button', { name: 'Put it aside' }).click();
  await expect(limit.getByRole('alert')).toHaveText('Say who allowed it.');
  await limit.getByLabel('Who allowed it').fill('her physio');
  await limit.getByLabel('Why').fill('kneels on a cushion without pain');
  await limit.getByRole('button', { name: 'Put it aside' }).click();
  await expect(limit).toContainText('put aside by her physio');
  await page.getByRole('button', { name: 'Right wrist or hand' }).click();
  await expect(page.getByRole('heading', { name: 'Limits of their own' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Limits of their own' })).toHaveCount(0);
  await limit.getByRole('button', { name: /^Holds again/ }).click();
  await expect(limit.getByRole('button', { name: /^Ease/ })).toBeVisible();
  await saved(page);
  await part(page, 'Kept').click();
  await expect(page.getByText('Why: kneels on a cushion without pain')).toBeVisible();
});

test('a class by number is planned for at once, and one of them gets a name', async ({ page }) => {
  await page.goto(`${server.url}/people`);
  await page
    .getByLabel('How many, and what is known of some of them')
    .fill('9 people, two sore knees, one no floor');
  await expect(page.getByRole('status').filter({ hasText: 'sore knees' })).toContainText(
    '6: finding their feet',
  );
  await page.getByRole('button', { name: 'Plan for them' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Class of 9');
  await expect(page.getByRole('row', { name: /^2: sore knees/ })).toContainText('×can’t');
  const knees = page.getByRole('listitem').filter({ has: page.getByLabel('Level: sore knees') });
  await knees.getByText('Say more, or name one of them').click();
  await knees.getByLabel('Name').fill('Petra Voss');
  await knees.getByLabel('Born').fill('1960');
  await knees.getByRole('button', { name: 'Name one' }).click();
  await expect(page.getByRole('row', { name: /^Petra Voss/ })).toContainText('×can’t');
  await expect(page.getByRole('row', { name: /^1: sore knees/ })).toBeVisible();
  await page.getByLabel('Petra Voss', { exact: true }).check();
  await saved(page);
  await page.getByRole('button', { name: 'Plan for them' }).click();
  await expect(page.getByLabel('Who is here')).toHaveValue(/^g-/);
  await page.getByText('1: stays off the floor', { exact: true }).click();
  await expect(page.getByText('stays off the floor').first()).toBeVisible();
});

test('people out as a table and in from one: every row’s fate before anything is written', async ({
  page,
}, info) => {
  await page.goto(`${server.url}/people`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a table' }).click();
  expect((await download).suggestedFilename()).toBe('people.csv');
  const file = info.outputPath('in.csv');
  writeFileSync(
    file,
    'Name,Date of birth,Conditions,Shoe size\r\nWren Abery,1971,Sore knees (left),7\r\nMaud Ellery,1955-03-20,,5\r\n,1980,,6\r\n',
  );
  await page.getByRole('button', { name: 'From a table' }).click();
  await page.getByLabel('A file').setInputFiles(file);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Columns left out: “Shoe size”');
  await expect(dialog.locator('[data-fate="new"]')).toHaveCount(1);
  await expect(dialog.locator('[data-fate="here already"]')).toContainText('Maud Ellery');
  await expect(dialog.locator('[data-fate="refused"]')).toContainText('name: a name or initials is needed');
  await dialog.getByRole('button', { name: 'Bring in 1' }).click();
  await page.getByRole('link', { name: /^Wren Abery/ }).click();
  await part(page, 'Limits').click();
  await expect(page.getByRole('heading', { name: 'Sore knees, left' })).toBeVisible();
});

test('everything about one person out, and gone for good', async ({ page }) => {
  await page.goto(`${server.url}/people/tomas-wick/record`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a JSON file' }).click();
  expect((await download).suggestedFilename()).toBe('tomas-wick.json');
  await page.getByRole('link', { name: 'As a page to read' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tomas Wick');
  await expect(page.getByRole('main')).toContainText('Tuesday evening');
  await page.getByRole('link', { name: /^Back to/ }).click();
  await expect(page.getByRole('button', { name: 'Erase Tomas' })).toBeDisabled();
  await page.getByLabel(/^Type/).fill('Tomas Wick');
  await page.getByRole('button', { name: 'Erase Tomas' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('People');
  await expect(page.getByRole('link', { name: /Tomas/ })).toHaveCount(0);
  expect(await (await page.request.get(`${server.url}/api/groups/tuesday-evening`)).text()).not.toContain(
    'tomas-wick',
  );
  await page.goto(`${server.url}/people/tomas-wick`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nobody here by that address');
});

test('the push-up rung test keeps its result, read against the last', async ({ page }) => {
  await page.goto(`${server.url}/people/maud-ellery/tests?test=push-up-rung`);
  for (const [tries, says] of [
    [1, 'first result'],
    [2, 'than on|same as on'],
  ] as const) {
    await page.getByRole('button', { name: 'Find the rung' }).click();
    await page.getByRole('button', { name: 'About right' }).click();
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.getByRole('button', { name: /^Take away the result/ })).toHaveCount(tries);
    await expect(page.locator('[data-reading]')).toContainText(new RegExp(says));
  }
  await expect(page.getByText(/% of body mass/).first()).toBeVisible();
});

test('a child: consent first, checklists of how they move, no heart rates', async ({ page }) => {
  await page.goto(`${server.url}/people/jory-penhale/tests`);
  await expect(page.getByText('Under 18: how they move, never a maximum.')).toBeVisible();
  await page.getByText('heels stay down').click();
  await page.getByText('chest stays proud').click();
  await page.getByRole('button', { name: 'Keep the result' }).click();
  await expect(page.getByText('2 of 5').first()).toBeVisible();
  await part(page, 'Effort').click();
  await expect(page.locator('[data-no-rates]')).toContainText('under 18');
});

test('by keyboard alone: a new person, their answers, a place on a ladder', async ({ page }) => {
  await page.goto(`${server.url}/people`);
  await page.getByLabel('Name or initials').focus();
  await page.keyboard.type('K. L.');
  await page.keyboard.press('Tab');
  await page.keyboard.type('1990');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('K. L.');
  await page.getByRole('group', { name: /^1\./ }).getByRole('radio', { name: 'Yes' }).focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('Tab');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('group', { name: /^2\./ }).getByRole('radio', { name: 'No' })).toBeChecked();
  await page.getByRole('checkbox', { name: 'None of these' }).focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-standing="go"]')).toBeVisible();
  await page.goto(page.url().replace('screening', 'today'));
  await page.getByRole('button', { name: 'Right shoulder' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-today="easier"]')).toBeVisible();
});

const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('a pregnancy moves on by its due date and asks; a clinician signs what a condition leaves open', async ({
  page,
}) => {
  await page.goto(`${server.url}/people`);
  await page.getByLabel('Name or initials').fill('Runa Tveit');
  await page.getByLabel('Year or date of birth').fill('1994');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Runa Tveit');
  await part(page, 'Limits').click();

  await test.step('by the due date it is the twentieth week, whatever was ticked', async () => {
    await page.getByPlaceholder('knee, pregnancy, asthma…').fill('to week 12');
    await page.getByRole('button', { name: 'Add Pregnant, to week 12' }).click();
    await page.getByLabel('Due on').fill(inDays(140));
    await expect(page.getByRole('heading', { level: 3, name: 'Pregnant, after week 12' })).toBeVisible();
    await expect(page.getByText('recorded as pregnant, to week 12')).toBeVisible();
  });
  await test.step('after the due date it asks, and goes on to the weeks after a birth', async () => {
    await page.getByLabel('Due on').fill(inDays(-5));
    await page.getByRole('button', { name: 'Yes: after birth, weeks 0–6' }).click();
    await expect(page.getByRole('heading', { level: 3, name: 'After birth, weeks 0–6' })).toBeVisible();
    await page.getByLabel('Born on').fill(inDays(-50));
    await expect(page.getByText('7 weeks since the birth')).toBeVisible();
    await saved(page);
  });
  await test.step('nobody has signed it; somebody does, by keyboard, and it is said on their page', async () => {
    await page.getByRole('link', { name: 'Who may do what' }).click();
    await expect(page.locator('[data-unsigned]')).toBeVisible();
    await expect(page.getByRole('heading', { level: 3, name: 'Arm raises' })).toBeVisible();
    await page.getByText('Sign it as a clinician').press('Enter');
    await page.getByRole('button', { name: /sign it/ }).press('Enter');
    await expect(page.getByRole('alert')).toHaveText('Say who read it.');
    await page.getByLabel('Name').fill('R. Osei');
    await page.getByLabel('As what').fill('physiotherapist');
    await page.getByRole('button', { name: /sign it/ }).press('Enter');
    await expect(page.locator('[data-signed]')).toContainText('Signed by R. Osei, physiotherapist');
    await expect(page.locator('[data-signed]')).toContainText('Nothing has changed since');
    await saved(page);
    await page.reload();
    await expect(page.locator('[data-signed]')).toBeVisible();
    await page.goBack();
    await expect(page.getByText('A clinician has signed these')).toBeVisible();
  });
});

test('what is kept and what for; that they agreed, taken back and undone; who hasn’t been heard of', async ({
  page,
}) => {
  await page.goto(`${server.url}/people/saskia-dorn/record`);
  const kept = page.getByRole('region', { name: 'What is kept, and what for' });
  await expect(kept).toContainText('So that nobody begins who shouldn’t yet.');
  await expect(kept).toContainText('That Saskia agreed isn’t written down yet.');
  await expect(kept.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await kept.getByLabel('How').fill('on paper, in the folder');
  await page.keyboard.press('Enter');
  await expect(kept).toContainText('on paper, in the folder.');
  await kept.getByRole('button', { name: 'They took it back' }).click();
  await expect(kept).toContainText('isn’t written down yet');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(kept).toContainText('Saskia agreed on');
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  await page.goto(`${server.url}/people/saskia-dorn/page`);
  await expect(page.getByText('on paper, in the folder')).toBeVisible();
  await page.goto(`${server.url}/people`);
  await page.getByText('Not heard of for two years').click();
  await expect(page.getByText('Of everybody with a file something was heard')).toBeVisible();
});
