import { cutText, own } from '#core/base'
import {
  CABLING,
  perTables,
  byIndex,
  inOrder,
  type Rig,
  switchesHere,
  type Action,
  type Bank,
  type Controller,
  isProgrammed,
  LAYERS,
  type Footswitch,
  type Layer,
} from '#core/rig'
import { jackPlaces } from '#core/simulate'
import { combosOf, COMPILE_KEYS } from '#core/switching'
import {
  EMPTY_KEPT,
  emptyName,
  emptySwitch,
  sameContent,
  switchLists,
  type Content,
  type List,
  type ListId,
} from './content'
import { heldRows, keptMacros } from './heldRows'
import { keyingOf } from './keyingOf'
import { LETTERS, type LIGHTS, type Row, type RowShape } from './rows'

/** Lists a controller keeps beside its switches, in the order in which they are keyed in: what calls others comes after them. */
export const KEPT_LISTS = ['combo', 'macro', 'enter', 'leave', 'power'] as const

export type KeptList = (typeof KEPT_LISTS)[number]

/** Something that is keyed in by itself: a switch, or a list kept beside them. */
export type Place =
  | {
      readonly kind: 'switch'
      /** From 0. */
      readonly bank: number
      readonly layer: Layer
      /** Among the controller's places, from 0: its own switches, then contacts on jacks. */
      readonly place: number
      readonly jack: string
      readonly number: number
    }
  | { readonly kind: 'kept'; readonly list: KeptList; readonly count: number }

/** One place of the controller that is keyed in and ticked by itself. */
export interface Unit {
  /** Names it for good: the place on the box, whatever the plan puts there. */
  readonly key: string
  readonly place: Place
  readonly content: Content
  /** The row it comes from; null for a sound kept as a combination and what is done at power-on. */
  readonly switchId: string | null
  /** Lists with actions that cannot be keyed in, and which of them. */
  readonly left: readonly { readonly list: ListId; readonly actions: readonly Action[] }[]
  /** Rows beyond what a list has room for: the list was cut there. */
  readonly over: number
}

export const placeName = (place: Place): string =>
  place.kind === 'switch'
    ? `s/${place.bank}/${place.layer}/${place.jack}/${place.number}`
    : `k/${place.list}/${place.count}`

/** The place a key names; null where the controller has none such any more. */
export function placeOfKey(rig: Rig, controller: Controller, key: string): Place | null {
  const [kind, a, b, jack, number] = key.split('/')
  if (kind === 'k') {
    const list = KEPT_LISTS.find((one) => one === a)
    const count = Number(b)
    return list && count < keptCount(controller, list) ? { kind: 'kept', list, count } : null
  }
  const place = placesOf(rig, controller).findIndex(
    (one) => one.jack === jack && one.number === Number(number),
  )
  const layer = layersOf(controller).find((one) => one === b)
  return place < 0 || !layer || Number(a) >= controller.bankCount
    ? null
    : { kind: 'switch', bank: Number(a), layer, place, jack: jack!, number: Number(number) }
}

/** How many of a kept list a controller has. */
export function keptCount({ combos, macros, bankCount }: Controller, list: KeptList): number {
  switch (list) {
    case 'combo':
      return combos?.count ?? 0
    case 'macro':
      return macros
    case 'enter':
    case 'leave':
      return bankCount
    case 'power':
      return 1
  }
}

/** The layers of a controller: switches of a shift layer it has not are on none of its places. */
const layersOf = ({ hasShift }: Controller): readonly Layer[] => (hasShift ? LAYERS : ['base'])

/** The footswitches of a controller: its own from 1, then contacts on its jacks. */
export const placesOf = (
  rig: Rig,
  controller: Controller,
): readonly { readonly jack: string; readonly number: number; readonly name: string }[] => [
  ...Array.from({ length: controller.rows * controller.columns }, (_, n) => ({
    jack: '',
    number: n + 1,
    name: String(n + 1),
  })),
  ...jackPlaces(rig, controller),
]

/** How rows stand in a controller. */
export const shapeOf = (rig: Rig, controller: Controller): RowShape => shapes(rig).get(controller.id)!

const shapes = perTables(['controllers', 'switches', 'banks'], (rig: Rig): ReadonlyMap<string, RowShape> => {
  const words = new Map<string, Set<string>>()
  for (const { bankId, lamps } of Object.values(rig.switches)) {
    const id = own(rig.banks, bankId)?.controllerId ?? ''
    const its = words.get(id) ?? new Set()
    words.set(id, its)
    for (const { colour } of lamps) if (colour !== '') its.add(colour)
  }
  return new Map(
    inOrder(rig.controllers).map((controller) => [
      controller.id,
      {
        keying: keyingOf(controller),
        controller,
        colours: ['usual', ...[...(words.get(controller.id) ?? [])].sort()],
      },
    ]),
  )
})

/** What is to be keyed into each controller: every place that holds something, in order. */
export const boardOf = (rig: Rig, controller: Controller): readonly Unit[] =>
  boards(rig).get(controller.id) ?? []

const boards = perTables(
  [...COMPILE_KEYS, ...CABLING, 'switches', 'banks'],
  (rig: Rig): ReadonlyMap<string, readonly Unit[]> =>
    new Map(inOrder(rig.controllers).map((controller) => [controller.id, unitsOf(rig, controller)])),
)

