import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** What each room may not import: dependence runs web → contract → core and server → contract → core. */
const ROOMS = {
  core: ['contract', 'server', 'web', 'simulators', 'demo'],
  contract: ['server', 'web', 'simulators', 'demo'],
  simulators: ['server', 'web', 'demo'],
  demo: ['server', 'web', 'simulators'],
  web: ['server', 'simulators', 'demo'],
  server: ['web'],
};

const direction = Object.entries(ROOMS).map(([room, forbidden]) => ({
  files: [`${room}/src/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: forbidden.flatMap((other) => [
              `@kibble/${other}`,
              `@kibble/${other}/*`,
              `**/${other}/src/**`,
            ]),
            message: `${room}/ may not depend on this: see "How the house is laid out" in the README.`,
          },
        ],
      },
    ],
  },
}));

/** The core is pure: no file, network, clock or chance but what is passed in. */
const purity = {
  files: ['core/src/**/*.ts'],
  ignores: ['core/src/**/*.test.ts'],
  rules: {
    'no-restricted-globals': [
      'error',
      'fetch',
      'process',
      'window',
      'document',
      'setTimeout',
      'setInterval',
      'performance',
    ],
    'no-restricted-properties': [
      'error',
      { object: 'Math', property: 'random', message: 'Pass a seeded generator in.' },
      { object: 'Date', property: 'now', message: 'Pass the date in.' },
    ],
    'no-restricted-syntax': [
      'error',
      { selector: "NewExpression[callee.name='Date']", message: 'Pass the date in.' },
    ],
  },
};
const corePatterns = direction.find((d) => d.files[0].startsWith('core'));
corePatterns.ignores = ['core/src/**/*.test.ts'];
corePatterns.rules['no-restricted-imports'][1].patterns.push({
  group: ['node:*', 'express', 'sequelize', 'react', 'react-dom', 'zod'],
  message: 'core/ touches no input or output and no interface.',
});

/** The wall clock is read in one place of the server. */
const oneClock = {
  files: ['server/src/**/*.ts'],
  ignores: ['server/src/services/clock.ts', 'server/src/**/*.test.ts'],
  rules: {
    'no-restricted-syntax': [
      'error',
      { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Ask services/clock.' },
    ],
    'no-restricted-properties': [
      'error',
      { object: 'Date', property: 'now', message: 'Ask services/clock.' },
    ],
  },
};

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', 'test-results/**', 'playwright-report/**'] },
  js.configs.recommended,
  tseslint.configs.strict,
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      eqeqeq: 'error',
    },
  },
  { files: ['web/src/**/*.{ts,tsx}'], ...reactHooks.configs.flat['recommended-latest'] },
  // Playwright reads a fixture's needs from its first argument, which must be a pattern, even an empty one.
  { files: ['e2e/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
  ...direction,
  purity,
  oneClock,
);
