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
  setupFiles: ['<rootDir>/scripts/shortStacks.cjs'],
  testMatch: files.map((file) => `<rootDir>/${file}`),
  transform: { '^.+\\.ts$': swc(false), '^.+\\.tsx$': swc(true) },
});

/** Tests of generated histories and of every combination: a step of their own, since they take as long as all the others. */
const GENERATED = ['server/src/histories.test.ts', 'core/src/plan/exactPlan.test.ts'];
const generated = process.env.KIBBLE_TESTS === 'generated';

export default {
  // Generous: a busy machine must not fail a test that is right.
  testTimeout: 60_000,
  maxWorkers: '100%',
  projects: generated
    ? [of('generated', GENERATED, 'node')]
    : [
        {
          ...of('unit', ['{core,contract,server,simulators,demo,web}/src/**/*.test.ts'], 'node'),
          testPathIgnorePatterns: GENERATED,
        },
        of('components', ['web/src/**/*.test.tsx'], '<rootDir>/web/tests/domEnvironment.mjs'),
      ],
};