function unitsOf(rig: Rig, controller: Controller): Unit[] {
  const shape = shapeOf(rig, controller)
  const banks = byIndex(rig.banks).filter(
    ({ controllerId, index }) => controllerId === controller.id && index < controller.bankCount,
  )
  const kept = (list: KeptList, count: number, actions: readonly Action[]): Unit[] => {
    const { rows, left } = cutRows(rig, shape, actions)
    // A list of nothing but macros with nothing in them holds nothing either.
    if (rows.rows.length === 0 && left.length === 0) return []
    const place: Place = { kind: 'kept', list, count }
    return [keptUnit(place, rows.rows, left.length > 0 ? [{ list: 'kept', actions: left }] : [], rows.over)]
  }
  return [
    ...combosOf(rig, controller).flatMap(({ index, programs }): Unit[] =>
      index === null
        ? []
        : [
            keptUnit(
              { kind: 'kept', list: 'combo', count: index },
              programs.map(({ channel, program }): Row => ['program', channel - 1, program]),
              [],
              0,
            ),
          ],
    ),
    ...keptMacros(rig, controller).flatMap(({ actions }, n) => kept('macro', n, actions)),
    ...banks.flatMap((bank) => kept('enter', bank.index, bank.enter)),
    ...banks.flatMap((bank) => kept('leave', bank.index, bank.leave)),
    ...kept('power', 0, controller.onPower),
    ...banks.flatMap((bank) => bankUnits(rig, shape, bank)),
  ]
}

const keptUnit = (place: Place, rows: readonly Row[], left: Unit['left'], over: number): Unit => ({
  key: placeName(place),
  place,
  content: { ...EMPTY_KEPT, lists: [{ id: 'kept', lamp: null, rows }] },
  switchId: null,
  left,
  over,
})

/** Rows a list has room for. */
export const capacityOf = (place: Place, { messagesPerEvent, combos }: Controller): number =>
  place.kind === 'kept' && place.list === 'combo' ? (combos?.channels ?? 16) : messagesPerEvent

function cutRows(rig: Rig, shape: RowShape, actions: readonly Action[]) {
  const held = heldRows(rig, shape, actions)
  const room = shape.controller.messagesPerEvent
  return {
    rows: { rows: held.rows.slice(0, room), over: Math.max(0, held.rows.length - room) },
    left: held.left.map((n) => actions[n]!),
  }
}

function bankUnits(rig: Rig, shape: RowShape, bank: Bank): Unit[] {
  const { controller } = shape
  return layersOf(controller).flatMap((layer) => {
    const here = switchesHere(rig, bank.id, layer)
    return placesOf(rig, controller).flatMap(({ jack, number }, place): Unit[] => {
      const one = here.get(`${jack}/${number}`)
      // What turns the shift layer stands in both and is keyed in once.
      if (!one || one.layer !== layer || (!isProgrammed(one) && one.label === '')) return []
      const at: Place = { kind: 'switch', bank: bank.index, layer, place, jack, number }
      return [switchUnit(rig, shape, at, one, groupsOf(rig, bank))]
    })
  })
}

/** Groups of a bank by name, numbered from 1 in the order of their switches. */
function groupsOf(rig: Rig, bank: Bank): ReadonlyMap<string, number> {
  const names = new Map<string, number>()
  for (const layer of LAYERS)
    for (const { group } of [...switchesHere(rig, bank.id, layer).values()].sort(
      (a, b) => a.number - b.number,
    ))
      if (group !== '' && !names.has(group)) names.set(group, names.size + 1)
  return names
}

function switchUnit(
  rig: Rig,
  shape: RowShape,
  place: Place,
  one: Footswitch,
  groups: ReadonlyMap<string, number>,
): Unit {
  const left: Unit['left'][number][] = []
  let over = 0
  const lists = switchLists(shape, one.positions.length).map((id): List => {
    const actions = id.startsWith('p')
      ? one.positions[Number(id.slice(1))]!
      : one[id as 'release' | 'longPress' | 'doublePress']
    const its = cutRows(rig, shape, actions)
    over += its.rows.over
    if (its.left.length > 0) left.push({ list: id, actions: its.left })
    return {
      id,
      lamp: id.startsWith('p') ? lampRow(shape, one, Number(id.slice(1))) : null,
      rows: its.rows.rows,
    }
  })
  for (const event of ['release', 'longPress', 'doublePress'] as const)
    if (one[event].length > 0 && !shape.controller.events.includes(event))
      left.push({ list: event, actions: one[event] })
  const content: Content = {
    settings: ['settings', one.positions.length - 1, Math.min(99, groups.get(one.group) ?? 0)],
    lists,
    name: nameRow(shape, one.label),
  }
  return { key: placeName(place), place, content, switchId: one.id, left, over }
}

function lampRow({ colours }: RowShape, { lamps }: Footswitch, position: number): Row {
  const lamp = lamps[position]
  const light = LAMP_ORDER.indexOf(lamp?.light ?? 'follow')
  return ['lamp', light, Math.max(0, colours.indexOf(lamp?.colour ?? ''))]
}

/** In the order of {@link LIGHTS}. */
const LAMP_ORDER = ['follow', 'off', 'steady', 'flash', 'tempo'] as const satisfies {
  length: typeof LIGHTS.length
}

function nameRow(shape: RowShape, label: string): Row | null {
  const empty = emptyName(shape)
  if (!empty) return null
  const plain = cutText(label.normalize('NFD').replace(/\p{M}/gu, ''), empty.length - 1)
  const letters = Array.from(plain, (letter) => {
    const n = LETTERS.indexOf(letter)
    return n < 0 ? LETTERS.indexOf('?') : n
  })
  return ['name', ...letters, ...Array.from({ length: empty.length - 1 - letters.length }, () => 0)]
}

/** What a place holds when nothing was ever keyed in there. */
export const emptyAt = (shape: RowShape, place: Place): Content =>
  place.kind === 'switch' ? emptySwitch(shape) : EMPTY_KEPT

export const isEmptyAt = (shape: RowShape, place: Place, content: Content): boolean =>
  sameContent(content, emptyAt(shape, place))
