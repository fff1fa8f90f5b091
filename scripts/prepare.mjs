/** Shared by the root commands: plain Node, nothing installed yet. */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = resolve(fileURLToPath(new URL('..', import.meta.url)));

/** Runs a command in the project's folder with its output shown; true when it succeeded. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  return done.status === 0;
}

/** Runs a command quietly and gives back what it printed and whether it succeeded. */
export function ask(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, encoding: 'utf8', maxBuffer: 1 << 28, ...options });
  return { ok: done.status === 0, text: `${done.stdout ?? ''}${done.stderr ?? ''}` };
}

const has = (command) => ask('sh', ['-c', `command -v ${command}`]).ok;

/** Installs Debian packages when we may; says what is missing when we may not. */
export function needPackages(packages, why) {
  const mayInstall = has('apt-get') && process.getuid?.() === 0;
  if (mayInstall) {
    console.log(`Installing ${packages.join(', ')} (${why}) …`);
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    run('apt-get', ['update', '-qq'], { env, stdio: 'ignore' });
    if (
      run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
        env,
        stdio: 'ignore',
      })
    )
      return;
  }
  console.error(
    `Kibble needs ${packages.join(', ')}: ${why}. Install ${packages.length > 1 ? 'them' : 'it'} with your system's package manager and run this again.`,
  );
  process.exit(1);
}

/** True when every package of the lock file's newest state is in place. */
function installed() {
  const mark = join(root, 'node_modules', '.package-lock.json');
  const lock = join(root, 'package-lock.json');
  if (
    !existsSync(mark) ||
    !existsSync(join(root, 'node_modules', 'sqlite3', 'build', 'Release', 'node_sqlite3.node'))
  )
    return false;
  if (statSync(mark).mtimeMs >= statSync(lock).mtimeMs) return true;
  // A fresh checkout of the same lock file is newer by date alone.
  const wanted = JSON.parse(readFileSync(lock, 'utf8')).packages;
  const present = JSON.parse(readFileSync(mark, 'utf8')).packages;
  return Object.entries(wanted).every(
    ([path, { version, optional, link }]) =>
      path === '' ||
      optional ||
      link ||
      !version ||
      !path.startsWith('node_modules') ||
      present[path]?.version === version,
  );
}

/** Installs the packages once; sqlite3 is compiled then, which takes about two minutes. */
export function prepare() {
  if (Number(process.versions.node.split('.')[0]) < 20) {
    console.error(`Kibble needs Node 20 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  if (installed()) return;
  if (!has('g++') || !has('make') || !has('python3')) {
    needPackages(['g++', 'make', 'python3'], 'to compile the database driver');
  }
  console.log('Installing packages, once. The database driver is compiled: about two minutes.');
  if (!run('npm', ['ci', '--no-audit', '--no-fund'])) {
    console.error('The packages could not be installed; the lines above say why.');
    process.exit(1);
  }
}

/** Builds the interface when its sources are newer than what was built. */
export function buildWeb() {
  const built = join(root, 'web', 'dist', 'index.html');
  const newest = ask('sh', [
    '-c',
    'find web/src web/index.html web/vite.config.ts web/public core/src contract/src package-lock.json -type f -printf "%T@\\n" | sort -rn | head -1',
  ]);
  if (existsSync(built) && statSync(built).mtimeMs / 1000 > Number(newest.text.trim())) return;
  console.log('Building the interface …');
  const done = ask('npx', ['vite', 'build', '--logLevel', 'warn'], { cwd: join(root, 'web') });
  if (!done.ok) {
    console.error(done.text);
    process.exit(1);
  }
}

/** The arguments with which Node runs TypeScript here. */
export const TS = ['--import', 'tsx'];
