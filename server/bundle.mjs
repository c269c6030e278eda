import { build } from 'esbuild';

const core = {
  name: 'core-sources',
  setup(b) {
    // Our own workspaces are bundled from source; everything else stays a package.
    b.onResolve({ filter: /^@inner-rung\/core\// }, (args) => ({
      path: new URL(`../core/src/${args.path.split('/')[2]}/index.ts`, import.meta.url).pathname,
    }));
  },
};

/** One bundle for Node, with our sources in it and packages beside it. */
export const bundle = (what) =>
  build({
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    plugins: [core],
    logLevel: 'warning',
    ...what,
  });
