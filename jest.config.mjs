/** Unit and API tests: TypeScript through swc, one fixed time zone so that no test depends on the machine's. */
process.env.TZ = 'America/New_York';

export default {
  testEnvironment: 'node',
  // Generous: a busy machine must not fail a test that is right.
  testTimeout: 60_000,
  testMatch: ['<rootDir>/{core,contract,server,simulators,demo,web}/src/**/*.test.ts'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: false }, target: 'es2022' },
        module: { type: 'commonjs' },
      },
    ],
  },
};
