import type { Plugin } from 'vite'

/**
 * Says of the core's, the shared and the app's own modules, and of what Nuxt offers, that they do nothing by being loaded.
 * What a view or a worker does not use of them is then not fetched with it, although all come through `#core` or `#app`.
 */
export const ownModules = (root: string): Plugin => ({
  name: 'wire-step:own-modules',
  apply: 'build',
  applyToEnvironment: ({ name }) => name === 'client',
  transform: {
    filter: {
      id: [
        new RegExp(`^${root.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}/?(core|shared|app)/.*\\.ts$`),
        /\/node_modules\/nuxt\/dist\/app\/(?:composables|components)\/[\w-]+\.js$/,
      ],
    },
    handler: (code) => ({ code, map: null, moduleSideEffects: false }),
  },
})
