import { LAYERS, type PanelMove } from '#core/rig'
import { KEPT_LISTS, keptCount, type KeptList, type Place } from './keyPlaces'
import type { RowShape } from './rows'
import { settingPresses, settingStrokes, type Domain, type Stroke } from './setting'

/** What can be chosen on the way to something. */
type Chosen = Extract<PanelMove, { do: 'choose' }>['what']

/** What was chosen last, each counted from 0. */
export type Choices = { readonly [What in Chosen]: number }

export const NOWHERE: Choices = { bank: 0, layer: 0, place: 0, list: 0, count: 0 }

/** What must be chosen to come to a place. */
export const choicesOf = (place: Place): Choices =>
  place.kind === 'switch'
    ? { ...NOWHERE, bank: place.bank, layer: LAYERS.indexOf(place.layer), place: place.place }
    : { ...NOWHERE, list: KEPT_LISTS.indexOf(place.list), count: place.count }

/** What a controller can be asked to choose from. `places` are the keys of its switches. */
export interface Box {
  readonly shape: RowShape
  readonly places: readonly { readonly jack: string; readonly number: number }[]
}

export function choiceDomain({ shape, places }: Box, what: Chosen, list: number): Domain {
  const { controller } = shape
  switch (what) {
    case 'bank':
      return { size: controller.bankCount, first: controller.firstBank }
    case 'layer':
      return { size: controller.hasShift ? 2 : 1, first: 1 }
    case 'place':
      return { size: places.length, first: 1 }
    case 'list':
      return { size: KEPT_LISTS.length, first: 1 }
    case 'count':
      return countDomain(shape, KEPT_LISTS[list]!)
  }
}

function countDomain({ controller }: RowShape, list: KeptList): Domain {
  const size = Math.max(1, keptCount(controller, list))
  if (list === 'combo') return { size, first: controller.combos?.first ?? 1 }
  return { size, first: list === 'enter' || list === 'leave' ? controller.firstBank : 1 }
}

/** The key of a switch as it is named when it is stepped on. */
export const switchKey = ({ jack, number }: { readonly jack: string; readonly number: number }): string =>
  `s/${jack}/${number}`

/** What is pressed from one choice to the next; of choices made `here` what was chosen last counts. */
export function wayStrokes(
  box: Box,
  moves: readonly PanelMove[],
  here: Choices,
  to: Choices,
  isWithin = false,
): Stroke[] {
  return moves.flatMap((move): Stroke[] => {
    if (move.do === 'press')
      return [{ key: move.key, times: 1, ...(move.holdMs > 0 && { holdMs: move.holdMs }) }]
    return [...choosing(box, move, isWithin || move.from === 'here' ? here[move.what] : 0, to)]
  })
}

function choosing(
  box: Box,
  { what, set }: Extract<PanelMove, { do: 'choose' }>,
  from: number,
  to: Choices,
): readonly Stroke[] {
  const domain = choiceDomain(box, what, to.list)
  // A place that is pointed at is opened by that.
  const now = set.how === 'pick' && opens(what) ? -1 : Math.min(from, domain.size - 1)
  const name = set.how === 'itself' ? switchKey(box.places[to[what]]!) : `${what}:${to[what]}`
  return domain.size === 1 && !opens(what) ? [] : settingStrokes(set, domain, now, to[what], name)
}

/** What is chosen last on a way. */
export const opens = (what: Chosen): boolean => what === 'place' || what === 'count'

/** How many presses a choice takes; the list matters to a count only. */
export function choicePresses(
  box: Box,
  { what, set }: Extract<PanelMove, { do: 'choose' }>,
  from: number,
  to: number,
  list = 0,
): number {
  const domain = choiceDomain(box, what, list)
  if (domain.size === 1 && !opens(what)) return 0
  const now = set.how === 'pick' && opens(what) ? -1 : Math.min(from, domain.size - 1)
  return settingPresses(set, domain, now, to)
}

/** Presses of a way that hang on what was chosen before: the choices that are made from `here`. */
export function herePresses(box: Box, moves: readonly PanelMove[], here: Choices, to: Choices): number {
  let presses = 0
  for (const move of moves)
    if (move.do === 'choose' && move.from === 'here')
      presses += choicePresses(box, move, here[move.what], to[move.what], to.list)
  return presses
}

/** Presses of a way that are the same wherever one comes from. */
export function fixedPresses(box: Box, moves: readonly PanelMove[], to: Choices): number {
  let presses = 0
  for (const move of moves)
    if (move.do === 'press') presses++
    else if (move.from === 'start') presses += choicePresses(box, move, 0, to[move.what], to.list)
  return presses
}
