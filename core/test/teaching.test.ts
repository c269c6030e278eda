import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const rows = readFileSync(join(process.cwd(), 'docs/teaching.md'), 'utf8')
  .split('\n')
  .flatMap((line) => {
    const cells = /^\| (.+?) \| (.+?) \| `([^`]+)`: (.+?) \|$/.exec(line.replace(/ +\|/g, ' |'));
    return cells ? [{ way: cells[1]!, file: cells[3]!, title: cells[4]! }] : [];
  });

test('docs/teaching.md names the ways of teaching, more than forty', () => {
  expect(rows.length).toBeGreaterThan(40);
  expect(new Set(rows.map(({ way }) => way)).size).toBe(rows.length);
});

// A way is supported as long as a test walks it.
test.each(rows.map((row) => [row.way, row] as const))('%s', (_, { file, title }) => {
  const path = join(process.cwd(), file);
  expect([file, existsSync(path)]).toEqual([file, true]);
  const said = readFileSync(path, 'utf8').replace(/\s+/g, ' ');
  expect([title, said.includes(title)]).toEqual([title, true]);
});
