import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: {
    alias: { '#core': here('./core/index.ts'), '#shared': here('./shared'), '~': here('./app') },
  },
  test: {
    environment: 'node',

    include: ['{core,shared,server,app,guards}/**/*.test.ts'],
  },
})
