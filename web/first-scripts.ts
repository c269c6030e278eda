import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Plugin } from 'vite';

/** A table of addresses, as `app.tsx` has it: each screen with its script and what it asks the server for. */
const SCREEN = /screen\(\s*'([^']+)',\s*\(\) => import\('([^']+)'\),?([^)]*)\)/g;
const NEEDS = /needs: \[([^\]]*)\]/;

/** Packs scripts and styles when they are built, so that nothing is packed while a page waits for it. */
export const packed = (): Plugin => ({
  name: 'packed',
  writeBundle({ dir }) {
    const folder = join(dir!, 'assets');
    for (const name of readdirSync(folder))
      if (/\.(?:js|css)$/.test(name))
        writeFileSync(join(folder, `${name}.gz`), gzipSync(readFileSync(join(folder, name)), { level: 9 }));
  },
});

/**
 * Scripts that are run before the page's own, in this order and each for itself: between two of them the browser answers
 * whoever presses something.
 */
export const early = (names: readonly string[]): Plugin => ({
  name: 'early',
  transformIndexHtml: {
    order: 'post',
    handler: (_, { bundle }) =>
      names.map((name) => {
        const chunk = Object.values(bundle ?? {}).find((one) => one.type === 'chunk' && one.name === name);
        if (!chunk) throw new Error(`No script “${name}” was made.`);
        const attrs = { type: 'module', async: true, crossorigin: true, src: `/${chunk.fileName}` };
        return { tag: 'script', attrs, injectTo: 'head-prepend' };
      }),
  },
});

/**
 * Writes `first.json` beside the built page: which scripts and data a page of each address begins with. A server that
 * names them in the page spares the wait for one script to ask for the next. Fails the build where the table names a
 * screen of which no script was made.
 */
export function firstScripts(table: string): Plugin {
  return {
    name: 'first-scripts',
    generateBundle(_, bundle) {
      const chunks = Object.values(bundle).filter((one) => one.type === 'chunk');
      const byFile = new Map(chunks.map((chunk) => [chunk.fileName, chunk]));
      const with_ = (file: string, found = new Set<string>()): Set<string> => {
        if (found.has(file)) return found;
        found.add(file);
        for (const imported of byFile.get(file)?.imports ?? []) with_(imported, found);
        return found;
      };
      const begun = new Set(chunks.filter((c) => c.isEntry).flatMap((c) => [...with_(c.fileName)]));
      const text = readFileSync(table, 'utf8');
      const first = [...text.matchAll(SCREEN)].map(([, path, file, rest]) => {
        const from = resolve(dirname(table), file!);
        const chunk = chunks.find((c) => c.facadeModuleId === from);
        if (!chunk) return this.error(`${path}: no script was made of ${file}.`);
        const needs = [...(NEEDS.exec(rest!)?.[1]?.matchAll(/'([^']+)'/g) ?? [])].map((one) => one[1]!);
        const scripts = [...with_(chunk.fileName)].filter((name) => !begun.has(name));
        return { path, scripts: scripts.map((name) => `/${name}`), needs };
      });
      if (first.length !== text.split('      screen(').length - 1)
        this.error(`${first.length} screens could be read in ${table}, and it has more.`);
      this.emitFile({ type: 'asset', fileName: 'first.json', source: JSON.stringify(first) });
    },
  };
}
