// @ts-check
// The configuration's own helpers call Object.groupBy, which comes with Node 21.
Object.groupBy ??= (items, keyOf) => {
  const groups = Object.create(null)
  for (const item of items) (groups[keyOf(item)] ??= []).push(item)
  return groups
}
const { default: withNuxt } = await import('./.nuxt/eslint.config.mjs')

/** Arrows run one way: app → contracts → core, server → contracts → core, press → core with server/data. */
const arrows = {
  core: [
    '**/app/**',
    '**/server/**',
    '**/press/**',
    '**/contracts/**',
    '**/demo/**',
    '**/scripts/**',
    'vue',
    'nuxt',
    'knex',
    'pg',
    'h3',
    'node:*',
    '~/**',
    '~~/**',
    '#*',
  ],
  contracts: [
    '**/app/**',
    '**/server/**',
    '**/press/**',
    '**/demo/**',
    '**/scripts/**',
    'vue',
    'nuxt',
    'knex',
    'pg',
    'h3',
    'node:*',
  ],
  app: ['**/server/**', '**/press/**', '**/demo/**', '**/scripts/**', 'knex', 'pg', 'node:*'],
  server: ['**/app/**', '**/press/**', '**/demo/**', '**/scripts/**', 'vue', '~/**'],
  press: [
    '**/app/**',
    '**/contracts/**',
    '**/demo/**',
    '**/scripts/**',
    '**/server/api/**',
    '**/server/services/**',
    'vue',
    'nuxt',
  ],
}

const boundaries = Object.entries(arrows).map(([folder, group]) => ({
  files: [`${folder}/**/*.ts`, `${folder}/**/*.vue`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ group, message: `${folder}/ may not import this: see eslint.config.mjs.` }] },
    ],
  },
}))

/**
 * Arrows run one way inside core, too: what a folder may know of besides itself. What stands in core/ itself is for
 * all.
 */
const knows = {
  text: [],
  scales: ['text'],
  people: ['text'],
  marks: ['scales', 'text'],
  narrative: ['scales', 'people', 'text'],
  school: ['people', 'marks', 'scales', 'narrative', 'text'],
  record: ['school', 'marks', 'scales', 'people', 'narrative', 'text'],
  terms: ['record'],
  checks: ['record', 'school', 'marks', 'narrative', 'people', 'scales', 'text'],
  reports: ['record', 'school', 'marks', 'people', 'scales', 'text'],
  exchange: ['record', 'school', 'marks', 'people', 'scales', 'narrative', 'text'],
}

const insideCore = Object.entries(knows).map(([folder, known]) => ({
  files: [`core/${folder}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { group: arrows.core, message: 'core/ may not import this: see eslint.config.mjs.' },
          {
            group: Object.keys(knows)
              .filter((other) => other !== folder && !known.includes(other))
              .flatMap((other) => [`../${other}/**`, `../../${other}/**`]),
            message: `core/${folder}/ may not know of this: see eslint.config.mjs.`,
          },
        ],
      },
    ],
  },
}))

const oneRounding = {
  object: 'Math',
  property: 'round',
  message: 'Numbers are rounded by core/marks/rounding.',
}

const properties = {
  selector: 'ObjectExpression > SpreadElement > ObjectExpression',
  message: 'A property stands by itself: a list of them in braces of its own only pleases the formatter.',
}

export default withNuxt(
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      'max-lines': ['error', { max: 360, skipBlankLines: true, skipComments: true }],
      // The formatter breaks code; this holds comments to the same width. Lists of words may stand in one line.
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true },
      ],
      'no-console': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/html-closing-bracket-newline': 'off',
    },
  },
  {
    // 84.5 is 85 and 1.005 is 1.01, everywhere: a mark that is rounded otherwise in one place is another mark there.
    files: ['app/**/*.ts', 'app/**/*.vue'],
    rules: {
      'no-restricted-properties': ['error', oneRounding],
    },
  },
  {
    files: ['**/*.ts', '**/*.vue', '**/*.mjs'],
    ignores: ['**/*.test.ts', '**/*.spec.ts', 'tests/**'],
    rules: { 'no-restricted-syntax': ['error', properties] },
  },
  {
    // In templates a list of classes may be long.
    files: ['**/*.vue'],
    rules: { 'max-len': 'off' },
  },
  {
    // No promise is ignored, and no kind of something, where the types can tell.
    files: [
      'core/**/*.ts',
      'contracts/**/*.ts',
      'press/**/*.ts',
      'scripts/**/*.ts',
      'demo/**/*.ts',
      'tests/**/*.ts',
      'server/{data,services,access,jobs,reading,workers}/**/*.ts',
    ],
    languageOptions: { parserOptions: { project: './tsconfig.tools.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    },
  },
  {
    // The core has no clock and no randomness of its own.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        oneRounding,
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'no-restricted-syntax': [
        'error',
        properties,
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'The core has no clock: pass the time in.',
        },
      ],
    },
  },
  {
    // Every statement to the database stands in server/data, with its name; services say what is done, not how.
    files: ['server/services/**/*.ts', 'server/api/**/*.ts', 'server/access/**/*.ts', 'server/http/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        properties,
        ...['[callee.name=/^(db|trx|knex)$/]', "[callee.property.name='db']", "[callee.property.name='raw']"].map(
          (which) => ({
            selector: `CallExpression${which}`,
            message: 'Statements to the database stand in server/data.',
          }),
        ),
      ],
    },
  },
  ...boundaries,
  ...insideCore,
  {
    // Fewer than five parameters; tests may hand their tables over as they are.
    files: ['**/*.ts', '**/*.vue', '**/*.mjs'],
    ignores: ['**/*.test.ts'],
    rules: { 'max-params': ['error', 4] },
  },
)
