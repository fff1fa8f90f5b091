import { defineConfig } from '@playwright/test';
import { browser } from './browser.ts';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  // Generous: a busy machine is no fault of a walk.
  timeout: 240_000,
  expect: { timeout: 25_000 },
  globalSetup: './seedOnce.ts',
  // A test waits for pictures and pauses for half of its time: three keep two cores busy.
  workers: 3,
  fullyParallel: true,
  reporter: [['list'], ['json', {}]],
  use: browser,
});
