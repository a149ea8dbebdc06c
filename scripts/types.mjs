// Checks the types of everything. TypeScript's native compiler does it for all but the app, whose components only vue-tsc reads.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { ensurePrepared, root } from './prepare.mjs'

// The core comes first: the others read the declarations it leaves in .types, and check nothing of it again.
const PLAIN = [
  'core/tsconfig.json',
  'tsconfig.tests.json',
  ...['server', 'shared', 'node'].map((part) => `.nuxt/tsconfig.${part}.json`),
]

ensurePrepared()
const check = (compiler, project) =>
  execFileSync(process.execPath, [join(root, 'node_modules', compiler), '-p', project], {
    cwd: root,
    stdio: 'inherit',
  })
try {
  for (const project of PLAIN) check('typescript-native/bin/tsc', project)
  check('vue-tsc/bin/vue-tsc.js', '.nuxt/tsconfig.app.json')
} catch {
  process.exitCode = 1
}
