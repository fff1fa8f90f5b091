/**
 * The server as plain JavaScript in `server/dist`: its own program, and one for each thread or process that it begins.
 * A server that reads four hundred TypeScript files one by one takes four times as long before its first answer.
 */
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ask, root } from './prepare.mjs';

/** What the server runs. */
export const SERVER = join('server', 'dist', 'main.mjs');

const source = (path) => join(root, 'server', 'src', path);
const THREADS = ['planner/planThread.ts', 'towns/townsThread.ts', 'files/filesThread.ts'];
/** Checks a file in a process of its own, which reads the database's driver from where it was installed. */
const CHECKING = 'restoring/child.ts';

/** True when no source is newer than what was built. */
function isBuilt() {
  const built = join(root, SERVER);
  const newest = ask('sh', [
    '-c',
    'find server/src core/src contract/src demo/src simulators/src package-lock.json scripts/buildServer.mjs -type f -printf "%T@\\n" | sort -rn | head -1',
  ]);
  return existsSync(built) && statSync(built).mtimeMs / 1000 > Number(newest.text.trim());
}

/** Our own packages are read in; everybody else's are read from where they were installed. */
const othersStayOutside = {
  name: 'others stay outside',
  setup: (build) =>
    build.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith('@kibble/') ? undefined : { path, external: true },
    ),
};

/** Builds it when its sources are newer than what was built. */
export async function buildServer() {
  if (isBuilt()) return;
  const { build } = await import('esbuild');
  const common = { bundle: true, platform: 'node', target: 'node20', logLevel: 'warning' };
  const outdir = join(root, 'server', 'dist');
  const outExtension = { '.js': '.mjs' };
  await Promise.all([
    ...THREADS.map((path) =>
      build({ ...common, entryPoints: [source(path)], outdir, outExtension, format: 'esm' }),
    ),
    build({
      ...common,
      entryPoints: [source(CHECKING)],
      outdir,
      outExtension: { '.js': '.cjs' },
      format: 'cjs',
      external: ['sqlite3', 'pg-hstore'],
      minify: true,
    }),
  ]);
  // Last, so that it is newer than the sources only when all of it is there.
  await build({
    ...common,
    entryPoints: [source('main.ts')],
    outdir,
    outExtension,
    format: 'esm',
    splitting: true,
    plugins: [othersStayOutside],
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await buildServer();
