import { join } from 'node:path';
import { build } from 'esbuild';

/** Where the packages that others build on lie, each as one file. */
export const BUNDLES = 'node_modules/.cache/kibble-tests';

/**
 * Jest reads every module anew for every test file: core alone is over a hundred. What only uses core and contract gets
 * each as one file, made from their sources at the start of every run, as the planning thread does.
 */
export default async function bundleForTests({ rootDir }) {
  await Promise.all(
    ['core', 'contract'].map((name) =>
      build({
        entryPoints: [join(rootDir, name, 'src/index.ts')],
        outfile: join(rootDir, BUNDLES, `${name}.cjs`),
        bundle: true,
        platform: 'node',
        format: 'cjs',
        target: 'node20',
        external: ['zod', ...(name === 'core' ? [] : ['@kibble/core'])],
        sourcemap: 'inline',
        logLevel: 'silent',
      }),
    ),
  );
}
