import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/e2e',
  workers: 1,
  // Generous, because planning takes as long as the machine takes: nothing here measures speed.
  timeout: 900_000,
  // A machine that is busy with other things may miss a moment: one more try, and bin/test names what needed it.
  retries: 1,
  expect: { timeout: 45_000 },
  reporter: [['list'], ['json']],
  outputDir: 'test-results',
  use: {
    // What is not there to be pressed fails soon: without this it would wait for the whole of a test's time.
    actionTimeout: 90_000,
    baseURL: process.env.EMBER_URL ?? 'http://127.0.0.1:3000',
    viewport: { width: 1280, height: 800 },
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
  },
});
