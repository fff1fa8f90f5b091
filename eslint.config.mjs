import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import importX from 'eslint-plugin-import-x';
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

/**
 * The core's own rooms, and what each may look into: no arrow runs back. `units` stands under all of them, tests may look
 * anywhere.
 */
const CORE_ROOMS = {
  units: [],
  working: ['units'],
  weather: ['units', 'working'],
  plants: ['units', 'working', 'weather'],
  sources: ['units'],
  soil: ['units', 'working'],
  delivery: ['units', 'working', 'weather', 'plants', 'soil'],
  schools: ['units', 'working', 'plants'],
  places: ['units', 'working', 'weather', 'plants', 'soil', 'delivery'],
  readings: ['units', 'working', 'weather', 'plants', 'soil', 'delivery', 'places'],
  checks: ['units', 'soil', 'readings'],
  follow: ['units', 'working', 'weather', 'plants', 'soil', 'delivery', 'schools', 'places', 'readings'],
  rounds: ['units', 'plants'],
  clock: ['units', 'weather', 'plants', 'sources', 'delivery', 'follow', 'rounds'],
  share: ['units', 'weather', 'plants', 'sources', 'delivery', 'schools', 'follow', 'clock'],
  plan: ['units', 'kinds', 'weather', 'schools', 'places', 'follow', 'rounds', 'clock', 'share'],
  compare: [
    'kinds',
    'units',
    'working',
    'weather',
    'plants',
    'soil',
    'delivery',
    'schools',
    'places',
    'follow',
    'rounds',
    'clock',
    'plan',
    'explain',
  ],
  explain: [
    'units',
    'working',
    'weather',
    'plants',
    'soil',
    'delivery',
    'sources',
    'checks',
    'places',
    'follow',
  ],
  care: ['units', 'weather', 'plants', 'places'],
  pots: ['units', 'working', 'weather', 'plants', 'schools', 'delivery', 'places', 'follow'],
  entries: ['units', 'weather', 'readings', 'care', 'pots'],
  tasks: ['units', 'care', 'pots', 'entries'],
  kinds: ['units', 'working', 'weather', 'plants', 'schools', 'places', 'follow', 'care', 'pots', 'record'],
  record: [
    'units',
    'plants',
    'sources',
    'soil',
    'delivery',
    'schools',
    'places',
    'readings',
    'follow',
    'rounds',
    'clock',
    'share',
    'pots',
    'entries',
  ],
};

/** The same of the server and of the pages: each floor looks down, none up. */
const SERVER_ROOMS = {
  db: [],
  record: ['db'],
  services: ['db', 'record'],
  planner: ['db', 'record', 'services'],
  towns: ['planner'],
  files: ['planner'],
  restoring: ['db', 'planner'],
  practice: [],
  sharing: ['services'],
  http: ['db', 'record', 'services', 'planner', 'towns', 'files', 'restoring', 'practice', 'sharing'],
  jobs: ['db', 'services', 'planner'],
  routes: ['db', 'record', 'services', 'planner', 'towns', 'files', 'practice', 'sharing', 'http'],
};
const WEB_ROOMS = {
  outbox: [],
  worker: ['outbox'],
  words: [],
  state: ['outbox', 'words'],
  api: ['outbox', 'words', 'state'],
  ui: ['outbox', 'words', 'state', 'api'],
  drawing: ['words', 'state', 'api'],
  places: ['words', 'state', 'api', 'ui', 'drawing'],
  rooms: ['outbox', 'words', 'state', 'api', 'ui', 'drawing', 'places'],
  house: ['outbox', 'words', 'state', 'api', 'ui', 'drawing', 'rooms'],
};

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
const patternsOf = (pack) =>
  direction.find((d) => d.files[0].startsWith(pack)).rules['no-restricted-imports'][1].patterns;
const testsOf = (pack) => `${pack}/src/**/*.test.{ts,tsx}`;

/** Each room of a package with what it may not look into, besides what no part of the package may. */
const roomsOf = (pack, table) =>
  Object.entries(table).map(([room, allowed]) => ({
    files: [`${pack}/src/${room}/**/*.{ts,tsx}`],
    ignores: [testsOf(pack)],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            ...patternsOf(pack),
            {
              regex: `^(\\.\\./)+(${Object.keys(table)
                .filter((other) => other !== room && !allowed.includes(other))
                .join('|')})/`,
              message: `${pack}/src/${room}/ may not look into this room: see its table in eslint.config.mjs.`,
            },
          ],
        },
      ],
    },
  }));
direction.find((d) => d.files[0].startsWith('core')).ignores = [testsOf('core')];
patternsOf('core').push({
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

/** No file leads back to itself. `scripts/lintFires.mjs` holds that the rule finds a circle where there is one. */
export const noCircle = {
  files: ['{core,contract,server,web,simulators,demo}/src/**/*.{ts,tsx}'],
  plugins: { 'import-x': importX },
  settings: {
    // Without these two the rule reads no file of ours and finds nothing.
    'import-x/extensions': ['.ts', '.tsx'],
    'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
    'import-x/resolver-next': [importX.createNodeResolver({ extensions: ['.ts', '.tsx', '.mjs', '.js'] })],
  },
  rules: { 'import-x/no-cycle': ['error', { ignoreExternal: true }] },
};

/** What only the types can tell: promises nobody waits for, casts that say nothing, cases that were forgotten. */
const typeAware = {
  files: ['{core,contract,server,web,simulators,demo,bench}/{src,tests}/**/*.{ts,tsx}', 'e2e/**/*.ts'],
  languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
  rules: {
    '@typescript-eslint/await-thenable': 'error',
    '@typescript-eslint/no-floating-promises': 'error',
    '@typescript-eslint/no-misused-promises': 'error',
    '@typescript-eslint/no-unnecessary-type-assertion': 'error',
    '@typescript-eslint/no-unnecessary-type-arguments': 'error',
    '@typescript-eslint/only-throw-error': 'error',
    '@typescript-eslint/return-await': 'error',
    '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    '@typescript-eslint/restrict-plus-operands': 'error',
  },
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      'data/**',
      'test-results/**',
      'playwright-report/**',
      'scripts/fixtures/**',
    ],
  },
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
  // What the table's library hands out changes with its state; nothing of it is memoized there.
  { files: ['web/src/ui/DataTable.tsx'], rules: { 'react-hooks/incompatible-library': 'off' } },
  // Playwright reads a fixture's needs from its first argument, which must be a pattern, even an empty one.
  { files: ['e2e/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
  ...direction,
  ...roomsOf('core', CORE_ROOMS),
  ...roomsOf('server', SERVER_ROOMS),
  ...roomsOf('web', WEB_ROOMS),
  noCircle,
  typeAware,
  purity,
  oneClock,
);
