import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';

/**
 * The interface's folders from the ground up: each imports from those before it alone. What several screens stand on
 * is a feature; screens are in one place of the list, and no circle goes through them.
 */
const GROUND = ['engine', 'store', 'ui', 'features'];
const ROOT = resolve('web/src');

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter((name) => /\.tsx?$/.test(name));
const imports = new Map(
  files.map((file) => {
    const text = readFileSync(join(ROOT, file), 'utf8');
    const named = [...text.matchAll(/(?:from|import)\s*\(?\s*'(\.[^']+)'/g)].map(([, to]) =>
      relative(ROOT, resolve(ROOT, dirname(file), to!)),
    );
    return [file, named] as const;
  }),
);
const folderOf = (file: string) => (file.includes('/') ? file.slice(0, file.indexOf('/')) : '');

/** A way that leads back to where it began; empty where there is none. */
function circle(edges: ReadonlyMap<string, ReadonlySet<string>>): string[] {
  const done = new Set<string>();
  const walk = (at: string, way: readonly string[]): string[] => {
    if (way.includes(at)) return [...way.slice(way.indexOf(at)), at];
    if (done.has(at)) return [];
    for (const next of edges.get(at) ?? []) {
      const found = walk(next, [...way, at]);
      if (found.length > 0) return found;
    }
    done.add(at);
    return [];
  };
  for (const begin of edges.keys()) {
    const found = walk(begin, []);
    if (found.length > 0) return found;
  }
  return [];
}

test('the reader of imports sees them', () => {
  expect(imports.get('main.tsx')).toContain('app/app.tsx');
  expect(imports.get('app/screens.ts')).toContain('plan/plan-screen.tsx');
  expect(
    circle(
      new Map([
        ['a', new Set(['b'])],
        ['b', new Set(['a'])],
      ]),
    ),
  ).toEqual(['a', 'b', 'a']);
});

test('no file of the interface is in a circle', () => {
  expect(circle(new Map([...imports].map(([file, to]) => [file, new Set(to)])))).toEqual([]);
});

test('no folder of the interface is in a circle', () => {
  const edges = new Map<string, Set<string>>();
  for (const [file, to] of imports)
    for (const other of to)
      if (folderOf(file) !== folderOf(other))
        edges.set(folderOf(file), (edges.get(folderOf(file)) ?? new Set()).add(folderOf(other)));
  expect(circle(edges)).toEqual([]);
});

test('engine, store, ui and features import nothing that stands on them', () => {
  const wrong = [...imports].flatMap(([file, to]) => {
    const at = GROUND.indexOf(folderOf(file));
    if (at < 0) return [];
    return to
      .filter((other) => !GROUND.slice(0, at + 1).includes(folderOf(other)))
      .map((o) => `${file} → ${o}`);
  });
  expect(wrong).toEqual([]);
});

test('a screen, and every part of one, is at most 250 lines', () => {
  const long = files
    .filter((name) => name.endsWith('.tsx'))
    .filter((name) => readFileSync(join(ROOT, name), 'utf8').trimEnd().split('\n').length > 250);
  expect(long).toEqual([]);
});
