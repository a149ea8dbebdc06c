import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

// Ten times as many generated tests go under seeds drawn by lot, unless `SEED` says which (see testing/runs.ts).
const depth = process.env.DEPTH ?? ''
const seed = process.env.SEED ?? (Number(depth) > 1 ? String(Math.floor(Math.random() * 2 ** 31)) : '')
if (seed) console.error(`Generated tests: depth ${depth || 'an eighth'}, SEED=${seed}`)

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: {
    alias: {
      '#core': here('./core/index.ts'),
      '#shared': here('./shared'),
      '#testing': here('./testing'),
      '~': here('./app'),
    },
  },
  test: {
    environment: 'node',
    env: { DEPTH: depth, SEED: seed },
    // A machine that pauses is no failure; what is timed on purpose is timed by the bench.
    testTimeout: 120_000,
    hookTimeout: 30_000,
    maxWorkers: availableParallelism(),
    projects: [
      // The core keeps nothing between tests: its files share one reading of it.
      {
        extends: true,
        test: { name: 'core', include: ['{core,shared,testing}/**/*.test.ts'], isolate: false },
      },
      { extends: true, test: { name: 'house', include: ['{server,app,guards}/**/*.test.ts'] } },
    ],
  },
})
