// What both commands stand on. Only Node's own modules: nothing is installed yet when this runs.
import { spawn, spawnSync } from 'node:child_process';
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

const lockNow = () =>
  createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
const stamp = join(root, 'node_modules', '.inner-rung-lock');
const isInstalled = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === lockNow();

// Not npm ci: it insists on every platform's optional binaries, which a registry mirror may not carry.
/** Fetches the packages when they are missing or the lock file has changed since, and compiles nothing. */
export function fetchPackages() {
  if (isInstalled()) return;
  process.stdout.write('Fetching packages (once)…\n');
  if (!run(npm, ['install', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error']))
    giveUp('The packages could not be fetched; what npm said is above. Alone: npm install');
}

/** Compiles what packages have to be compiled, beside whatever else is done meanwhile; true when it went well. */
export function compilePackages() {
  if (isInstalled()) return Promise.resolve(true);
  process.stdout.write('Compiling SQLite (once; a minute or two)…\n');
  const ownGroup = process.platform !== 'win32';
  const child = spawn(npm, ['rebuild', '--loglevel=error'], {
    cwd: root,
    stdio: 'inherit',
    detached: ownGroup,
  });
  // Where this stops for another reason nothing goes on writing behind it: npm's own compiler neither, which the next
  // try would meet at the same files.
  process.once('exit', () => {
    try {
      if (ownGroup) process.kill(-child.pid);
      else child.kill();
    } catch {
      // It is done.
    }
  });
  for (const [signal, code] of [
    ['SIGINT', 130],
    ['SIGTERM', 143],
  ])
    process.once(signal, () => process.exit(code));
  return new Promise((done) =>
    child.on('close', (code) => {
      const made = existsSync(join(root, 'node_modules/better-sqlite3/build/Release/better_sqlite3.node'));
      if (code === 0 && made) {
        mkdirSync(dirname(stamp), { recursive: true });
        writeFileSync(stamp, lockNow());
      }
      done(code === 0 && made);
    }),
  );
}

/** Why packages couldn't be compiled, and what to do. */
export function couldNotCompile() {
  if (!(has('g++') || has('c++') || has('clang++')) || !has('make') || !has('python3'))
    giveUp(
      'SQLite has to be compiled here, and there is no compiler: install python3, make and g++ (on Debian: apt-get install python3 make g++), then run the same command again.',
    );
  giveUp('SQLite was not compiled; what npm said is above. Alone: npm rebuild better-sqlite3');
}

/** Packages, ready to be used. */
export async function install() {
  fetchPackages();
  if (!(await compilePackages())) couldNotCompile();
}

export function build() {
  if (!run(npm, ['run', '--silent', 'build'], { env: { ...process.env, npm_config_loglevel: 'error' } }))
    giveUp('The build failed; what went wrong is above. Alone: npm run build');
}
