import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'

const root = dirname(dirname(fileURLToPath(import.meta.url)))
const ALIASES: readonly (readonly [string, string])[] = [
  ['#core', 'core/index.ts'],
  ['#shared', 'shared'],
  ['~', 'app'],
]

const sources = ['core', 'shared', 'server', 'app', 'e2e'].flatMap((folder) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(ts|vue)$/.test(file) && !file.includes('migrations'))
    .map((file) => `${folder}/${file}`),
)
const isTest = (file: string) => /\.test\.ts$|\/testing\//.test(file)

/** What a file imports or re-exports, as written. */
function importsOf(file: string): string[] {
  const text = readFileSync(join(root, file), 'utf8')
  return Array.from(
    text.matchAll(
      /^\s*(?:import|export)\b[^'"]*?from\s+'([^']+)'|\bimport\(\s*'([^']+)'|^import '([^']+)'/gm,
    ),
  ).map(([, from, dynamic, bare]) => from ?? dynamic ?? bare ?? '')
}

/** The project's own file or folder that an import names; null for a package. */
function target(file: string, written: string): string | null {
  if (written.startsWith('.')) return relative(root, resolve(root, dirname(file), written))
  const alias = ALIASES.find(([name]) => written === name || written.startsWith(`${name}/`))
  return alias ? join(alias[1], written.slice(alias[0].length)) : null
}

/** Who may import whom, the most particular folder first. */
const ARROWS: readonly (readonly [folder: string, mayImport: readonly string[]])[] = [
  ['core/base', ['core/base']],
  ['core/midi', ['core/base', 'core/midi']],
  ['core/rig', ['core/base', 'core/midi', 'core/rig']],
  ['core/tempo', ['core/base', 'core/midi', 'core/rig', 'core/tempo']],
  ['core/looper', ['core/base', 'core/rig', 'core/looper']],
  ['core/sound', ['core/base', 'core/midi', 'core/rig', 'core/tempo', 'core/sound']],
  [
    'core/switching',
    ['core/base', 'core/midi', 'core/rig', 'core/tempo', 'core/looper', 'core/sound', 'core/switching'],
  ],
  ['core/chart', ['core/base', 'core/midi', 'core/rig', 'core/sound', 'core/switching', 'core/chart']],
  ['core/pedal', ['core/base', 'core/midi', 'core/rig', 'core/sound', 'core/switching', 'core/pedal']],
  [
    'core/simulate',
    [
      'core/base',
      'core/midi',
      'core/rig',
      'core/sound',
      'core/switching',
      'core/chart',
      'core/pedal',
      'core/tempo',
      'core/looper',
      'core/simulate',
    ],
  ],
  ['core/explore', ['core/explore']],
  [
    'core/prove',
    [
      'core/explore',
      'core/base',
      'core/midi',
      'core/rig',
      'core/sound',
      'core/switching',
      'core/chart',
      'core/pedal',
      'core/simulate',
      'core/prove',
    ],
  ],
  ['core/layout', ['core/base', 'core/layout']],
  [
    'core/show',
    [
      'core/base',
      'core/layout',
      'core/rig',
      'core/sound',
      'core/switching',
      'core/tempo',
      'core/simulate',
      'core/show',
    ],
  ],
  [
    'core/keyin',
    ['core/base', 'core/midi', 'core/rig', 'core/sound', 'core/switching', 'core/simulate', 'core/keyin'],
  ],
  [
    'core/listen',
    ['core/base', 'core/midi', 'core/rig', 'core/switching', 'core/simulate', 'core/keyin', 'core/listen'],
  ],
  ['core/dump', ['core/base', 'core/midi', 'core/rig', 'core/dump']],
  ['core/logbook', ['core/base', 'core/midi', 'core/rig', 'core/switching', 'core/history', 'core/logbook']],
  [
    'core/history',
    [
      'core/base',
      'core/midi',
      'core/rig',
      'core/sound',
      'core/switching',
      'core/keyin',
      'core/setup',
      'core/history',
    ],
  ],
  ['core/practice', ['core/base', 'core/rig', 'core/show', 'core/switching', 'core/practice']],
  [
    'core/stage',
    [
      'core/base',
      'core/midi',
      'core/pedal',
      'core/rig',
      'core/setup',
      'core/show',
      'core/simulate',
      'core/sound',
      'core/switching',
      'core/stage',
    ],
  ],
  ['core/archetype', ['core/base', 'core/rig', 'core/looper', 'core/archetype']],
  ['core/arrange', ['core/base', 'core/rig', 'core/arrange']],
  ['core', ['core']],
  ['shared', ['core', 'shared']],
  ['server', ['core', 'shared', 'server']],
  // Pages are mounted with the demo, which the server makes.
  ['app/testing', ['core', 'shared', 'app', 'server/demo']],
  ['app', ['core', 'shared', 'app']],
  // A player knows the views by the names they bear; only the type of them goes along.
  ['e2e', ['e2e', 'app/text/stages']],
]
const PACKAGES_OF_CORE = ['zod/mini', 'dequal/lite']

const rule = (file: string) => ARROWS.find(([folder]) => file.startsWith(`${folder}/`))!
const isUnder = (path: string, folder: string) => path === folder || path.startsWith(`${folder}/`)

describe('import arrows', () => {
  it('sees the tree', () => {
    expect(sources.length).toBeGreaterThan(100)
    expect(importsOf('core/simulate/step.ts')).toContain('../rig/table/switch')
    expect(importsOf('app/app.vue')).toEqual(['#components'])
  })

  it.each(sources.map((file) => [file]))('%s imports only what it may', (file) => {
    const [folder, own] = rule(file)
    // A test may look at the whole core; the code it tests may not.
    const mayImport = isTest(file) && isUnder(file, 'core') ? ['core'] : own
    for (const written of importsOf(file)) {
      const to = target(file, written)
      if (to !== null)
        expect(
          mayImport.some((one) => isUnder(to, one)),
          `${file} (${folder}) imports ${written}`,
        ).toBe(true)
      else if (folder.startsWith('core') && !isTest(file))
        expect(PACKAGES_OF_CORE, `${file} imports ${written}`).toContain(written)
    }
  })

  it('what is made for tests is used by tests only', () => {
    const used = sources
      .filter((file) => !isTest(file))
      .flatMap((file) => importsOf(file).map((written) => target(file, written)))
      .filter((to) => to !== null && /(?:^|\/)testing\//.test(to))
    expect(used).toEqual([])
    expect(
      sources.filter((file) => /\/(?:make|plain|memory)[A-Z]\w*\.ts$/.test(file) && !isTest(file)),
    ).toEqual([
      // A pedal with nothing to it: the archetype of one.
      'core/archetype/devices/plainPedal.ts',
    ])
  })

  it('outside the core, the core is entered by its public face only', () => {
    const inside = sources
      .filter((file) => !file.startsWith('core/') && !isTest(file))
      .flatMap((file) => importsOf(file).map((written) => ({ file, to: target(file, written) })))
      .filter(({ to }) => to?.startsWith('core/') && to !== 'core/index.ts')
    expect(inside).toEqual([])
  })
})

describe('the core', () => {
  it('has no import cycle', () => {
    const files = sources.filter((file) => file.startsWith('core/') && !isTest(file))
    const edges = new Map(
      files.map((file) => [
        file,
        importsOf(file).flatMap((written) =>
          written.startsWith('.') ? [`${target(file, written)}.ts`] : [],
        ),
      ]),
    )
    const done = new Set<string>()
    const visit = (file: string, path: readonly string[]): void => {
      if (path.includes(file))
        throw new Error(`Cycle: ${[...path.slice(path.indexOf(file)), file].join(' -> ')}`)
      if (done.has(file)) return
      for (const next of edges.get(file) ?? []) visit(next, [...path, file])
      done.add(file)
    }
    for (const file of files) visit(file, [])
    expect(done.size).toBe(files.length)
  })
})
