import { defineConfig } from '@playwright/test';

const launchOptions = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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
  timeout: 90_000,
  expect: { timeout: 8000 },
  reporter: [['list']],
  use: { launchOptions, trace: 'retain-on-failure', locale: 'en-US', timezoneId: 'UTC' },
  projects: [
    { name: 'wide', use: { viewport: { width: 1280, height: 800 } } },
    { name: 'phone', use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } },
  ],
});
