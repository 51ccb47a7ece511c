import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests',
  globalSetup: './tests/server.ts',
  // A long file is no reason to wait: its tests go to whoever is free.
  fullyParallel: true,
  // A server for each test, so that two run side by side.
  workers: 2,
  // Room for a slow machine: a test that hangs is stopped, none is judged by its time.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  reporter: [['list'], ['json']],
  use: {
    // A press that waits for something that is not there ends long before its test does.
    actionTimeout: 45_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu', '--disable-background-networking'],
    },
  },
});
