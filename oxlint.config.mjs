/** Lint: the usual rules, and the order of the house, types included: each room uses only what stands before it. */

/** The rooms of core in their order; a file beside the folders is a room of its own. */
export const rooms = [
  'sure',
  'figure',
  'bounded',
  'random',
  'clock',
  'words',
  'step-id',
  'vocabulary',
  'teeth',
  'kinds',
  'rules',
  'catalog',
  'practice',
  'measure',
  'model',
  'library',
  'plan',
  'readings',
  'run',
  'schedule',
  'record',
  'drill',
  'picture',
  'formats',
]

const pure = {
  group: [
    '**/server/**',
    '**/web/**',
    '**/cli/**',
    '**/demo/**',
    '**/wire/**',
    'node:*',
    'react',
    'react-*',
    'fastify',
    '@fastify/*',
    'drizzle-orm',
    'drizzle-orm/*',
    '@electric-sql/*',
    'pg',
  ],
  message: 'core stays pure: no React, no Node, no network, and nothing of the other rooms.',
}
const imports = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] })

const after = (room, up) => ({
  group: rooms.slice(rooms.indexOf(room) + 1).flatMap((later) => [`${up}${later}`, `${up}${later}/**`]),
  message: `${room} uses only what stands before it in the house (oxlint.config.mjs says the order).`,
})
const roomRules = rooms.flatMap((room) => [
  { files: [`core/${room}/**/*.ts`], rules: imports(pure, after(room, '../'), after(room, '../../')) },
  { files: [`core/${room}.ts`], rules: imports(pure, after(room, './')) },
])

export default {
  options: { typeAware: true },
  plugins: ['typescript', 'react', 'import', 'unicorn', 'oxc'],
  categories: { correctness: 'error', suspicious: 'error' },
  rules: {
    'react/react-in-jsx-scope': 'off',
    'import/no-cycle': ['error', { ignoreTypes: false }],
    'import/no-unassigned-import': 'off',
    'no-shadow': 'off',
    'oxc/no-async-endpoint-handlers': 'off',
    'react/incompatible-library': 'off',
    'unicorn/require-post-message-target-origin': 'off',
    'import/no-named-as-default-member': 'off',
    'unicorn/consistent-function-scoping': 'off',
    'typescript/no-explicit-any': 'error',
    // The compiler knows that a switch over a union is whole; this rule does not.
    'typescript/consistent-return': 'off',
    'typescript/no-unsafe-type-assertion': 'error',
    eqeqeq: 'error',
    // A function that is longer than a screen, or that nobody can follow, is two.
    'max-lines-per-function': ['error', { max: 95, skipBlankLines: true, skipComments: true }],
    complexity: ['error', { max: 26 }],
  },
  ignorePatterns: ['dist', 'node_modules', 'server/db/migrations'],
  overrides: [
    {
      files: ['core/**/*.ts'],
      rules: {
        ...imports(pure),
        'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'setInterval'],
        'no-restricted-properties': [
          'error',
          { object: 'Date', property: 'now', message: 'core is handed the time.' },
          { object: 'Math', property: 'random', message: 'core is handed its randomness.' },
        ],
      },
    },
    ...roomRules,
    { files: ['core/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
    // What a test tells is one story, however long.
    {
      files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**/*.ts'],
      rules: { 'max-lines-per-function': 'off', complexity: 'off' },
    },
    // What is drawn takes a line for each thing on the screen.
    {
      files: ['web/**/*.tsx'],
      rules: {
        'max-lines-per-function': ['error', { max: 145, skipBlankLines: true, skipComments: true }],
        complexity: ['error', { max: 30 }],
      },
    },
    {
      files: ['web/**/*.{ts,tsx}'],
      rules: {
        ...imports({
          group: ['**/server/**', '**/cli/**', '**/demo/**', 'node:*', 'fastify', 'drizzle-orm', 'drizzle-orm/*'],
          message: 'web talks to the server over http only.',
        }),
        'no-restricted-properties': [
          'error',
          {
            object: 'Temporal',
            property: 'Now',
            message: 'A device may be wrong: serverNow(), in the practice’s zone.',
          },
        ],
      },
    },
    {
      files: ['server/routes/**/*.ts'],
      rules: imports({
        group: ['**/core/library/generators/**', '**/core/measure/**', '**/core/teeth/**', '**/web/**'],
        message: 'Routes hold no rules of the trade: call compile, decide or record.',
      }),
    },
    {
      files: ['wire/**/*.ts'],
      rules: imports({
        group: ['**/server/**', '**/web/**', '**/cli/**', '**/demo/**', 'node:*'],
        message: 'wire is what both sides speak: it knows core and nothing else.',
      }),
    },
  ],
}
