import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'unit', include: ['core/**/*.test.ts'], testTimeout: 60_000 } },
      {
        test: {
          name: 'outside',
          include: ['tests/outside/**/*.test.ts', 'tests/batch/**/*.test.ts'],
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'api',
          include: ['tests/api/**/*.test.ts'],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
