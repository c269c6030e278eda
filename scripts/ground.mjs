// What both commands stand on. Only Node's own modules: nothing is installed yet when this runs.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

export function giveUp(sentence) {
  process.stderr.write(`\n${sentence}\n`);
  process.exit(1);
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    giveUp(
      `Inner Rung needs Node 20.19 or newer; this is ${process.versions.node}. Install a newer Node and run the same command again.`,
    );
}

/** Runs a command in the repository; returns true when it went well. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  return result.status === 0;
}

const has = (command) => spawnSync(command, ['--version'], { stdio: 'ignore' }).status === 0;

// Not npm ci: it insists on every platform's optional binaries, which a registry mirror may not carry.
/** Installs the packages when they are missing or the lock file has changed since. */
export function install() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.inner-rung-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  process.stdout.write('Installing packages (once; SQLite is compiled, which takes a minute or two)…\n');
  if (!run(npm, ['install', '--no-audit', '--no-fund', '--loglevel=error'])) {
    if (!(has('g++') || has('c++') || has('clang++')) || !has('make') || !has('python3'))
      giveUp(
        'SQLite has to be compiled here, and there is no compiler: install python3, make and g++ (on Debian: apt-get install python3 make g++), then run the same command again.',
      );
    giveUp('The packages could not be installed; what npm said is above. Alone: npm install');
  }
  if (!existsSync(join(root, 'node_modules/better-sqlite3/build/Release/better_sqlite3.node')))
    giveUp('SQLite was not compiled. Install python3, make and g++, then run: npm rebuild better-sqlite3');
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, lock);
}

export function build() {
  if (!run(npm, ['run', '--silent', 'build'], { env: { ...process.env, npm_config_loglevel: 'error' } }))
    giveUp('The build failed; what went wrong is above. Alone: npm run build');
}
