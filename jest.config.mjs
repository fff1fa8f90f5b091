import { BUNDLED, BUNDLES } from './scripts/bundleForTests.mjs';

/** Unit and API tests: TypeScript through swc, one fixed time zone so that no test depends on the machine's. */
process.env.TZ = 'America/New_York';

const swc = (tsx) => [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx },
      target: 'es2022',
      ...(tsx ? { transform: { react: { runtime: 'automatic' } } } : {}),
    },
    module: { type: 'commonjs' },
  },
];
const of = (name, files, testEnvironment) => ({
  displayName: name,
  rootDir: import.meta.dirname,
  testEnvironment,
  moduleNameMapper: {
    ...Object.fromEntries(
      BUNDLED.map((name) => [`^${name}$`, `<rootDir>/${BUNDLES}/${name.replace('@kibble/', '')}.cjs`]),
    ),
    // Its own build for tools that take no modules.
    '^d3(-geo)?$': '<rootDir>/node_modules/d3/dist/d3.js',
  },
  setupFiles: ['<rootDir>/scripts/plainTraces.ts'],
  testMatch: files.map((file) => `<rootDir>/${file}`),
  transform: { '^.+\\.ts$': swc(false), '^.+\\.tsx$': swc(true) },
});

/** Tests of generated histories, of the edges of every reading in every room and of every combination: a step of their own. */
const GENERATED = '{core,server}/src/**/*.generated.test.ts';
const generated = process.env.KIBBLE_TESTS === 'generated';

export default {
  globalSetup: '<rootDir>/scripts/bundleForTests.mjs',
  // Generous: a busy machine must not fail a test that is right.
  testTimeout: 60_000,
  maxWorkers: '100%',
  projects: generated
    ? [of('generated', [GENERATED], 'node')]
    : [
        {
          ...of('unit', ['{core,contract,server,simulators,demo,web}/src/**/*.test.ts'], 'node'),
          testPathIgnorePatterns: ['\\.generated\\.test\\.ts$'],
        },
        of('components', ['web/src/**/*.test.tsx'], '<rootDir>/web/tests/domEnvironment.mjs'),
      ],
};
