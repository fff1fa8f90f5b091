import { existsSync, mkdirSync } from 'node:fs';
import { basename, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

/**
 * A thread's program as one file of plain JavaScript: a thread that reads hundreds of TypeScript files one by one would
 * take many times as long before its first answer. It lies beside the server's own program where that was built, and is
 * made anew otherwise.
 * @param source the program's own file; `folder` where it may be written; `external` packages that it reads where they
 *   are installed, for which it is written in the older form of modules
 * @returns its address
 */
export async function threadFile(
  source: URL,
  folder: string,
  external: readonly string[] = [],
): Promise<string> {
  const older = external.length > 0;
  const built = new URL(source.href.replace(/\.ts$/, older ? '.cjs' : '.mjs'));
  if (existsSync(built)) return built.href;
  mkdirSync(folder, { recursive: true });
  const outfile = join(folder, basename(built.pathname));
  const { build } = await import('esbuild');
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
