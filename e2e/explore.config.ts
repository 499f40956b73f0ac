import { defineConfig } from '@playwright/test';
import journeys from './playwright.config';

/** Searches for faults; it is no test, and goes on until its time is over. */
export default defineConfig({
  ...journeys,
  testMatch: '*.explore.ts',
  timeout: 0,
  reporter: 'list',
  use: { ...journeys.use, actionTimeout: 10_000, navigationTimeout: 20_000 },
});
