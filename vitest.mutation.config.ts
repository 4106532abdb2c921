import { defineConfig } from 'vitest/config'

/** The core's unit tests as the mutation tester runs them: thousands of times, so properties are tried less often. */
export default defineConfig({
  test: { include: ['core/**/*.test.ts'], setupFiles: ['tests/fewerTries.ts'], testTimeout: 60_000, isolate: false },
})
