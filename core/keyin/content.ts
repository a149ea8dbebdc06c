import type { Content, ListId } from '#core/rig'
import { END, type Row, type RowShape } from './rows'
export type { Content, List, ListId } from '#core/rig'

/** A row with where it stands. */
export interface RowAt {
  readonly at: string
  readonly row: Row
  readonly list: ListId | null
  /** The place in its list, from 0; -1 for the lamp before it. */
  readonly nth: number
}

/** All rows one behind the other, as they are gone through, each list with its end where it has room for more. */
export function rowsOf(content: Content, capacity: number): RowAt[] {
  const all: RowAt[] = []
  const { settings, lists, name } = content
  if (settings) all.push({ at: 'settings', row: settings, list: null, nth: 0 })
  for (const { id, lamp, rows } of lists) {
    if (lamp) all.push({ at: `${id}/lamp`, row: lamp, list: id, nth: LAMP_AT })
    rows.forEach((row, nth) => all.push({ at: `${id}/${nth}`, row, list: id, nth }))
    if (rows.length < capacity) all.push({ at: `${id}/${rows.length}`, row: END, list: id, nth: rows.length })
  }
  if (name) all.push({ at: 'name', row: name, list: null, nth: 0 })
  return all
}

const LAMP_AT = -1

export const PLAIN_LAMP: Row = ['lamp', 0, 0]

/** A switch nothing was ever keyed into. */
export function emptySwitch(shape: RowShape): Content {
  return {
    settings: ['settings', 0, 0],
    lists: switchLists(shape, 1).map((id) => ({
      id,
      lamp: id.startsWith('p') ? PLAIN_LAMP : null,
      rows: [],
    })),
    name: emptyName(shape),
  }
}

export const emptyName = ({ controller, keying }: RowShape): Row | null =>
  controller.labelLength !== null && keying.fields.some(({ field }) => field === 'letter')
    ? ['name', ...Array.from({ length: controller.labelLength }, () => 0)]
    : null

export const EMPTY_KEPT: Content = {
  settings: null,
  lists: [{ id: 'kept', lamp: null, rows: [] }],
  name: null,
}

/** The lists of a switch with so many positions, in the order they are gone through. */
export const switchLists = ({ controller }: RowShape, positions: number): ListId[] => [
  ...Array.from({ length: positions }, (_, n): ListId => `p${n}`),
  ...(['release', 'longPress', 'doublePress'] as const).filter((event) => controller.events.includes(event)),
]

/** Whether two places hold the same, row by row. */
export const sameContent = (a: Content, b: Content): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b)
