import { defineConfig } from '@playwright/test';
import { browserPath } from './scripts/browser.mjs';

// Pictures are not compared, so no pixel is drawn twice.
const phone = {
  viewport: { width: 390, height: 844 },
  deviceScaleFactor: 1,
  isMobile: true,
  hasTouch: true,
};
const wide = { viewport: { width: 1280, height: 800 } };

export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.e2e.ts',
  globalSetup: './e2e/globalSetup.ts',
  // Each test has a server and a database of its own.
  workers: 2,
  fullyParallel: true,
  retries: 0,
  // How fast a machine is, no test asks: these only end what hangs.
  timeout: 300_000,
  globalTimeout: process.env.STENNET_ALL ? 0 : 30 * 60_000,
  expect: { timeout: 30_000 },
  reporter: [['line'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  use: {
    browserName: 'chromium',
    headless: true,
    actionTimeout: 30_000,
    colorScheme: 'light',
    launchOptions: {
      executablePath: browserPath(),
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
  // The short run has the main path of every screen; what is tagged @long or @all comes with
  // `--all`.
  projects: [
    {
      grepInvert: process.env.STENNET_ALL ? /@wide/ : /@all|@long|@wide/,
      name: 'phone',
      use: phone,
      testIgnore: [
        '**/keyboard.e2e.ts',
        '**/desk.e2e.ts',
        '**/editor.e2e.ts',
        ...(process.env.STENNET_PICTURES ? [] : ['**/pictures.e2e.ts']),
      ],
    },
    // What differs on a wide screen, and all that a keyboard does. What hardly differs there is
    // left to `--all`.
    {
      ...(process.env.STENNET_ALL ? {} : { grepInvert: /@phone|@all|@long/ }),
      name: 'wide',
      use: wide,
      testMatch: [
        '**/slice.e2e.ts',
        '**/apart.e2e.ts',
        '**/tighten.e2e.ts',
        '**/keyboard.e2e.ts',
        '**/desk.e2e.ts',
        '**/accessible.e2e.ts',
        '**/accessibleRun.e2e.ts',
        '**/failures.e2e.ts',
        '**/offlineShift.e2e.ts',
        '**/underWay.e2e.ts',
        '**/editor.e2e.ts',
        '**/orders.e2e.ts',
        '**/prepare.e2e.ts',
        '**/lead.e2e.ts',
        '**/measure.e2e.ts',
        '**/practice.e2e.ts',
        '**/afterwards.e2e.ts',
      ],
    },
  ],
});
