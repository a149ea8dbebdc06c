import type { Plugin } from 'vite'

const HOLDS_URL = /\/app\/workers\/workerUrl\.ts$/

/**
 * Makes the worker a file of the page's own build. Vite would build it by itself, with a second copy of the core in it; so the
 * page and its workers fetch one.
 */
export function workerChunk(worker: string): Plugin {
  let emitted = ''
  let file = ''
  return {
    name: 'wire-step:worker-chunk',
    apply: 'build',
    enforce: 'pre',
    applyToEnvironment: ({ name }) => name === 'client',
    config: () => ({
      build: {
        modulePreload: {
          polyfill: false,
          // A worker has no document that could be told what to fetch beforehand.
          resolveDependencies: (_, needed, { hostId }) => (hostId === file ? [] : needed),
        },
      },
    }),
    transform: {
      filter: { id: HOLDS_URL },
      handler() {
        emitted = this.emitFile({ type: 'chunk', id: worker, name: 'worker' })
        return { code: `export const workerUrl = import.meta.ROLLUP_FILE_URL_${emitted}`, map: null }
      },
    },
    generateBundle: {
      order: 'pre',
      handler() {
        file = this.getFileName(emitted)
      },
    },
  }
}
