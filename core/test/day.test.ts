import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { dayWords } from '@inner-rung/core/person';

/** The day of a moment as a page in a time zone says it. */
const dayIn = (zone: string, moment: string): string =>
  execFileSync(
    process.execPath,
    [
      '--import',
      'tsx',
      '--input-type=module',
      '-e',
      `const { dayOf } = await import(${JSON.stringify(join(process.cwd(), 'core/src/person/calendar.ts'))});
       process.stdout.write(dayOf(${JSON.stringify(moment)}));`,
    ],
    { env: { ...process.env, TZ: zone, NODE_OPTIONS: '' }, encoding: 'utf8' },
  );

test('the day of what was noted late in the evening is the day on which its time is shown', () => {
  expect(dayIn('America/New_York', '2026-11-25T02:30:00.000Z')).toBe('2026-11-24');
  expect(dayIn('Pacific/Auckland', '2026-11-24T20:30:00.000Z')).toBe('2026-11-25');
  expect(dayIn('UTC', '2026-11-24T20:30:00.000Z')).toBe('2026-11-24');
});

test('a day is said as a calendar of the language says it, in every month', () => {
  const calendar = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
  for (let month = 1; month <= 12; month++)
    for (const day of ['01', '09', '28']) {
      const date = `2026-${String(month).padStart(2, '0')}-${day}`;
      expect(dayWords(date)).toBe(calendar.format(new Date(`${date}T00:00:00Z`)));
    }
});
