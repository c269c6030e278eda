// npm run coach [-- --refused RULE]
import { join } from 'node:path';
import { checkNode, install, root, run } from './ground.mjs';

checkNode();
await install();
const { bundle } = await import('../server/bundle.mjs');
await bundle({
  entryPoints: [join(root, 'bench/src/coach/main.ts')],
  outfile: join(root, 'bench/dist/coach.mjs'),
});
process.exit(run(process.execPath, [join(root, 'bench/dist/coach.mjs'), ...process.argv.slice(2)]) ? 0 : 1);
