// npm test: everything, from nothing. A stage that fails says which it was and how to run it alone.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, giveUp, install, root, run } from './ground.mjs';

const bin = (name) => join(root, 'node_modules/.bin', name);
const { paths } = JSON.parse(readFileSync(join(root, 'scripts/chromium.json'), 'utf8'));

function browser() {
  const found = process.env.CHROMIUM ?? paths.find((path) => existsSync(path));
  if (found && existsSync(found)) return true;
  const apt = spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0;
  if (!apt || process.getuid?.() !== 0)
    giveUp(
      'The browser tests need Chromium: install it (on Debian: sudo apt-get install chromium), or point CHROMIUM at one, then run npm test again.',
    );
  process.stdout.write('Installing Chromium for the browser tests…\n');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  return (
    run('apt-get', ['update', '-qq'], { env }) &&
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'fonts-liberation'], {
      env,
      stdio: ['ignore', 'ignore', 'inherit'],
    })
  );
}

const types = ['core', 'core/test', 'server', 'web', 'web/test', 'demo', 'e2e', 'bench'];
const env = {
  ...process.env,
  NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
  npm_config_loglevel: 'error',
};
const stages = [
  [
    'packages',
    'npm install',
    () => {
      install();
      return true;
    },
  ],
  ['browser', 'apt-get install chromium', browser],
  ['format and lint', 'npm run lint', () => run(bin('biome'), ['check', '--error-on-warnings', '.'])],
  [
    'structure',
    'npm run structure',
    () =>
      run(bin('depcruise'), ['--config', '.dependency-cruiser.mjs', 'core/src', 'server/src']) &&
      run(bin('knip'), ['--include', 'exports,types,files']),
  ],
  ['types', 'npm run typecheck', () => types.every((folder) => run(bin('tsc'), ['-p', folder]))],
  ['unit tests', 'npm run unit', () => run(bin('jest'), [], { env })],
  ['build', 'npm run build', () => run('npm', ['run', '--silent', 'build'], { env })],
  [
    'browser tests',
    'npm run build && npm run browser',
    () => run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts']),
  ],
];

checkNode();
const only = process.argv[2];
for (const [name, alone, stage] of stages) {
  if (only && only !== name) continue;
  const start = Date.now();
  process.stdout.write(`\n— ${name}\n`);
  if (!stage()) giveUp(`npm test stopped at “${name}”. Run it alone: ${alone}`);
  process.stdout.write(`  ${name}: fine, ${((Date.now() - start) / 1000).toFixed(1)} s\n`);
}
