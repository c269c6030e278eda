import { build } from 'esbuild';

const common = { bundle: true, platform: 'node', format: 'esm', target: 'node20', packages: 'external' };
const core = {
  name: 'core-sources',
  setup(b) {
    // Our own workspaces are bundled from source; everything else stays a package.
    b.onResolve({ filter: /^@inner-rung\/core\// }, (args) => ({
      path: new URL(`../core/src/${args.path.split('/')[2]}/index.ts`, import.meta.url).pathname,
    }));
  },
};
await build({
  ...common,
  plugins: [core],
  entryPoints: { main: 'src/main.ts', heavy: 'src/heavy.worker.ts' },
  outdir: 'dist',
  outExtension: { '.js': '.mjs' },
  logLevel: 'warning',
});
await build({
  ...common,
  plugins: [core],
  entryPoints: ['../demo/src/index.ts'],
  outfile: '../demo/dist/scenario.mjs',
  logLevel: 'warning',
});
