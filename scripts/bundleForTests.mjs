import { join } from 'node:path';
import { build } from 'esbuild';

/** Where the packages that others build on lie, each as one file. */
export const BUNDLES = 'node_modules/.cache/kibble-tests';

const OURS = ['core', 'contract'];
/** Packages of very many small files, read by nearly every test. */
const THEIRS = ['zod', 'sequelize', 'umzug'];
/** What is read as one file, by its name. */
export const BUNDLED = [...OURS.map((name) => `@kibble/${name}`), ...THEIRS];

const outfile = (rootDir, name) => join(rootDir, BUNDLES, `${name}.cjs`);

/** The migrations' own command line is a hundred files more, and nobody calls it here. */
const noCommandLine = {
  name: 'no command line',
  setup({ onResolve, onLoad }) {
    onResolve({ filter: /^\.\/cli$/ }, ({ path }) => ({ path, namespace: 'left out' }));
    onLoad({ filter: /.*/, namespace: 'left out' }, () => ({ contents: '' }));
  },
};

/**
 * Jest reads every module anew for every test file: core alone is over a hundred, and what the server stands on several
 * hundred. Those get read as one file each, ours made from their sources at the start of every run, as the planning
 * thread does.
 */
export default async function bundleForTests({ rootDir }) {
  const plain = { bundle: true, platform: 'node', format: 'cjs', target: 'node20', logLevel: 'silent' };
  await Promise.all([
    ...OURS.map((name) =>
      build({
        ...plain,
        entryPoints: [join(rootDir, name, 'src/index.ts')],
        outfile: outfile(rootDir, name),
        external: ['zod', ...(name === 'core' ? [] : ['@kibble/core'])],
        sourcemap: 'inline',
      }),
    ),
    ...THEIRS.map((name) =>
      build({
        ...plain,
        stdin: { contents: `module.exports = require('${name}');`, resolveDir: join(rootDir, 'server') },
        outfile: outfile(rootDir, name),
        // Drivers of other databases than ours are not there.
        external: name === 'sequelize' ? ['sqlite3', 'pg-hstore'] : [],
        plugins: name === 'umzug' ? [noCommandLine] : [],
      }),
    ),
  ]);
}
