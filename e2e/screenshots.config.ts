import { defineConfig } from '@playwright/test';
import { browser } from './browser.ts';

export default defineConfig({
  testDir: '.',
  testMatch: 'screenshots.ts',
  timeout: 120_000,
  workers: 1,
  use: browser,
});
