/** `npm test`: installs what is lacking, then type check, lint, unit, API and browser tests. Last line: N passed, N failed. */
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildWeb, needPackages, prepare, run } from './prepare.mjs';

prepare();
if (!existsSync('/usr/bin/chromium')) needPackages(['chromium'], 'the browser tests drive a real browser');
buildWeb();

const out = mkdtempSync(join(tmpdir(), 'kibble-test-'));
const report = (name) => join(out, name);
const read = (name) => (existsSync(report(name)) ? JSON.parse(readFileSync(report(name), 'utf8')) : null);
let passed = 0;
let failed = 0;

/** A step that counts as one test. */
function step(name, command, args) {
  console.log(`\n── ${name}`);
  if (run(command, args)) passed += 1;
  else failed += 1;
}

step('type check', process.execPath, ['scripts/typecheck.mjs']);
step('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
step('format', 'npx', ['prettier', '--check', '.', '--log-level', 'warn']);

/** Tests that count one by one. */
function jest(name, which) {
  console.log(`\n── ${name}`);
  const ok = run('npx', ['jest', '--json', `--outputFile=${report(`${which}.json`)}`], {
    env: { ...process.env, KIBBLE_TESTS: which },
  });
  const made = read(`${which}.json`);
  passed += made?.numPassedTests ?? 0;
  failed += (made?.numFailedTests ?? 0) + (made?.numRuntimeErrorTestSuites ?? 0);
  if (!ok && !made) failed += 1;
}
jest('unit and API tests', 'unit');
jest('generated histories and exact plans', 'generated');

step('generated bodies', process.execPath, ['scripts/fuzz.mjs', '--cases', '2000', '--seed', '20261125']);

step('plug pulled, disk full', process.execPath, ['scripts/torture.mjs', '--kills', '12']);

console.log('\n── browser tests');
const browserOk = run('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
  env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: report('browser.json') },
});
const browser = read('browser.json');
passed += browser?.stats.expected ?? 0;
failed += (browser?.stats.unexpected ?? 0) + (browser?.stats.flaky ?? 0);
if (!browserOk && !(browser?.stats.unexpected > 0)) failed += 1;

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
