import { defineConfig } from '@playwright/test';

/** Debian's Chromium, two workers: each has a server and a database of its own, so that files do not reach each other. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: '../test-results/e2e',
  fullyParallel: false,
  workers: 2,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  forbidOnly: process.env.CI !== undefined,
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    actionTimeout: 30_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
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
    // A trace of every step slows every journey; `--trace on` keeps one where it is wanted.
    screenshot: 'only-on-failure',
  },
});
