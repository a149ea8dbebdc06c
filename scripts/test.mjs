// Everything CI checks. What need not wait for another goes side by side; the first failure ends it.
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureChromium, ensureInstalled, ensurePrepared, root } from './prepare.mjs'

/** Not committed: how long each step, test file and browser test took the last time. */
const TIMES = join(root, '.times')
const UNIT = join(TIMES, 'unit.json')
const BROWSER = join(TIMES, 'browser.json')

const started = Date.now()
const steps = []
const running = new Set()

const seconds = (ms) => `${(ms / 1000).toFixed(0).padStart(5)} s`

/** Runs one step. What it prints is kept together until it ends, or shown at once where it is `alone`. */
function step(name, command, args, { alone = false, env = {} } = {}) {
  const from = Date.now()
  if (alone) console.log(`\n== ${name}`)
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
      stdio: alone ? 'inherit' : ['ignore', 'pipe', 'pipe'],
      // A group of its own, so that what it started ends with it.
      detached: true,
    })
    running.add(child)
    const printed = []
    child.stdout?.on('data', (piece) => printed.push(piece))
    child.stderr?.on('data', (piece) => printed.push(piece))
    child.on('error', (error) => printed.push(Buffer.from(`${error.message}\n`)))
    child.on('close', (status) => {
      running.delete(child)
      const ms = Date.now() - from
      steps.push({ name, ms })
      if (!alone)
        console.log(`\n== ${name}, ${(ms / 1000).toFixed(0)} s\n${Buffer.concat(printed).toString()}`)
      if (status === 0) resolve()
      else reject(new Error(`${name} failed`))
    })
  })
}

function endAll() {
  for (const { pid } of running)
    try {
      process.kill(-pid)
    } catch {
      // It has ended by itself.
    }
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    endAll()
    process.exit(1)
  })

const readJson = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return null
  }
}

/** Each file of unit tests, with the time its tests took. */
const unitTimes = () =>
  (readJson(UNIT)?.testResults ?? []).map(({ name, startTime, endTime }) => ({
    name: name.replace(`${root}/`, ''),
    ms: endTime - startTime,
  }))

/** Each browser test, the tries summed. */
function browserTimes() {
  const within = (suite) => [
    ...(suite.specs ?? []).map((spec) => ({
      name: `${spec.file} ${spec.title}`,
      ms: spec.tests.flatMap(({ results }) => results).reduce((sum, { duration }) => sum + duration, 0),
    })),
    ...(suite.suites ?? []).flatMap(within),
  ]
  return (readJson(BROWSER)?.suites ?? []).flatMap(within)
}

function report() {
  const slowest = (all) => all.toSorted((a, b) => b.ms - a.ms).slice(0, 10)
  const tables = {
    steps: [...steps, { name: 'in all', ms: Date.now() - started }],
    'slowest test files': slowest(unitTimes()),
    'slowest browser tests': slowest(browserTimes()),
  }
  for (const [title, rows] of Object.entries(tables)) {
    if (rows.length > 0) console.log(`\n${title}`)
    for (const { name, ms } of rows) console.log(`${seconds(ms)}  ${name}`)
  }
  writeFileSync(join(TIMES, 'last.json'), JSON.stringify(tables, null, 2))
}

rmSync(TIMES, { recursive: true, force: true })
mkdirSync(TIMES)
ensureInstalled()
ensureChromium()
ensurePrepared()
steps.push({ name: 'install', ms: Date.now() - started })

const builds = () => step('build', process.execPath, ['scripts/build.mjs'])
const checks = async () => {
  await step('format', 'npx', ['oxfmt', '--check'])
  await step('lint', 'npm', ['run', '--silent', 'lint'])
  await step('types', 'npm', ['run', '--silent', 'types'])
}
const units = () =>
  step('unit tests', 'npx', [
    'vitest',
    'run',
    '--reporter=dot',
    '--reporter=json',
    `--outputFile.json=${UNIT}`,
  ])
try {
  await Promise.all([builds().then(checks), units()])
  await step('browser tests', 'npx', ['playwright', 'test', '--reporter=list,json'], {
    alone: true,
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: BROWSER },
  })
} catch (error) {
  console.error(`\n${error.message}`)
  process.exitCode = 1
  endAll()
}
report()
