import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Plugin, Rollup } from 'vite';

type Bundle = Rollup.OutputBundle;

/** A table of addresses, as `screens.ts` has it: each screen with its script and what it asks the server for. */
const SCREEN = /screen\(\s*'([^']+)',\s*\(\) => import\('([^']+)'\),?([^)]*)\)/g;
const NEEDS = /needs: \[([^\]]*)\]/;
const ALONE = /alone: true/;
/** What every page of the trainer's stands on (`store/data.ts`). */
const GROUND = ['library', 'changes', 'people', 'groups', 'rooms', 'team'];

/** Packs scripts and styles when they are built, so that nothing is packed while a page waits for it. */
export const packed = (): Plugin => ({
  name: 'packed',
  apply: 'build',
  writeBundle({ dir }) {
    const folder = join(dir!, 'assets');
    for (const name of readdirSync(folder))
      if (/\.(?:js|css)$/.test(name))
        writeFileSync(join(folder, `${name}.gz`), gzipSync(readFileSync(join(folder, name)), { level: 9 }));
  },
});

/** A script with all that it imports. */
function withImports(bundle: Bundle, file: string, found = new Set<string>()): Set<string> {
  if (found.has(file)) return found;
  found.add(file);
  const one = bundle[file];
  for (const imported of one?.type === 'chunk' ? one.imports : []) withImports(bundle, imported, found);
  return found;
}
const chunkOf = (bundle: Bundle, module: string) =>
  Object.values(bundle).find((one) => one.type === 'chunk' && one.facadeModuleId === module);

/** What the page's first script imports: named in the page already. */
const entriesOf = (bundle: Bundle): Set<string> =>
  new Set(
    Object.values(bundle).flatMap((one) =>
      one.type === 'chunk' && one.isEntry ? [...withImports(bundle, one.fileName)] : [],
    ),
  );

/** What every page goes on with after its first script: named in the page, so that all of it comes at once. */
const everyPage = (bundle: Bundle, main: string): Set<string> => {
  const chunk = chunkOf(bundle, main);
  if (!chunk) throw new Error(`No script was made of ${main}.`);
  return withImports(bundle, chunk.fileName);
};

/**
 * Names in the built page what every page goes on with, and writes `first.json` beside it: which scripts and data a
 * page of each address begins with. A server that names those too spares the wait for one script to ask for the next.
 * Fails the build where the table names a screen of which no script was made.
 */
export function firstScripts(main: string, table: string): Plugin {
  return {
    name: 'first-scripts',
    // While one develops there is nothing built to name.
    apply: 'build',
    transformIndexHtml: {
      order: 'post',
      handler: (_, { bundle = {} }) => {
        const named = entriesOf(bundle);
        return [...everyPage(bundle, main)]
          .filter((file) => !named.has(file))
          .map((file) => ({
            tag: 'link',
            attrs: { rel: 'modulepreload', crossorigin: true, href: `/${file}` },
            injectTo: 'head',
          }));
      },
    },
    generateBundle(_, bundle) {
      const begun = new Set([...everyPage(bundle, main), ...entriesOf(bundle)]);
      const text = readFileSync(table, 'utf8');
      const first = [...text.matchAll(SCREEN)].map(([, path, file, rest]) => {
        const chunk = chunkOf(bundle, resolve(dirname(table), file!));
        if (!chunk) return this.error(`${path}: no script was made of ${file}.`);
        const needs = [...(NEEDS.exec(rest!)?.[1]?.matchAll(/'([^']+)'/g) ?? [])].map((one) => one[1]!);
        const scripts = [...withImports(bundle, chunk.fileName)].filter((name) => !begun.has(name));
        const ground = ALONE.test(rest!) ? [] : GROUND;
        return { path, scripts: scripts.map((name) => `/${name}`), needs: [...ground, ...needs] };
      });
      if (first.length !== [...text.matchAll(/^ +screen\(/gm)].length)
        this.error(`${first.length} screens could be read in ${table}, and it has more.`);
      // Home is the newest session, whichever that is.
      first.push({ path: '/', scripts: [], needs: [...GROUND, 'plans'] });
      this.emitFile({ type: 'asset', fileName: 'first.json', source: JSON.stringify(first) });
    },
  };
}
