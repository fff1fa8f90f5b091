import { defineConfig } from '@playwright/test';
import { browser } from './browser.ts';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  timeout: 120_000,
  expect: { timeout: 15_000 },
  globalSetup: './seedOnce.ts',
  workers: 2,
  fullyParallel: true,
  reporter: [['list'], ['json', {}]],
  use: browser,
});
