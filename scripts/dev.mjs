// npm run dev: the API restarts and the page reloads as files change. Demo data.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, checkNode, install, root } from './ground.mjs';

checkNode();
await install();
build();
const port = process.env.PORT ?? '4690';
const env = { ...process.env, PORT: port, INNER_RUNG_ROOT: root };
const children = [
  spawn(
    join(root, 'node_modules/.bin/tsx'),
    [
      'watch',
      '--tsconfig',
      'server/tsconfig.json',
      'server/src/main.ts',
      '--api',
      '--data',
      join(root, 'demo-data'),
      '--seed',
      join(root, 'demo/dist/scenario.mjs'),
    ],
    { cwd: root, stdio: 'inherit', env },
  ),
  spawn(join(root, 'node_modules/.bin/vite'), [], { cwd: join(root, 'web'), stdio: 'inherit', env }),
];
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    for (const child of children) child.kill(signal);
  });
for (const child of children) child.on('exit', (code) => process.exit(code ?? 0));
