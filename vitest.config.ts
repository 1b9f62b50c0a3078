import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    maxWorkers: 2,
    coverage: {
      provider: 'v8',
      include: ['core/**/*.ts', 'wire/**/*.ts', 'server/**/*.ts', 'web/**/*.{ts,tsx}'],
      exclude: ['**/*.test.*', '**/test/**'],
      reporter: ['text-summary', 'html'],
    },
    projects: [
      // Core is pure: its files share what they import.
      {
        test: {
          name: 'core',
          include: ['core/**/*.test.ts', 'demo/**/*.test.ts'],
          testTimeout: 60_000,
          isolate: false,
        },
      },
      {
        test: {
          name: 'web',
          include: ['web/**/*.test.{ts,tsx}'],
          testTimeout: 60_000,
          isolate: false,
          unstubGlobals: true,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts', 'cli/**/*.test.ts', 'scripts/**/*.test.ts'],
          globalSetup: 'server/test/template.ts',
          execArgv: ['--liftoff-only'],
          // Every house of a test is its own; what the files import, they share.
          isolate: false,
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
      {
        test: {
          name: 'e2e',
          include: ['e2e/**/*.test.ts'],
          globalSetup: 'e2e/template.ts',
          execArgv: ['--liftoff-only'],
          // Browsers are handed on from file to file.
          isolate: false,
          testTimeout: 480_000,
          hookTimeout: 180_000,
        },
      },
    ],
  },
})
