import { defineConfig } from '@playwright/test';
import journeys from './playwright.config';

/** What looks for faults and is no test: it goes on until its time is up. */
export default defineConfig({
  ...journeys,
  testMatch: '*.explore.ts',
  timeout: 0,
  reporter: 'list',
  use: { ...journeys.use, actionTimeout: 10_000, navigationTimeout: 20_000 },
});
