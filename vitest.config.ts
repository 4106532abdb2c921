import Unimport from 'unimport/unplugin'
import { defineConfig } from 'vitest/config'
import { countApps } from './tests/ownApp'

export default defineConfig({
  test: {
    projects: [
      {
        // Pure functions: none changes what another rests on, so that they need no world of their own.
        test: {
          name: 'unit',
          include: ['core/**/*.test.ts'],
          testTimeout: 60_000,
          isolate: false,
          maxWorkers: '100%',
        },
      },
      {
        // What pages keep and send, without pages.
        plugins: [Unimport.vite({ presets: ['vue'] })],
        test: {
          name: 'app',
          include: ['app/**/*.test.ts'],
          setupFiles: ['tests/browserParts.ts'],
          maxWorkers: '100%',
          testTimeout: 60_000,
        },
        resolve: { alias: { '~~': import.meta.dirname, '~': `${import.meta.dirname}/app` } },
      },
      {
        test: {
          name: 'outside',
          include: ['tests/outside/**/*.test.ts', 'tests/batch/**/*.test.ts'],
          testTimeout: 60_000,
          maxWorkers: '100%',
        },
      },
      {
        test: {
          name: 'api',
          include: ['tests/api/**/*.test.ts'],
          // As many files at once as there are applications to test, each with a database of its own.
          maxWorkers: countApps(),
          setupFiles: ['tests/api/ownApp.ts'],
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
