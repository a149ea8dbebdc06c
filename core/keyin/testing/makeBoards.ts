import { seeded } from '../../base/seeded'
import { makeController } from '../../rig/testing/makeRig'
import { ROW_KINDS, type Keying, type Setter } from '../../rig/table/keying'
import { LAYERS } from '../../rig/table/switch'
import { capacityOf, emptyAt, placeName, type Place } from '../keyPlaces'
import { switchLists, type Content, type List } from '../content'
import { USUAL_KEYINGS } from '../manners/manners'
import { canHold, domainOf, rowFields, type Row, type RowShape } from '../rows'
import type { Box } from '../ways'

/** Generated boards for tests of the sheet: places with contents, on a controller keyed in in one of the five manners. */
export interface MadeBoard {
  readonly box: Box
  readonly places: readonly { readonly place: Place; readonly content: Content }[]
}

/** The same with values set in other ways and keys that wrap or not, as a player would adapt it. */
function adapted(keying: Keying, random: () => number): Keying {
  const change = (set: Setter): Setter =>
    set.how === 'steps' && set.up !== set.down
      ? {
          ...set,
          wraps: random() < 0.5,
          fast: random() < 0.4 ? null : { afterMs: 500, by: 2 + Math.floor(random() * 15) },
        }
      : set
  const kinds = random() < 0.5 ? keying.kinds : [...keying.kinds].sort(() => random() - 0.5)
  return {
    ...keying,
    kinds,
    fields: keying.fields.map((one) => ({ ...one, set: change(one.set) })),
    copy: random() < 0.1 ? null : keying.copy,
  }
}

export function makeBoard(manner: Keying['manner'], seed: number, most = 24): MadeBoard {
  const random = seeded(seed)
  const int = (size: number) => Math.floor(random() * size)
  const some = <Value>(all: readonly Value[]): Value => all[int(all.length)]!
  const controller = makeController({
    rows: 1 + int(2),
    columns: 2 + int(4),
    bankCount: 2 + int(40),
    firstBank: some([0, 1] as const),
    firstPreset: some([0, 1] as const),
    messagesPerEvent: 1 + int(6),
    labelLength: some([null, 3, 8]),
    events: some([['press'], ['press', 'release'], ['press', 'release', 'longPress', 'doublePress']]),
    hasShift: random() < 0.4,
    macros: int(4),
    combos: random() < 0.3 ? { count: 20, first: 0, channels: 4, highestProgram: 127 as never } : null,
  })
  const usual = USUAL_KEYINGS[manner]
  const keying = random() < 0.4 ? usual : adapted(usual, random)
  const shape: RowShape = { keying, controller, colours: ['usual', 'green', 'red'].slice(0, 1 + int(3)) }
  const places = Array.from({ length: controller.rows * controller.columns }, (_, n) => ({
    jack: '',
    number: n + 1,
  }))
  const box: Box = { shape, places }
  /** A few rows that come again and again, as messages of one rig do. */
  const pool = Array.from({ length: 12 }, () => makeRow(shape, int))
  const all = new Map<string, MadeBoard['places'][number]>()
  const count = int(most)
  for (let n = 0; n < count; n++) {
    const place = makePlace(box, int)
    const before = some([...all.values()].filter((one) => one.place.kind === place.kind))
    const content =
      before && random() < 0.4 && before.place.kind === 'switch'
        ? alteredContent(shape, before.content, pool, int)
        : makeContent(shape, place, pool, int)
    all.set(placeName(place), { place, content })
  }
  return { box, places: [...all.values()] }
}

function makePlace({ shape: { controller }, places }: Box, int: (size: number) => number): Place {
  if (int(6) === 0) {
    if (controller.combos && int(2) === 0)
      return { kind: 'kept', list: 'combo', count: int(controller.combos.count) }
    if (controller.macros > 0 && int(2) === 0)
      return { kind: 'kept', list: 'macro', count: int(controller.macros) }
    return int(3) === 0
      ? { kind: 'kept', list: 'power', count: 0 }
      : { kind: 'kept', list: int(2) === 0 ? 'enter' : 'leave', count: int(controller.bankCount) }
  }
  const place = int(places.length)
  return {
    kind: 'switch',
    bank: int(Math.min(4, controller.bankCount)),
    layer: LAYERS[controller.hasShift ? int(2) : 0]!,
    place,
    ...places[place]!,
  }
}

export function makeRow(shape: RowShape, int: (size: number) => number): Row {
  for (;;) {
    const kind =
      int(3) > 0 ? (['program', 'control'] as const)[int(2)]! : ROW_KINDS[1 + int(ROW_KINDS.length - 1)]!
    const row = [
      kind,
      ...rowFields(shape, kind).map((field) => int(Math.min(300, domainOf(shape, kind, field).size))),
    ] as unknown as Row
    if (canHold(shape, row)) return row
  }
}

function makeContent(
  shape: RowShape,
  place: Place,
  pool: readonly Row[],
  int: (size: number) => number,
): Content {
  const room = capacityOf(place, shape.controller)
  const rows = (most: number) =>
    Array.from({ length: int(Math.min(room, most) + 1) }, () => pool[int(pool.length)]!)
  if (place.kind === 'kept')
    return { settings: null, name: null, lists: [{ id: 'kept', lamp: null, rows: rows(6) }] }
  const positions = int(3) === 0 ? int(3) : 0
  const lists = switchLists(shape, positions + 1).map((id): List => ({
    id,
    lamp: id.startsWith('p') ? lamp(shape, int) : null,
    rows: rows(id === 'p0' ? 6 : 2),
  }))
  const name = emptyAt(shape, place).name
  return {
    settings: ['settings', positions, int(3)],
    lists,
    name: name && (name.map((one, n) => (n > 0 && int(3) > 0 ? int(70) : one)) as unknown as Row),
  }
}

const lamp = (shape: RowShape, int: (size: number) => number): Row =>
  int(3) > 0 ? ['lamp', 0, 0] : ['lamp', int(5), int(shape.colours.length)]

/** Another content that is much the same: a value or a row is another, one row more or less. */
export function alteredContent(
  shape: RowShape,
  content: Content,
  pool: readonly Row[],
  int: (size: number) => number,
): Content {
  const at = int(content.lists.length)
  return {
    ...content,
    lists: content.lists.map((list, n): List => {
      if (n !== at) return list
      if (list.rows.length === 0 || (int(3) === 0 && list.rows.length < shape.controller.messagesPerEvent))
        return shape.controller.messagesPerEvent > list.rows.length
          ? { ...list, rows: [...list.rows, pool[int(pool.length)]!] }
          : list
      if (int(4) === 0) return { ...list, rows: list.rows.slice(0, -1) }
      const which = int(list.rows.length)
      return { ...list, rows: list.rows.map((row, k) => (k === which ? pool[int(pool.length)]! : row)) }
    }),
  }
}
