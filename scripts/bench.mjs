// npm run bench [-- --json]
import { join } from 'node:path';
import { checkNode, install, root, run } from './ground.mjs';

checkNode();
await install();
// Bundled as the server and the pages are, so that what is measured is what runs.
const { bundle } = await import('../server/bundle.mjs');
await bundle({ entryPoints: [join(root, 'bench/src/main.ts')], outfile: join(root, 'bench/dist/main.mjs') });
process.exit(run(process.execPath, [join(root, 'bench/dist/main.mjs'), ...process.argv.slice(2)]) ? 0 : 1);
