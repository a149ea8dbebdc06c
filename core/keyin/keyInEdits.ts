import {
  change,
  type Change,
  type Edit,
  editRow,
  type Rig,
  type Controller,
  type ControllerId,
  type Content,
  type KeyIn,
  type KeyInId,
  type Keying,
} from '#core/rig'
import { own } from '#core/base'
import { boardOf, emptyAt, isEmptyAt, placeOfKey, shapeOf } from './keyPlaces'
import { heldIn } from './held'

/** Of which revision, when, and where new ids come from. */
export interface Said {
  readonly revision: number
  /** ISO 8601, UTC. */
  readonly at: string
  readonly newId: () => KeyInId
}

/** What a place now holds; null where nobody knows. */
export type Holding = readonly [place: string, content: Content | null]

/**
 * Changes that say what places hold. What holds nothing needs no row, unless it was ticked: the box stands where the last
 * tick was.
 */
function holdingChanges(
  rig: Rig,
  controller: Controller,
  holdings: readonly Holding[],
  how: KeyIn['how'],
  { revision, at, newId }: Said,
): Change[] {
  const held = heldIn(rig, controller)
  const shape = shapeOf(rig, controller)
  return holdings.flatMap(([place, content]): Change[] => {
    const row = held.get(place)
    // A file may hold two rows of a place: the older ones go.
    const older = Object.values(rig.keyIns).filter(
      (one) => one.controllerId === controller.id && one.place === place && one.id !== row?.id,
    )
    const gone = older.map((one) => change('keyIns', one.id, one, null))
    const where = placeOfKey(rig, controller, place)
    const isEmpty = where !== null && content !== null && isEmptyAt(shape, where, content)
    if (isEmpty && how !== 'tick') return row ? [...gone, change('keyIns', row.id, row, null)] : gone
    const id = row?.id ?? newId()
    const after: KeyIn = { id, controllerId: controller.id, place, content, how, revision, at }
    return [...gone, change('keyIns', id, row ?? null, after)]
  })
}

const edit = (label: Edit['label'], changes: readonly Change[]): Edit | null =>
  changes.length === 0 ? null : { label, changes }

/** A line of the sheet is done: its place holds what it should. */
export const tickLine = (
  rig: Rig,
  controller: Controller,
  line: { readonly key: string; readonly wanted: Content },
  said: Said,
): Edit | null => edit('keyIn', holdingChanges(rig, controller, [[line.key, line.wanted]], 'tick', said))

/** It was not keyed in after all: nobody knows what is there. */
export const untick = (rig: Rig, controller: Controller, place: string, said: Said): Edit | null =>
  edit('keyIn', holdingChanges(rig, controller, [[place, null]], 'said', said))

/** All that is planned is in the controller, or in some of its banks, as the player says. */
export function sayAllKeyedIn(
  rig: Rig,
  controller: Controller,
  said: Said,
  isMeant: (key: string) => boolean = () => true,
): Edit | null {
  const units = boardOf(rig, controller).filter(({ key }) => isMeant(key))
  const planned = new Set(units.map(({ key }) => key))
  const shape = shapeOf(rig, controller)
  const emptied = [...heldIn(rig, controller).keys()].flatMap((key): Holding[] => {
    const place = planned.has(key) || !isMeant(key) ? null : placeOfKey(rig, controller, key)
    return place ? [[key, emptyAt(shape, place)]] : []
  })
  const holdings = [...units.map(({ key, content }): Holding => [key, content]), ...emptied]
  return edit('keyInAll', holdingChanges(rig, controller, holdings, 'said', said))
}

/** The controller is as it left the factory: nothing is keyed in. */
export const sayNothingKeyedIn = (rig: Rig, { id }: Controller): Edit | null =>
  edit(
    'forgetKeyIn',
    Object.values(rig.keyIns).flatMap((row) =>
      row.controllerId === id ? [change('keyIns', row.id, row, null)] : [],
    ),
  )

/** Nobody knows what is in the controller: every place is made anew. */
export function sayNothingKnown(rig: Rig, controller: Controller, said: Said): Edit | null {
  const places = new Set([
    ...boardOf(rig, controller).map(({ key }) => key),
    ...heldIn(rig, controller).keys(),
  ])
  const holdings = [...places].map((place): Holding => [place, null])
  return edit('keyInAll', holdingChanges(rig, controller, holdings, 'said', said))
}

/** What was heard from the controller itself. */
export const keepHeard = (
  rig: Rig,
  controller: Controller,
  holdings: readonly Holding[],
  said: Said,
): Edit | null => edit('heardKeyIn', holdingChanges(rig, controller, holdings, 'heard', said))

/** How a controller is keyed in; null for the commonest manner. */
export const setKeying = (rig: Rig, id: ControllerId, keying: Keying | null): Edit | null =>
  own(rig.controllers, id) ? editRow(rig, 'setKeying', 'controllers', id, { keying }) : null
