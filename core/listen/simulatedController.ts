import { PANEL_LAYER, PANEL_WHERE } from '#core/switching'
import { own } from '#core/base'
import { encodeMessage, hexOf, type MidiMessage } from '#core/midi'
import {
  boardOf,
  placeOfKey,
  type Unit,
  sameContent,
  type Content,
  type ListId,
  type Row,
  knownIn,
} from '#core/keyin'
import {
  byIndex,
  inOrder,
  type Rig,
  type Action,
  type Controller,
  type DeviceId,
  type Footswitch,
} from '#core/rig'

/** A simulated controller to listen to where there is none: one that holds the plan, what is known to be keyed in, or slips. */
export const STAND_INS = ['planned', 'keyedIn', 'slips'] as const

/** A simulated controller, by what it holds: the plan, what was keyed in, or that with slips. */
export type StandInBox = (typeof STAND_INS)[number]

/** The rig as that controller would play it: its switches send what it holds, row by row. */
export function standInOf(rig: Rig, controller: Controller, box: StandInBox): Rig {
  if (box === 'planned') return rig
  const [device] = inOrder(rig.devices)
  if (!device) return rig
  const units = boardOf(rig, controller)
  const held = box === 'keyedIn' ? knownIn(rig, controller) : slipsOf(units)
  const switches: { [id: string]: Footswitch } = { ...rig.switches }
  const emptied = (one: Footswitch): Footswitch => ({
    ...one,
    positions: one.positions.map(() => []),
    release: [],
    longPress: [],
    doublePress: [],
  })
  for (const { switchId } of units) {
    const one = own(switches, switchId ?? '')
    if (one) switches[one.id] = emptied(one)
  }
  for (const unit of units) {
    const content = held.get(unit.key)
    const one = own(rig.switches, unit.switchId ?? '')
    if (!content || !one || !placeOfKey(rig, controller, unit.key)) continue
    // As planned it does all of it, also what rows cannot say here.
    switches[one.id] = sameContent(content, unit.content)
      ? one
      : heldSwitch(rig, controller, one, content, held, device.id)
  }
  return { ...rig, switches }
}

type HeldBoard = ReadonlyMap<string, Content | null>

function heldSwitch(
  rig: Rig,
  controller: Controller,
  one: Footswitch,
  content: Content,
  held: HeldBoard,
  deviceId: DeviceId,
): Footswitch {
  const actions = (id: ListId): Action[] =>
    (content.lists.find((list) => list.id === id)?.rows ?? []).flatMap((row) =>
      rowActions(rig, controller, row, held, deviceId, 0),
    )
  const positions = content.lists.filter(({ id }) => id.startsWith('p')).map(({ id }) => actions(id))
  return {
    ...one,
    positions: positions.length > 0 ? positions : [[]],
    lamps: [],
    release: actions('release'),
    longPress: actions('longPress'),
    doublePress: actions('doublePress'),
  }
}

/** What a row does on a floor; rows that only the box itself understands do nothing there. */
function rowActions(
  rig: Rig,
  controller: Controller,
  row: Row,
  held: HeldBoard,
  deviceId: DeviceId,
  depth: number,
): Action[] {
  const [kind, a = 0, b = 0] = row
  const message = rowMessage(row)
  if (message) return [{ kind: 'raw', deviceId, hex: hexOf(encodeMessage(message)) }]
  switch (kind) {
    case 'wait':
      return a > 0 ? [{ kind: 'wait', ms: a }] : []
    case 'bank': {
      const to = PANEL_WHERE[a]!
      const bank = byIndex(rig.banks).find(
        ({ controllerId, index }) => controllerId === controller.id && index === b,
      )
      return to === 'bank' && !bank ? [] : [{ kind: 'travel', to, bankId: to === 'bank' ? bank!.id : null }]
    }
    case 'layer':
      return [{ kind: 'layer', does: PANEL_LAYER[a]! }]
    case 'combo':
    case 'macro': {
      const list = held.get(`k/${kind}/${a}`)?.lists[0]
      return depth > 4 || !list
        ? []
        : list.rows.flatMap((one) => rowActions(rig, controller, one, held, deviceId, depth + 1))
    }
    default:
      return []
  }
}

/** The message a row sends by itself; null for one that does something else. The inverse of `messageRow`. */
export function rowMessage([kind, a = 0, b = 0, c = 0]: Row): MidiMessage | null {
  const channel = (a + 1) as never
  switch (kind) {
    case 'program':
      return { kind: 'program', channel, program: b as never }
    case 'control':
      return { kind: 'control', channel, controller: b as never, value: c as never }
    case 'noteOn':
    case 'noteOff':
      return { kind, channel, note: b as never, velocity: c as never }
    case 'touch':
      return { kind: 'channelPressure', channel, value: b as never }
    case 'bend':
      return { kind: 'pitchBend', channel, bend: b as never }
    default:
      return null
  }
}

/** The plan with the usual slips: a program one off, a control on the next channel, and two switches the wrong way round. */
export function slipsOf(units: readonly Unit[]): HeldBoard {
  const held = new Map(units.map(({ key, content }) => [key, content]))
  // Those that send messages and do nothing else: what comes of a slip is then plain to hear.
  const plain = units.filter(
    ({ place, content }) =>
      place.kind === 'switch' &&
      content.lists[0]!.rows.length > 0 &&
      content.lists.every(({ rows }) => rows.every((row) => row[0] === 'wait' || rowMessage(row) !== null)),
  )
  const slip = (kind: Row[0], alter: (row: Row) => Row, beside: ReadonlySet<string>): string | null => {
    const unit = plain.find(
      ({ key, content }) => !beside.has(key) && content.lists[0]!.rows.some((row) => row[0] === kind),
    )
    if (!unit) return null
    const { content } = unit
    const rows = content.lists[0]!.rows
    const at = rows.findIndex((row) => row[0] === kind)
    held.set(unit.key, {
      ...content,
      lists: [{ ...content.lists[0]!, rows: rows.with(at, alter(rows[at]!)) }, ...content.lists.slice(1)],
    })
    return unit.key
  }
  const used = new Set<string>()
  const note = (key: string | null) => key !== null && used.add(key)
  note(slip('program', ([kind, channel, number]) => [kind, channel!, number! > 0 ? number! - 1 : 1], used))
  note(slip('control', ([kind, channel, ...rest]) => [kind, (channel! + 1) % 16, ...rest], used))
  // Two of one bank, each with one press that does something.
  const rest = plain.filter(
    ({ key, place, content }) =>
      !used.has(key) &&
      place.kind === 'switch' &&
      place.jack === '' &&
      content.lists.every(({ id, rows }) => id === 'p0' || rows.length === 0),
  )
  const bankOf = ({ place }: Unit) => (place.kind === 'switch' ? `${place.bank}/${place.layer}` : '')
  const a = rest.find((one, n) => rest.slice(n + 1).some((other) => bankOf(other) === bankOf(one)))
  const b = a && rest.find((other) => other !== a && bankOf(other) === bankOf(a))
  if (a && b) {
    held.set(a.key, b.content)
    held.set(b.key, a.content)
  }
  return held
}
