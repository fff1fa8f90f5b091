/** `npm test`: installs what is lacking, then type check, lint, unit, API and browser tests. Last line: N passed, N failed. */
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { setPriority, tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildWeb, needPackages, prepare, root, run } from './prepare.mjs';

prepare();
if (!existsSync('/usr/bin/chromium')) needPackages(['chromium'], 'the browser tests drive a real browser');
buildWeb();

const out = mkdtempSync(join(tmpdir(), 'kibble-test-'));
const report = (name) => join(out, name);
const read = (name) => (existsSync(report(name)) ? JSON.parse(readFileSync(report(name), 'utf8')) : null);
let passed = 0;
let failed = 0;

const took = (began) => `${Math.round((Date.now() - began) / 1000)} s`;

/** What gives way to whatever else runs. */
const GIVES_WAY = 10;

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

/** What reads the sources uses one core; what starts Kibble again and again mostly waits: they go side by side. */
async function stepsSideBySide() {
  const reading = async () => {
    await step('type check', process.execPath, ['scripts/typecheck.mjs']);
    await step('the rule against circles', process.execPath, ['scripts/lintFires.mjs']);
    await step('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
    await step('format', 'npx', ['prettier', '--check', '.', '--log-level', 'warn']);
  };
  const running = () =>
    step('plug pulled, disk full', process.execPath, ['scripts/torture.mjs', '--kills', '12']);
  await Promise.all([reading(), running()]);
}

/** Tests that count one by one. */
function jest(name, which) {
  console.log(`\n── ${name}`);
  const began = Date.now();
  const ok = run('npx', ['jest', '--json', `--outputFile=${report(`${which}.json`)}`], {
    env: { ...process.env, KIBBLE_TESTS: which },
  });
  const made = read(`${which}.json`);
  passed += made?.numPassedTests ?? 0;
  failed += (made?.numFailedTests ?? 0) + (made?.numRuntimeErrorTestSuites ?? 0);
  if (!ok && !made) failed += 1;
  console.log(`${name}: ${took(began)}`);
}

await stepsSideBySide();
jest('unit and API tests', 'unit');
jest('generated histories and exact plans', 'generated');
/** Drives the real browser, two tests at a time. */
async function browserTests() {
  console.log('\n── browser tests');
  const began = Date.now();
  const child = spawn('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: report('browser.json') },
  });
  const ok = await new Promise((done) => child.on('close', (code) => done(code === 0)));
  const browser = read('browser.json');
  passed += browser?.stats.expected ?? 0;
  failed += (browser?.stats.unexpected ?? 0) + (browser?.stats.flaky ?? 0);
  if (!ok && !(browser?.stats.unexpected > 0)) failed += 1;
  console.log(`browser tests: ${took(began)}`);
}

// A browser test waits for pictures as often as it computes: what only computes fills the gaps.
const bodies = ['--cases', '2000', '--calls', '2000', '--seed', '20261125'];
await Promise.all([
  browserTests(),
  step('generated bodies', process.execPath, ['scripts/fuzz.mjs', ...bodies], GIVES_WAY),
]);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
