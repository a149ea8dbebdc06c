import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'

const root = dirname(dirname(fileURLToPath(import.meta.url)))
const ALIASES: readonly (readonly [string, string])[] = [
  ['#core', 'core'],
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

/** What each of the large folders may import, and its rooms from the ground up: a room imports only from floors below its own. */
const HOUSE: {
  readonly [folder: string]: { readonly mayImport: readonly string[]; readonly floors: string }
} = {
  core: {
    mayImport: [],
    floors: `base explore | midi placing | rig | dump looper map tempo | archetype sound | switching | chart pedal |
      simulate | keyin prove show | check listen practice stage | setup | history paper | logbook`,
  },
  shared: { mayImport: ['core'], floors: 'contract words | actions | .' },
  server: {
    mayImport: ['core', 'shared'],
    floors: 'base db paper | services | backup demo | http | api routes start | plugins .',
  },
  app: {
    mayImport: ['core', 'shared'],
    floors: `assets workers | platform | text theme | charts plugins stores | composables | components | views | pages .`,
  },
  // A player knows the views by the names they bear; only the type of them goes along.
  e2e: { mayImport: ['app/text/stages'], floors: 'testing .' },
}
/** What is for tests of one folder may know more. */
const FOR_TESTS: readonly (readonly [folder: string, more: string])[] = [
  // Pages are mounted with the demo, which the server makes.
  ['app/testing', 'server/demo'],
]
const PACKAGES_OF_CORE = ['zod/mini', 'dequal/lite']

const isUnder = (path: string, folder: string) => path === folder || path.startsWith(`${folder}/`)
const folderOf = (path: string): string => path.split('/')[0]!
/** A file that lies in no room is in the one called ".". */
const roomOf = (path: string): string => {
  const [, room, ...more] = path.split('/')
  return more.length > 0 || (room !== undefined && isRoom(path)) ? room! : '.'
}
const isRoom = (path: string): boolean => existsSync(join(root, path)) && !path.includes('.')
const floorOf = (path: string): number =>
  HOUSE[folderOf(path)]!.floors.split('|').findIndex((rooms) =>
    rooms.trim().split(/\s+/).includes(roomOf(path)),
  )

describe('import arrows', () => {
  it('sees the tree', () => {
    expect(sources.length).toBeGreaterThan(100)
    expect(importsOf('core/simulate/step.ts')).toContain('#core/rig')
    expect(importsOf('app/app.vue')).toEqual(['#components'])
    expect(floorOf('core/rig/table/switch')).toBe(2)
    expect(floorOf('core/logbook')).toBe(12)
    expect(floorOf('app/app.vue')).toBe(floorOf('app/pages/words.vue'))
    // Every room has its floor.
    expect(sources.filter((file) => !isTest(file) && floorOf(file) < 0)).toEqual([])
  })

  it.each(sources.map((file) => [file]))('%s imports only what it may', (file) => {
    const folder = folderOf(file)
    const { mayImport } = HOUSE[folder]!
    const more = FOR_TESTS.flatMap(([under, what]) => (isUnder(file, under) ? [what] : []))
    for (const written of importsOf(file)) {
      const to = target(file, written)
      const said = `${file} imports ${written}`
      if (to === null) {
        if (folder === 'core' && !isTest(file)) expect(PACKAGES_OF_CORE, said).toContain(written)
        continue
      }
      const isOwn = folderOf(to) === folder
      expect(isOwn || [...mayImport, ...more].some((one) => isUnder(to, one)), said).toBe(true)
      // A test may look at all that its folder has; the code it tests may not.
      if (isTest(file)) continue
      if (isOwn && roomOf(to) !== roomOf(file)) expect(floorOf(to), said).toBeLessThan(floorOf(file))
      // The core is entered by the doors of its rooms only.
      if (folderOf(to) === 'core' && (!isOwn || roomOf(to) !== roomOf(file)))
        expect(to.split('/').length, said).toBe(2)
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
