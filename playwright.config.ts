import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './bin/serve/chromium'

/**
 * What takes longest begins first, so that no worker is left with it at the end; and what makes a server of its own, since it would
 * come after all others.
 */
const LONG = /(access-|first-run|matrix|names|practice|server|sessions|storm|stores).*\.spec\.ts/

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/global-setup.ts',
  fullyParallel: false,
  workers: 2,
  // Room for a machine that is busy with other things: none of these is a timed test.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  outputDir: 'test-results/journeys',
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM },
    // What moves is waited for, and a trace of every step costs as much as the steps: both only for who looks into a failure.
    contextOptions: { reducedMotion: 'reduce' },
    // What a device keeps for when there is no network is tried where it is meant: offline.spec.ts.
    serviceWorkers: 'block',
    trace: process.env['ORTHODEX_TRACE'] ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
  },
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'journeys', testMatch: '*.spec.ts', testIgnore: LONG },
  ],
})
