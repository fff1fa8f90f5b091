import { mkdirSync } from 'node:fs';
import { basename, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

/**
 * A thread's program as one file of plain JavaScript, made anew at each start in a tenth of a second: a thread that
 * reads hundreds of TypeScript files one by one would take many times as long before its first answer.
 * @param source the program's own file; `folder` where it may be written; `external` packages that it reads where they
 *   are installed, for which it is written in the older form of modules
 * @returns its address
 */
export async function threadFile(
  source: URL,
  folder: string,
  external: readonly string[] = [],
): Promise<string> {
  mkdirSync(folder, { recursive: true });
  const older = external.length > 0;
  const outfile = join(folder, basename(source.pathname).replace(/\.ts$/, older ? '.cjs' : '.mjs'));
  await build({
    entryPoints: [fileURLToPath(source)],
    outfile,
    bundle: true,
    platform: 'node',
    format: older ? 'cjs' : 'esm',
    external: [...external],
    minify: older,
    target: 'node20',
    logLevel: 'silent',
  });
  return pathToFileURL(outfile).href;
}
