import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: './tests/e2e',
  timeout: 120_000,
  // A busy machine may take its time; what is awaited must still come.
  expect: { timeout: 15_000 },
  workers: 1,
  // A loaded machine may lose a click once; a test that had to be tried again is listed as flaky.
  retries: process.env.CI ? 1 : 0,
  outputDir: './test-results',
  use: {
    baseURL: process.env.IMPEGNO_ADDRESS ?? 'http://127.0.0.1:4310',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--headless',
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
