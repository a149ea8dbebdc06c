import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureBuilt, ensureChromium, ensureInstalled, root, run } from './prepare.mjs'

ensureInstalled()
ensureChromium()
ensureBuilt()

// Bundled first, so that what is measured is what ships, not a test runner's version of it.
const { build } = await import('esbuild')
const folder = mkdtempSync(join(tmpdir(), 'wire-step-bench-'))
const outfile = join(folder, 'core.mjs')
await build({
  entryPoints: [join(root, 'bench/core.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile,
  alias: { '#core': join(root, 'core/index.ts') },
  logLevel: 'warning',
})
run(process.execPath, [outfile])
rmSync(folder, { recursive: true })
await import('../bench/browser.mjs')
