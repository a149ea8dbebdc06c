// TypeScript of ours for a script to run: bundled first, so that what is run is what ships, not a test runner's version.
import { join } from 'node:path'
import { build } from 'esbuild'
import { root } from './prepare.mjs'

/** The path of a module made of `entry`, a file from the project's folder or from another copy of it. Packages stay where they are installed. */
export async function bundle(entry, from = root) {
  const outfile = join(from, 'node_modules/.cache/wire-step', entry.replace(/\.ts$/, '.mjs'))
  await build({
    entryPoints: [join(from, entry)],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    packages: 'external',
    alias: { '#core': join(from, 'core'), '#shared': join(from, 'shared') },
    logLevel: 'warning',
  })
  return outfile
}
