import { defineConfig } from '@playwright/test';

const launchOptions = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-gpu',
  ],
};

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/support/prepare.ts',
  fullyParallel: true,
  workers: 2,
  timeout: 150_000,
  // A journey that needs a second try is a failure to be found.
  retries: 0,
  expect: { timeout: 15_000 },
  // What the test command counts by, and what somebody at the terminal reads.
  reporter: [['list'], ...(process.env.PLAYWRIGHT_JSON_OUTPUT_FILE ? [['json'] as ['json']] : [])],
  // A trace of every step makes a journey half as long again: TRACE=1 asks for it.
  use: {
    launchOptions,
    // Every page of a test is the first of its browser: each would fetch the whole app to keep it. Journeys without a signal ask for it.
    serviceWorkers: 'block',
    // What is not there within this time is not coming; a journey need not be waited out.
    actionTimeout: 15_000,
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    locale: 'en-US',
    timezoneId: 'UTC',
  },
  projects: [
    {
      name: 'wide',
      testMatch: /at-the-desk|at-both/,
      use: { viewport: { width: 1280, height: 800 } },
    },
    {
      name: 'phone',
      testMatch: /in-the-hand|at-both/,
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
    },
  ],
});
