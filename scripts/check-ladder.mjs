// npm run check-ladder FILE
import { join } from 'node:path';
import { checkNode, install, root, run } from './ground.mjs';

checkNode();
await install();
const well = run(join(root, 'node_modules/.bin/tsx'), [
  '--tsconfig',
  join(root, 'server/tsconfig.json'),
  join(root, 'server/src/check-ladder.ts'),
  join(root, 'library'),
  ...process.argv.slice(2),
]);
process.exit(well ? 0 : 1);
