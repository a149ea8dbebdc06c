// What the other scripts need before they can run. Node's own modules only: nothing may be installed yet.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Runs a command here with its output shown; ends this process with its status when it fails. */
export function run(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
  })
  if (error) console.error(error.message)
  if (status !== 0) process.exit(status ?? 1)
}

/** Tests and what only they use: nothing of them is built. */
const isOfTests = (name) => name === 'testing' || name.endsWith('.test.ts')

/** One fingerprint of all files under the given paths, but for tests. */
function fingerprint(paths) {
  const hash = createHash('sha256')
  const add = (path) => {
    const full = join(root, path)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory())
      for (const name of readdirSync(full)
        .sort()
        .filter((one) => !isOfTests(one)))
        add(join(path, name))
    else hash.update(path).update('\0').update(readFileSync(full)).update('\0')
  }
  paths.forEach(add)
  return hash.digest('hex')
}

/** Does the work when the files differ from those of the last time, with a word of what it is, and leaves a stamp. What `isDone` was done by hand. */
function whenChanged(stamp, paths, words, work, isDone = () => false) {
  const file = join(root, stamp)
  const print = fingerprint(paths)
  if (existsSync(file) && readFileSync(file, 'utf8') === print) return
  if (!isDone()) {
    const from = Date.now()
    console.log(words)
    work()
    console.log(`Done in ${Math.round((Date.now() - from) / 1000)} s.`)
  }
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, print)
}

/** Whether what the lock asks for is there, as by `npm ci` typed by hand: npm leaves a list of what it put in. */
function isInstalled(isAsked) {
  const packages = (file) => JSON.parse(readFileSync(join(root, file), 'utf8')).packages
  if (!existsSync(join(root, 'node_modules/.package-lock.json'))) return false
  const there = packages('node_modules/.package-lock.json')
  return Object.entries(packages('package-lock.json')).every(([path, asked]) => {
    if (path === '' || !isAsked(asked)) return true
    return path in there
      ? there[path].version === asked.version
      : Boolean(asked.optional || asked.devOptional)
  })
}

const install = (stamp, words, isAsked, ...args) =>
  whenChanged(
    `node_modules/${stamp}`,
    ['package-lock.json', '.npmrc'],
    words,
    () => run('npm', ['ci', '--no-audit', '--no-fund', '--prefer-offline', ...args]),
    () => isInstalled(isAsked),
  )

const WITH_TESTS = '.wire-step-stamp'

/** What tests and checks take too. */
export const ensureInstalled = () =>
  install(
    WITH_TESTS,
    'Installing the packages, those of the tests too. That takes about a minute, once.',
    () => true,
  )

/** What it takes to build and to serve: a quarter less. Where there are tests run, all of it. */
export const ensureServable = () => {
  if (existsSync(join(root, 'node_modules', WITH_TESTS))) ensureInstalled()
  else
    install(
      '.wire-step-served',
      'Installing the packages. That takes about a minute, once.',
      ({ dev }) => !dev,
      '--omit=dev',
    )
}

export const ensureBuilt = () =>
  whenChanged(
    '.output/.wire-step-stamp',
    ['app', 'core', 'shared', 'server', 'build', 'public', 'nuxt.config.ts', 'package-lock.json'],
    'Building Wire Step. That takes about a minute, and again only when something has changed.',
    () => run(process.execPath, ['node_modules/nuxt/bin/nuxt.mjs', 'build', '--logLevel', 'silent']),
  )

/** The types Nuxt writes for itself: all of them anew, so that tests that run beside must not come upon none. */
export const ensurePrepared = () =>
  whenChanged(
    '.nuxt/.wire-step-stamp',
    ['app', 'shared', 'server', 'build', 'nuxt.config.ts', 'package-lock.json'],
    'Preparing the types.',
    () => run(process.execPath, ['node_modules/nuxt/bin/nuxt.mjs', 'prepare', '--logLevel', 'silent']),
  )

export const chromium = () => process.env.CHROMIUM ?? '/usr/bin/chromium'

/** Debian's own chromium, when it is missing and this user may install it. */
export function ensureChromium() {
  if (existsSync(chromium())) return
  console.log("Installing Debian's chromium for the browser tests")
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args]
    run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' })
  }
  apt('update', '-qq')
  apt('install', '-y', '-qq', '--no-install-recommends', 'chromium')
}
