// Everything CI checks, in order; the first failure ends it.
import { ensureBuilt, ensureChromium, ensureInstalled, ensurePrepared, run } from './prepare.mjs'

const step = (name, work) => {
  console.log(`\n== ${name}`)
  work()
}

step('install', () => {
  ensureInstalled()
  ensureChromium()
  ensurePrepared()
})
step('format', () => run('npx', ['prettier', '--check', '.']))
step('lint', () => run('npm', ['run', '--silent', 'lint']))
step('types', () => run('npm', ['run', '--silent', 'types']))
step('unit tests', () => run('npx', ['vitest', 'run']))
step('build', ensureBuilt)
step('browser tests', () => run('npx', ['playwright', 'test']))
