import { defineConfig } from '@playwright/test'

/** Each file of journeys runs by itself, with a demo, a report and a folder of results of its own. */
const name = process.env['ORTHODEX_E2E_NAME'] ?? 'journeys'

/** Run by `bin/test`, which starts the application with demo data and says where it answers. */
export default defineConfig({
  testDir: 'e2e',
  fullyParallel: false,
  workers: 1,
  // Room for a machine that is busy with other things: none of these is a timed test.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  outputDir: `test-results/${name}`,
  reporter: [['list'], ['json', { outputFile: `test-results/browser-${name}.json` }]],
  use: {
    baseURL: process.env['ORTHODEX_E2E_URL'] ?? 'http://localhost:3600',
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium' },
    // What moves is waited for, and a trace of every step costs as much as the steps: both only for who looks into a failure.
    contextOptions: { reducedMotion: 'reduce' },
    trace: process.env['ORTHODEX_TRACE'] ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
  },
  projects: [
    { name: 'sign-in', testMatch: 'sign-in.setup.ts' },
    { name: 'journeys', testMatch: '*.spec.ts' },
  ],
})
