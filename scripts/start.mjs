import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './prepare.mjs'
import { serve } from './serve.mjs'

if (!existsSync(join(root, '.output/server/index.mjs'))) {
  console.error('There is no build yet. Run: npm run build')
  process.exit(1)
}
await serve('.data/wire-step.db')
