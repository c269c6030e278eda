// npm test: everything, from nothing. A stage that fails says which it was and how to run it alone.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, compilePackages, couldNotCompile, fetchPackages, giveUp, root, run } from './ground.mjs';

const bin = (name) => join(root, 'node_modules/.bin', name);
const { paths } = JSON.parse(readFileSync(join(root, 'scripts/chromium.json'), 'utf8'));

const chromium = () => {
  const found = process.env.CHROMIUM ?? paths.find((path) => existsSync(path));
  return found !== undefined && existsSync(found);
};

/**
 * Debian's headless shell on its way from the start, since that and the packages wait for different things; null where
 * it is here, or where nothing can be installed and a whole Chromium will do: the same engine, at twice the time a page.
 */
function fetchBrowser() {
  if (process.env.CHROMIUM ? chromium() : existsSync(paths[0])) return null;
  const apt = spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0;
  if (!apt || process.getuid?.() !== 0) {
    if (chromium()) return null;
    giveUp(
      'The browser tests need Chromium: install it (on Debian: sudo apt-get install chromium-headless-shell), or point CHROMIUM at one, then run npm test again.',
    );
  }
  process.stdout.write('Installing Chromium for the browser tests…\n');
  const install =
    'apt-get update -qq && apt-get install -y -qq --no-install-recommends chromium-headless-shell fonts-liberation';
  const child = spawn('sh', ['-c', install], {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  return new Promise((done) => child.on('close', done));
}

const types = ['core', 'core/test', 'server', 'web', 'web/test', 'tsconfig.tools.json'];
const env = {
  ...process.env,
  NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
  npm_config_loglevel: 'error',
};
const jest = (...folders) =>
  run(bin('jest'), [...folders.flatMap((one) => ['--roots', `./${one}`])], { env });
let compiling = Promise.resolve(true);
const stages = [
  [
    'packages',
    'npm install',
    () => {
      fetchPackages();
      // Takes one processor for a minute: what needs no package compiled is looked at meanwhile.
      compiling = compilePackages();
      return true;
    },
  ],
  ['format and lint', 'npm run lint', () => run(bin('biome'), ['check', '--error-on-warnings', '.'])],
  [
    'structure',
    'npm run structure',
    () =>
      run(bin('depcruise'), ['--config', '.dependency-cruiser.mjs', 'core/src', 'server/src']) &&
      run(bin('knip'), ['--include', 'exports,types,files']),
  ],
  ['types', 'npm run typecheck', () => types.every((folder) => run(bin('tsc'), ['-p', folder]))],
  ['unit tests', 'npm run unit', () => jest('core', 'web', 'demo', 'bench')],
  ['SQLite', 'npm rebuild better-sqlite3', async () => (await compiling) || couldNotCompile()],
  ['unit tests of the server', 'npm run unit', () => jest('server')],
  [
    'browser',
    'apt-get install chromium-headless-shell',
    async () => {
      await fetching;
      return chromium();
    },
  ],
  ['build', 'npm run build', () => run('npm', ['run', '--silent', 'build'], { env })],
  [
    'browser tests',
    'npm run build && npm run browser',
    () => run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts']),
  ],
];

checkNode();
const only = process.argv[2];
const fetching = only && only !== 'browser' ? null : fetchBrowser();
for (const [name, alone, stage] of stages) {
  if (only && only !== name && !name.startsWith(`${only} of`)) continue;
  const start = Date.now();
  process.stdout.write(`\n— ${name}\n`);
  if (!(await stage())) giveUp(`npm test stopped at “${name}”. Run it alone: ${alone}`);
  process.stdout.write(`  ${name}: fine, ${((Date.now() - start) / 1000).toFixed(1)} s\n`);
}
