import { bundle } from './bundle.mjs';

await bundle({
  entryPoints: { main: 'src/main.ts', heavy: 'src/heavy.worker.ts' },
  outdir: 'dist',
  outExtension: { '.js': '.mjs' },
});
await bundle({ entryPoints: ['../demo/src/index.ts'], outfile: '../demo/dist/scenario.mjs' });
