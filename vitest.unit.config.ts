import { defineConfig } from 'vitest/config'

/** The core's unit tests alone, as the mutation tester runs them. */
export default defineConfig({ test: { include: ['core/**/*.test.ts'], testTimeout: 60_000 } })
