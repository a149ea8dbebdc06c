import { readdirSync, readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { TABLE_NAMES } from '#core/rig'

/** `rig.devices[id]` finds "constructor" in every rig: rows are looked up with `own`. */
const BARE = new RegExp(`\\.(?:${TABLE_NAMES.join('|')})(?:\\?\\.)?\\[`)

it('no row is looked up past the rig’s own keys', () => {
  const root = new URL('..', import.meta.url)
  const files = ['core', 'shared', 'server', 'app'].flatMap((folder) =>
    readdirSync(new URL(folder, root), { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.(ts|vue)$/.test(file))
      .map((file) => `${folder}/${file}`),
  )
  const bare = files
    .filter((file) => !/\.test\.ts$|makeRig|core\/base\/own/.test(file))
    .flatMap((file) =>
      readFileSync(new URL(`../${file}`, import.meta.url), 'utf8')
        .split('\n')
        .flatMap((line, n) => (BARE.test(line) ? [`${file}:${n + 1}: ${line.trim()}`] : [])),
    )
  expect(bare).toEqual([])
  expect(files.length).toBeGreaterThan(300)
})
