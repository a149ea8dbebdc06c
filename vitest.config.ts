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
    include: ['{core,shared,server,app,guards,testing}/**/*.test.ts'],
  },
})
