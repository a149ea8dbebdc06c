// TypeScript of ours for a script to run: bundled first, so that what is run is what ships, not a test runner's version.
import { join } from 'node:path'
import { build } from 'esbuild'
import { root } from './prepare.mjs'

/** The path of a module made of `entry`, a file from the project's folder. Packages stay where they are installed. */
export async function bundle(entry) {
  const outfile = join(root, 'node_modules/.cache/wire-step', entry.replace(/\.ts$/, '.mjs'))
  await build({
    entryPoints: [join(root, entry)],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    packages: 'external',
    alias: { '#core': join(root, 'core/index.ts'), '#shared': join(root, 'shared') },
    logLevel: 'warning',
  })
  return outfile
}
