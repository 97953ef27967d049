import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tools/lib/browser.mjs';

export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.e2e.ts',
  fullyParallel: true,
  workers: 2,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list']],
  globalSetup: './e2e/serve.ts',
  timeout: 120_000,
  expect: { timeout: 20_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    // Each test has a fresh browser: keeping the page for later would only fetch it twice. One journey allows it.
    serviceWorkers: 'block',
    trace: 'off',
  },
});
