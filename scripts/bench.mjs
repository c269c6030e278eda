// npm run bench [-- --json]
import { join } from 'node:path';
import { checkNode, install, root, run } from './ground.mjs';

checkNode();
install();
process.exit(
  run(join(root, 'node_modules/.bin/tsx'), [
    '--tsconfig',
    'bench/tsconfig.json',
    'bench/src/main.ts',
    ...process.argv.slice(2),
  ])
    ? 0
    : 1,
);
