import { builtinEnvironments, type Environment } from 'vitest/runtime'

/**
 * One page for all files of a worker: the libraries keep the document they found when they were loaded, and loading them
 * anew for each file takes longer than its tests.
 */
const onePage: Environment = {
  ...builtinEnvironments['happy-dom'],
  name: 'one-page',
  setup: async (global, options) => {
    const held = global as { hasPage?: boolean }
    if (!held.hasPage) await builtinEnvironments['happy-dom'].setup(global, options)
    held.hasPage = true
    return { teardown: () => {} }
  },
}
export default onePage
