import { defineConfig } from '@playwright/test'
import { browserPath } from './scripts/packages.mjs'
import { takeOwnApp } from './tests/ownApp'

// Read again by each worker: it tests the application that is its own.
takeOwnApp(Number(process.env.TEST_PARALLEL_INDEX ?? 0))

// The real application in Debian's Chromium. The address comes from scripts/test.mjs, which starts it.
export default defineConfig({
  testDir: 'tests/e2e',
  // Two browsers beside two applications are more than two cores have: what waits for its worker then waits too long.
  workers: 1,
  retries: 0,
  // Generous: a test sets its work, not its clock.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: '.facunda/results/e2e.json' }]],
  outputDir: 'test-results',
  use: {
    baseURL: process.env.FACUNDA_URL,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    launchOptions: {
      executablePath: browserPath,
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
})
