import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** What each of core's folders offers under which names, read off its index. */
const offers = readdirSync('core/src').map((folder) => {
  const text = readFileSync(join('core/src', folder, 'index.ts'), 'utf8');
  const names = [...text.matchAll(/export (?:type )?\{([^}]*)\}/g)].flatMap(([, list]) =>
    list!
      .split(',')
      .map((name) =>
        name
          .trim()
          .replace(/^type /, '')
          .replace(/^.* as /, ''),
      )
      .filter(Boolean),
  );
  return { folder, names };
});

test('an index lists names one by one', () => {
  for (const { folder, names } of offers) expect([folder, names.length > 0]).toEqual([folder, true]);
});

test('one name, one meaning: no two folders of core offer the same', () => {
  const by = new Map<string, string[]>();
  for (const { folder, names } of offers)
    for (const name of new Set(names)) by.set(name, [...(by.get(name) ?? []), folder]);
  expect([...by].filter(([, folders]) => folders.length > 1)).toEqual([]);
});
