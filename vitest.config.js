import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { defaultServerConditions, defaultClientConditions } from 'vite'
import { defineConfig } from 'vitest/config'

/** `npm run mutants` sets one changed place of a file at a time; see scripts/mutants.mjs. */
const oneMutant = {
  name: 'one-mutant',
  enforce: 'pre',
  transform: (code, id) => {
    const mutant = globalThis.pledgeMutant
    return mutant && id.endsWith(mutant.file)
      ? `${code.slice(0, mutant.start)}${mutant.text}${code.slice(mutant.end)}`
      : undefined
  },
}
const node = {
  resolve: { conditions: ['pledge-source', ...defaultServerConditions] },
  ssr: { resolve: { conditions: ['pledge-source', ...defaultServerConditions] } },
}

export default defineConfig({
  test: {
    // Of two cores both are used: left to itself, one would wait for the reporter.
    maxWorkers: '100%',
    reporters: ['default', ['json', { outputFile: process.env.VITEST_JSON ?? 'var/test/vitest.json' }]],
    projects: [
      {
        ...node,
        plugins: [oneMutant],
        test: {
          name: 'core',
          // Pure functions share nothing: the catalogue is read once a worker, not once a file.
          isolate: false,
          include: ['packages/core/src/**/*.test.ts', 'tests/core/**/*.test.ts'],
          setupFiles: ['tests/core/seed.ts'],
          environment: 'node',
          // Sweeps over all protocols take seconds; a busy machine must not turn them into failures.
          testTimeout: 240_000,
        },
      },
      {
        ...node,
        test: {
          name: 'server',
          include: ['packages/server/src/**/*.test.ts', 'tests/server/**/*.test.ts'],
          environment: 'node',
          // Every file makes a database of its own; the catalogue is read once a worker.
          isolate: false,
          globalSetup: 'tests/database/globalSetup.ts',
          // A clinic day is asked a hundred times over: seconds here, a minute on a busy machine.
          testTimeout: 240_000,
          hookTimeout: 240_000,
        },
      },
      {
        ...node,
        test: {
          name: 'figure',
          include: ['packages/figure/**/*.test.ts', 'tests/figure/**/*.test.ts'],
          environment: 'node',
          testTimeout: 30_000,
        },
      },
      {
        ...node,
        test: {
          name: 'served',
          include: ['tests/served/**/*.test.ts'],
          environment: 'node',
          // With the others, not beside the browser: what waits for a screen must not wait for a core.
          globalSetup: 'tests/served/globalSetup.ts',
          fileParallelism: false,
          testTimeout: 90_000,
          hookTimeout: 120_000,
        },
      },
      {
        ...node,
        test: {
          name: 'built',
          include: ['tests/built/**/*.test.ts'],
          environment: 'node',
          // One application, one browser at a time, after most others: what waits for a screen must not wait for a core.
          sequence: { groupOrder: 1 },
          globalSetup: 'tests/built/globalSetup.ts',
          fileParallelism: false,
          testTimeout: 90_000,
          hookTimeout: 120_000,
        },
      },
      {
        resolve: { conditions: ['pledge-source', ...defaultClientConditions] },
        plugins: [vue(), vuetify({ autoImport: true })],
        test: {
          name: 'web',
          include: ['packages/web/src/**/*.test.ts'],
          environment: 'happy-dom',
          css: false,
          server: { deps: { inline: ['vuetify'] } },
        },
      },
    ],
  },
})
