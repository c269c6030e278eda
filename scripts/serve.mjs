// npm start and npm run demo: install if needed, build, serve.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, checkNode, install, root } from './ground.mjs';

const demo = process.argv.includes('--demo');
checkNode();
await install();
build();
const server = spawn(
  process.execPath,
  [
    join(root, 'server/dist/main.mjs'),
    ...(demo
      ? [
          '--data',
          process.env.INNER_RUNG_DATA ?? join(root, 'demo-data'),
          '--seed',
          join(root, 'demo/dist/scenario.mjs'),
          '--port',
          process.env.PORT ?? '4690',
        ]
      : []),
  ],
  { stdio: 'inherit', env: { ...process.env, INNER_RUNG_ROOT: root } },
);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
