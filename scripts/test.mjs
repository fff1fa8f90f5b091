/** `npm test`: installs what is lacking, then type check, lint, unit, API and browser tests. Last line: N passed, N failed. */
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { setPriority, tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer } from './buildServer.mjs';
import { buildWeb, needPackages, prepare, root } from './prepare.mjs';

prepare();
if (!existsSync('/usr/bin/chromium')) needPackages(['chromium'], 'the browser tests drive a real browser');
buildWeb();
await buildServer();

const out = mkdtempSync(join(tmpdir(), 'kibble-test-'));
const report = (name) => join(out, name);
const read = (name) => JSON.parse(readFileSync(report(name), 'utf8'));
const began = Date.now();
let passed = 0;
let failed = 0;

const took = (began) => `${Math.round((Date.now() - began) / 1000)} s`;

/** What gives way to whatever else runs. */
const GIVES_WAY = 19;

/** A step that counts as one test. What it prints is held back until it ends, so that two at once do not mix. */
function step(name, command, args, priority = 0) {
  const began = Date.now();
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    if (priority > 0 && child.pid) setPriority(child.pid, priority);
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('close', (code) => {
      console.log(`\n── ${name}: ${code === 0 ? 'passed' : 'FAILED'} in ${took(began)}\n${said}`);
      if (code === 0) passed += 1;
      else failed += 1;
      done();
    });
  });
}

/** Lint uses one core, the rest of what reads the sources the other; what starts Kibble again and again mostly waits: they go side by side. */
async function stepsSideBySide() {
  const reading = async () => {
    await step('type check', process.execPath, ['scripts/typecheck.mjs']);
    await step('the rule against circles', process.execPath, ['scripts/lintFires.mjs']);
    await step('format', 'npx', ['prettier', '--check', '.', '--log-level', 'warn']);
  };
  await Promise.all([
    step('lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
    reading(),
    step('plug pulled, disk full', process.execPath, ['scripts/torture.mjs', '--kills', '12']),
  ]);
}

/** Tests that count one by one: what they print is shown as it comes, and `counts` reads their report. */
async function tests(name, args, env, file, counts) {
  console.log(`\n── ${name}`);
  const began = Date.now();
  const child = spawn('npx', args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  const ok = await new Promise((done) => child.on('close', (code) => done(code === 0)));
  const [well, badly] = existsSync(report(file)) ? counts(read(file)) : [0, 0];
  passed += well;
  failed += badly;
  if (!ok && badly === 0) failed += 1;
  console.log(`${name}: ${took(began)}`);
}

const jest = (name, which) =>
  tests(
    name,
    ['jest', '--json', `--outputFile=${report(`${which}.json`)}`],
    { KIBBLE_TESTS: which },
    `${which}.json`,
    (made) => [made.numPassedTests, made.numFailedTests + (made.numRuntimeErrorTestSuites ?? 0)],
  );

/** Drives the real browser, three tests at a time. */
const browserTests = () =>
  tests(
    'browser tests',
    ['playwright', 'test', '-c', 'e2e/playwright.config.ts'],
    { PLAYWRIGHT_JSON_OUTPUT_NAME: report('browser.json') },
    'browser.json',
    ({ stats }) => [stats.expected, stats.unexpected + stats.flaky],
  );

// What only computes fills the gaps of all the rest, in which a core waits for a disk, a picture or a process.
const bodies = step(
  'generated bodies',
  process.execPath,
  ['scripts/fuzz.mjs', '--cases', '600', '--calls', '800', '--seed', '20261125'],
  GIVES_WAY,
);
await stepsSideBySide();
await jest('unit and API tests', 'unit');
await jest('generated histories and exact plans', 'generated');
await browserTests();
await bodies;

console.log(`npm test, from installed: ${took(began)}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
