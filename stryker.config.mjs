// Mutation testing of the core by its unit tests: npm run mutate. What it found stands in docs/quality/mutations.md.
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner', './scripts/drawnMutants.mjs'],
  ignorers: ['not drawn'],
  vitest: { configFile: 'vitest.mutation.config.ts' },
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 30_000,
  mutate: ['core/**/*.ts', '!core/**/*.test.ts', '!core/narrative/frame/verbWords.ts', '!core/**/*Schema.ts'],
  // A changed word in a message hurts nobody; what a rule does is in its operators, conditions and calls.
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  ignorePatterns: ['!.nuxt', '.facunda', '.output', 'docs', 'tests/e2e'],
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { allowColor: false, reportTests: false, logTests: false },
  jsonReporter: { fileName: '.facunda/results/mutation.json' },
  tempDirName: '.facunda/mutation',
}
