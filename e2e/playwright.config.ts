import { defineConfig } from '@playwright/test';

/** Debian's Chromium, one worker: every journey has a server and a database of its own. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: '../test-results/e2e',
  fullyParallel: false,
  workers: 1,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  forbidOnly: process.env.CI !== undefined,
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    actionTimeout: 10_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    trace: 'retain-on-failure',
  },
});
