import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

const STUBS = ['app/platform/*.test.ts']
const MOUNTED = ['app/**/*.mounted.test.ts']

// Ten times as many generated tests go under seeds drawn by lot, unless `SEED` says which (see testing/runs.ts). This file is read
// once for each project: the first reading draws for all.
const depth = process.env.DEPTH ?? ''
if (Number(depth) > 1 && !process.env.SEED) {
  process.env.SEED = String(Math.floor(Math.random() * 2 ** 31))
  console.error(`Generated tests: depth ${depth}, SEED=${process.env.SEED}`)
}
const seed = process.env.SEED ?? ''

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  plugins: [vue()],
  resolve: {
    alias: {
      '#components': here('./app/testing/nuxtStandIn.ts'),
      '#imports': here('./app/testing/nuxtStandIn.ts'),
      '#core': here('./core'),
      '#shared': here('./shared'),
      '#testing': here('./testing'),
      '~': here('./app'),
    },
  },
  test: {
    environment: 'node',
    env: { DEPTH: depth, SEED: seed },
    // A machine that pauses is no failure; what is timed on purpose is timed by the bench. By default an eighth is run.
    testTimeout: 300_000 * Math.max(1, 8 * Number(depth)),
    hookTimeout: 30_000,
    maxWorkers: availableParallelism(),
    // Vue's own warning about refs of templates where they stand under their own name: only while developing, and harmless.
    onConsoleLog: (log) => (log.includes('Set operation on key "value" failed') ? false : undefined),
    projects: [
      // What keeps nothing between tests shares one reading of the core. The rest stubs globals.
      {
        extends: true,
        test: {
          name: 'pure',
          include: ['{core,shared,testing,app}/**/*.test.ts'],
          exclude: [...STUBS, ...MOUNTED],
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: 'mounted',
          include: MOUNTED,
          environment: './app/testing/onePage.ts',
          css: false,
          isolate: false,
        },
      },
      { extends: true, test: { name: 'server', include: ['server/**/*.test.ts'], isolate: false } },
      { extends: true, test: { name: 'apart', include: ['guards/**/*.test.ts', ...STUBS] } },
    ],
  },
})
