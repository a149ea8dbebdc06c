import { own } from '#core/base'
import {
  rowText,
  shapeOf,
  type KeyInLine,
  type KeyStep,
  type Place,
  type Row,
  type Stroke,
} from '#core/keyin'
import type { Controller, Keying, Rig } from '#core/rig'
import { count } from './words/counts'

/** "Bank 2 Verse", or what is kept beside the switches. */
export function groupText(rig: Rig, controller: Controller, place: Place): string {
  if (place.kind === 'kept') return KEPT_GROUP[place.list]
  const bank = Object.values(rig.banks).find(
    ({ controllerId, index }) => controllerId === controller.id && index === place.bank,
  )
  return `Bank ${place.bank + controller.firstBank} ${bank?.name ?? ''}`.trim()
}

const KEPT_GROUP = {
  combo: 'Combinations',
  macro: 'Kept lists',
  enter: 'On coming to a bank',
  leave: 'On leaving a bank',
  power: 'At power-on',
} as const

/** Where a switch is, or which kept list. */
export function keyedPlaceText(controller: Controller, place: Place): string {
  if (place.kind === 'kept') return keptText(controller, place)
  const shift = place.layer === 'shift' ? ' on the shift layer' : ''
  if (place.jack === '') return `Switch ${place.number}${shift}`
  const port = controller.ports.find(({ id }) => id === place.jack)
  return `${port?.name ?? 'Toe switch'}, contact ${place.number}${shift}`
}

function keptText(controller: Controller, { list, count: n }: Extract<Place, { kind: 'kept' }>): string {
  switch (list) {
    case 'combo':
      return `Combination ${n + (controller.combos?.first ?? 1)}`
    case 'macro':
      return `List ${n + 1}`
    case 'enter':
      return `On coming to bank ${n + controller.firstBank}`
    case 'leave':
      return `On leaving bank ${n + controller.firstBank}`
    case 'power':
      return 'At power-on'
  }
}

/** "Bank 2, switch 3". */
export const fullPlaceText = (controller: Controller, place: Place): string =>
  place.kind === 'kept'
    ? keptText(controller, place)
    : `bank ${place.bank + controller.firstBank}, ${lower(keyedPlaceText(controller, place))}`

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

/** What a line begins from. */
export function baseText(controller: Controller, { base, unit }: KeyInLine): string {
  if (base.kind === 'copy') return `Copy of ${fullPlaceText(controller, base.from)}`
  if (base.kind === 'clear') return unit ? 'Made empty first' : 'Made empty'
  return 'As it stands, amended'
}

const seconds = (ms: number): string => `${ms / 1000} s`

/** What is pressed, in the player's own names for the keys. */
export function strokeText(controller: Controller, keying: Keying, stroke: Stroke): string {
  const { key, times, holdMs, runs, at } = stroke
  const often = times > 1 ? ` ×${times}` : ''
  if (key === 'pick') return `Choose ${pickText(controller, keying, at ?? '')}`
  if (key === 'type') return `Type “${at === ' ' ? 'space' : at}”${often}`
  const digit = /^d(\d)$/.exec(key)?.[1]
  if (digit !== undefined) return digit.repeat(times)
  const name = keyName(controller, keying, key)
  if (runs !== undefined)
    return at === undefined
      ? `Hold ${name} for ${count(runs, 'fast step')}`
      : `Hold ${name} until ${at === ' ' ? 'a space' : at} shows`
  return holdMs === undefined ? `${name}${often}` : `Hold ${name} for ${seconds(holdMs)}${often}`
}

function keyName(controller: Controller, keying: Keying, key: string): string {
  if (!key.startsWith('s/')) return keying.keys.find(({ id }) => id === key)?.name ?? key
  const [, jack = '', number = ''] = key.split('/')
  const port = controller.ports.find(({ id }) => id === jack)
  return jack === '' ? `switch ${number}` : `${port?.name ?? 'the toe switch'}, contact ${number}`
}

