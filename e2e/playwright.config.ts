import { defineConfig } from '@playwright/test';

/** Journeys in Debian's own Chromium against a server and database of their own. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: '../test-results',
  workers: 2,
  fullyParallel: false,
  timeout: 120_000,
  // docs/decisions/a-journey-is-tried-twice.md
  retries: 1,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/journeys.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    // A journey need not wait for smooth scrolling.
    contextOptions: { reducedMotion: 'reduce' },
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
    },
  },
});
