import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: {
    alias: { '#core': here('./core/index.ts'), '#shared': here('./shared'), '~': here('./app') },
  },
  test: {
    environment: 'node',
    // A machine that pauses is no failure; what is timed on purpose is timed by the bench.
    testTimeout: 120_000,
    hookTimeout: 30_000,

    include: ['{core,shared,server,app,guards}/**/*.test.ts'],
  },
})
