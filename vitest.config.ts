import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    // By itself it leaves one core free: of two that is half of the machine.
    maxWorkers: availableParallelism(),
    projects: [
      {
        test: {
          name: 'core',
          include: [
            'core/**/*.test.ts',
            'bench/**/*.test.ts',
            'demo/**/*.test.ts',
            'instruments/**/*.test.ts',
            'web/**/*.test.{ts,tsx}',
          ],
          environment: 'node',
          // Pure functions: one graph of modules serves all files of a worker.
          isolate: false,
          // A machine three times slower, with the linter beside it.
          testTimeout: 90_000,
          hookTimeout: 180_000,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          environment: 'node',
          globalSetup: ['server/test/postgres.ts'],
          pool: 'forks',
          // Each file has a database and an application of its own; what modules keep is keyed by job.
          isolate: false,
          testTimeout: 90_000,
          hookTimeout: 180_000,
        },
      },
    ],
  },
})
