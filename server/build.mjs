import { spawnSync } from 'node:child_process';
import { bundle } from './bundle.mjs';

await bundle({
  entryPoints: { main: 'src/main.ts', ask: 'src/ask.worker.ts', 'build-library': 'src/build-library.ts' },
  outdir: 'dist',
  outExtension: { '.js': '.mjs' },
});
await bundle({ entryPoints: ['../demo/src/index.ts'], outfile: '../demo/dist/scenario.mjs' });

const made = spawnSync(process.execPath, ['dist/build-library.mjs', '../library'], { stdio: 'inherit' });
process.exitCode = made.status ?? 1;