function pickText(controller: Controller, keying: Keying, at: string): string {
  const [what = '', a = '', b = ''] = at.split(':')
  switch (what) {
    case 'bank':
      return `bank ${Number(a) + controller.firstBank}`
    case 'layer':
      return a === '0' ? 'the plain layer' : 'the shift layer'
    case 'place':
      return placeNameAt(controller, Number(a))
    case 'list':
      return `“${Object.values(KEPT_GROUP)[Number(a)] ?? ''}”`
    case 'count':
      return `number ${Number(a) + 1}`
    case 'field':
      return fieldText(keying, a, Number(b))
    default:
      return 'it in the list'
  }
}

function placeNameAt({ rows, columns }: Controller, place: number): string {
  return place < rows * columns ? `switch ${place + 1}` : `jack contact ${place + 1 - rows * columns}`
}

/** "row 3 of the press"; which field of it is told by what the display shows. */
function fieldText(_: Keying, at: string, nth: number): string {
  return `${rowPlaceText(at)}, field ${nth + 1}`
}

/** Which row of a switch: "press, row 2". */
export function rowPlaceText(at: string): string {
  if (at === 'settings') return 'settings'
  if (at === 'name') return 'name'
  const [list = '', nth = ''] = at.split('/')
  return `${listText(list)}, ${nth === 'lamp' ? 'lamp' : `row ${Number(nth) + 1}`}`
}

function listText(list: string): string {
  if (list === 'kept') return 'list'
  if (list === 'release') return 'release'
  if (list === 'longPress') return 'long press'
  if (list === 'doublePress') return 'double press'
  const n = Number(list.slice(1))
  return n === 0 ? 'press' : `press ${n + 1}`
}

const DOES = { open: 'Open', clear: 'Empty', copy: 'Copy', set: '', save: 'Save' } as const

/** What a step of a line is for. */
export const stepText = ({ does, at, field }: KeyStep): string =>
  does === 'set' && at !== null
    ? capital([rowPlaceText(at), ...(field === null ? [] : [FIELD_WORDS[field]])].filter(Boolean).join(': '))
    : DOES[does]

const FIELD_WORDS: Record<NonNullable<KeyStep['field']>, string> = {
  kind: 'type',
  channel: 'channel',
  number: 'number',
  value: 'value',
  other: 'second value',
  what: 'what it does',
  amount: 'amount',
  every: 'every',
  bpm: 'tempo',
  positions: 'positions',
  group: 'group',
  light: 'light',
  colour: 'colour',
  letter: 'letter',
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

export const strokesText = (controller: Controller, keying: Keying, strokes: readonly Stroke[]): string =>
  joinDigits(strokes.map((stroke) => strokeText(controller, keying, stroke)))

/** Digits that follow one another are one number. */
function joinDigits(texts: readonly string[]): string {
  const joined: string[] = []
  for (const text of texts) {
    const last = joined.at(-1)
    if (last !== undefined && /^\d+$/.test(text) && /^\d+$/.test(last))
      joined[joined.length - 1] = last + text
    else joined.push(text)
  }
  return joined.join(', ')
}

/** What a switch holds, list by list, as rows. */
export function holdsText(rig: Rig, controller: Controller, line: KeyInLine): string {
  const shape = shapeOf(rig, controller)
  const lists = line.wanted.lists
    .filter(({ rows }) => rows.length > 0)
    .map(
      ({ id, rows }) => `${capital(listText(id))}: ${rows.map((row: Row) => rowText(shape, row)).join('; ')}`,
    )
  return lists.length === 0 ? 'Empty' : lists.join('. ')
}

/** "about 14 min". */
export function durationText(all: number): string {
  const minutes = Math.round(all / 60)
  return all < 60 ? `about ${Math.max(5, Math.round(all / 5) * 5)} s` : `about ${minutes} min`
}

/** The label of what a line is about, where it has one. */
export const lineLabel = (rig: Rig, { unit }: KeyInLine): string =>
  own(rig.switches, unit?.switchId ?? '')?.label ?? ''
