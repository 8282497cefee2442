// Shared by the commands of package.json. Only Node itself is needed, so that they work before any install.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

export const root = resolve(import.meta.dirname, '..');
const at = (...parts) => join(root, ...parts);

/** Runs a command in the repository with its output shown; gives the exit code. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error !== undefined) throw error;
  return status ?? 1;
}

/** What is made ready says so on the second stream: the first is the command's own. */
const ASIDE = { stdio: ['inherit', process.stderr, 'inherit'] };

function mustRun(command, args, what) {
  if (run(command, args, ASIDE) !== 0) {
    process.stderr.write(`${what} failed.\n`);
    process.exit(1);
  }
}

/** The database is the one package that is compiled here: it takes longer than all others take to be fetched. */
const COMPILED = at('node_modules', 'better-sqlite3', 'build', 'Release', 'better_sqlite3.node');
export const isCompiled = () => existsSync(COMPILED);

/** Installs the packages of the lock file when they are missing or of another lock, and compiles what is compiled. */
export function ensureInstalled() {
  ensureFetched();
  if (!isCompiled()) mustRun('npm', ['run', '--silent', 'compile'], 'npm run compile');
}

/** The same, and leaves the compiling to whoever can do something else meanwhile. */
export function ensureFetched() {
  const lock = createHash('sha256')
    .update(readFileSync(at('package-lock.json')))
    .digest('hex');
  const stamp = at('node_modules', '.lock-hash');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  process.stderr.write('Installing packages; the first time takes some minutes.\n');
  mustRun('npm', ['ci', '--no-progress', '--ignore-scripts'], 'npm ci');
  writeFileSync(stamp, lock);
}

function newest(folder) {
  let time = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue;
    const path = join(folder, entry.name);
    time = Math.max(time, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return time;
}

/** What was made is there, and no source of these folders is newer. */
function isMade(made, folders) {
  const sources = Math.max(
    ...folders.map((name) => newest(at(name))),
    statSync(at('package-lock.json')).mtimeMs,
  );
  return existsSync(made) && statSync(made).mtimeMs > sources;
}

/** Builds the web application and the server when a source is newer than the last build. */
export function ensureBuilt() {
  if (!isMade(at('web', 'dist', 'index.html'), ['web', 'core', 'contracts']))
    mustRun('npm', ['run', 'build', '--silent'], 'The build');
  ensureBundled();
}

/** The same of the server and its commands alone. */
export function ensureBundled() {
  if (!isMade(at('server', 'dist', 'start.mjs'), ['server', 'core', 'contracts']))
    mustRun(process.execPath, ['scripts/bundle.mjs'], 'The bundle');
}

/** The shell without windows is the same browser, and takes a third less work for every page. */
const SHELL = '/usr/bin/chromium-headless-shell';
const CHROMIUM_PLACES = [process.env.CHROMIUM, SHELL, '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** Installs a package of Debian's where this runs as root with apt; false where it cannot. */
function installed(name) {
  if (
    process.getuid?.() !== 0 ||
    spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).error !== undefined
  )
    return false;
  process.stdout.write(`Installing ${name} for the end-to-end tests.\n`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  // Without a network it is known soon.
  const soon = ['-o', 'Acquire::http::Timeout=20', '-o', 'Acquire::Retries=1'];
  const install = ['install', '-y', '-qq', '--no-install-recommends', ...soon, name];
  const quiet = { env, stdio: ['ignore', 'ignore', 'inherit'] };
  if (run('apt-get', install, { env, stdio: 'ignore' }) === 0) return true;
  run('apt-get', ['update', '-qq', ...soon], quiet);
  return run('apt-get', install, quiet) === 0;
}

/** The path of a Chromium; installs Debian's where this runs as root with apt, else says what to install. */
export function ensureChromium() {
  const find = () => CHROMIUM_PLACES.find((path) => path !== undefined && existsSync(path));
  const wanted = process.env.CHROMIUM === undefined ? SHELL : process.env.CHROMIUM;
  const there =
    existsSync(wanted) ||
    installed('chromium-headless-shell') ||
    find() !== undefined ||
    installed('chromium');
  const found = there ? find() : undefined;
  if (found !== undefined) return found;
  process.stderr.write(
    'Chromium is missing. Install the package "chromium-headless-shell" or "chromium", or set CHROMIUM to its path.\n',
  );
  process.exit(1);
}

/**
 * Runs scripts of package.json in so many lanes, each lane taking the next that waits and need not wait for another, and
 * shows what a failed one said. Gives the names of those that failed.
 * @param scripts `name`, further arguments, and the one `after` which it is run
 */
export async function sideBySide(scripts, lanes) {
  const failed = [];
  const ran = new Set();
  const running = new Set();
  const check = ({ name: script, more = [] }) => {
    const start = Date.now();
    return new Promise((done) => {
      const child = spawn('npm', ['run', '--silent', script, '--', ...more], { cwd: root });
      const said = [];
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => said.push(String(text)));
      child.on('close', (code) => {
        const time = ((Date.now() - start) / 1000).toFixed(0);
        process.stdout.write(`${code === 0 ? 'passed' : 'FAILED'}  ${script}, ${time} s\n`);
        if (code !== 0) {
          failed.push(script);
          process.stdout.write(said.join(''));
        }
        done();
      });
    });
  };
  const waiting = [...scripts];
  const isReady = ({ after }) => ran.has(after) || scripts.every(({ name }) => name !== after);
  await Promise.all(
    Array.from({ length: lanes }, async () => {
      while (waiting.length > 0) {
        const next = waiting.find(isReady);
        if (next === undefined) {
          await Promise.race(running);
          continue;
        }
        waiting.splice(waiting.indexOf(next), 1);
        const run = check(next).then(() => {
          ran.add(next.name);
          running.delete(run);
        });
        running.add(run);
        await run;
      }
    }),
  );
  return failed;
}

/** Starts a long-running command, passes signals on to it, and ends with its exit code. */
export function keepRunning(command, args, options = {}) {
  const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
  return child;
}
