import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const SOURCE = fileURLToPath(new URL('./planThread.ts', import.meta.url));

/**
 * The thread's program as one file of plain JavaScript, made anew at each start in a tenth of a second: a thread that
 * reads hundreds of TypeScript files one by one would take many times as long before its first plan.
 * @param folder where it may be written
 */
export async function planThreadFile(folder: string): Promise<string> {
  mkdirSync(folder, { recursive: true });
  const outfile = join(folder, 'planThread.mjs');
  await build({
    entryPoints: [SOURCE],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'silent',
  });
  return outfile;
}
