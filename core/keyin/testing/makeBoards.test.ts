import { describe, expect, it } from 'vitest'
import { MANNERS, ROW_KINDS } from '../../rig/table/keying'
import { LAYERS } from '../../rig/table/switch'
import { KEPT_LISTS } from '../keyPlaces'
import { makeBoard } from './makeBoards'

const boards = MANNERS.flatMap((manner) => Array.from({ length: 100 }, (_, seed) => makeBoard(manner, seed)))
const places = boards.flatMap((one) => one.places)
const lists = places.flatMap(({ content }) => content.lists)

const missing = (wanted: readonly string[], there: Iterable<string>) => {
  const all = new Set(there)
  return wanted.filter((one) => !all.has(one))
}

describe('the first 500 boards', () => {
  it('hold every kind of row', () => {
    const kinds = lists.flatMap(({ rows }) => rows.map(([kind]) => kind))
    // No list holds its own end.
    expect(missing(ROW_KINDS, kinds)).toEqual(['end'])
  })

  it('have every gesture, both layers, every list that is kept, lamps, names and positions', () => {
    const ids = ['p0', 'p1', 'p2', 'release', 'longPress', 'doublePress']
    expect(
      missing(
        ids,
        lists.map(({ id }) => id),
      ),
    ).toEqual([])
    const kept = places.flatMap(({ place }) => (place.kind === 'kept' ? [place.list] : []))
    expect(missing(KEPT_LISTS, kept)).toEqual([])
    const layers = places.flatMap(({ place }) => (place.kind === 'switch' ? [place.layer] : []))
    expect(missing(LAYERS, layers)).toEqual([])
    expect(lists.some(({ lamp }) => lamp && lamp[1] !== 0)).toBe(true)
    expect(places.some(({ content }) => content.name?.some((one, n) => n > 0 && one !== 0))).toBe(true)
  })
})
