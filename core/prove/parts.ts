import { own } from '#core/base'
import {
  perTables,
  FLOOR_TABLES,
  type Rig,
  type Action,
  actionLists,
  BLANK_SWITCH,
  type Footswitch,
  type ControlId,
} from '#core/rig'
import {
  leadsOf,
  type Claim,
  contactKey,
  NOTHING_KNOWN,
  type Known,
  type Learned,
  type Facts,
} from '#core/switching'
import {
  DEVICE_AT_POWER_ON,
  deviceState,
  floorAtPowerOn,
  mayChange,
  type FloorState,
  type Op,
} from '#core/simulate'
import { heldFoot } from './moves'

/**
 * One thing of a floor that can be looked at by itself. Of what the controller knows: `v/` a value it sent, `p/` a preset,
 * `k/` a contact, `n/` the next position of a switch, `d/` the one it did last, `S` the sound, `T` the tuner, `C` the
 * clock, `H` where the show is. Of the devices: `D/` the value of a control, `P/` the preset, `B/` the bank selected, `N/` the parameter chosen,
 * `K/` a contact.
 */
export type Part = string

/** What a part holds; undefined for nothing. */
export type PartValue = string | number | boolean | undefined

/** Stand for whatever was there: what is still so afterwards was left as it was. */
const LEFT_SOUND = '?'
/** The same for the position a switch did last; nothing is a position too. */
export const LEFT_DONE = -1

/** What a floor has at a part. */
export function partOf(state: FloorState, part: Part): PartValue {
  const id = part.slice(2)
  const { known } = state
  switch (part[0]) {
    case 'v':
      return own(known.values, id)
    case 'p':
      return own(known.presets, id)
    case 'k':
      return own(known.contacts, id)
    case 'n':
      return own(known.next, id) ?? 0
    case 'd':
      return own(known.done, id)
    case 'S':
      return known.sound ?? undefined
    case 'T':
      return known.tuner
    case 'C':
      return known.clock
    case 'H':
      return known.showAt ? JSON.stringify(known.showAt) : undefined
    case 'D': {
      const [deviceId, controlId] = id.split('/') as [string, string]
      return own(deviceState(state, deviceId).controls, controlId)
    }
    case 'P':
      return deviceState(state, id).preset ?? undefined
    case 'B': {
      const { bankMsb, bankLsb } = deviceState(state, id)
      return bankMsb * 128 + bankLsb
    }
    case 'N':
      return deviceState(state, id).parameter ?? undefined
    default: {
      const [deviceId, contactId] = id.split('/') as [string, string]
      return own(deviceState(state, deviceId).contacts, contactId)
    }
  }
}

/** So many banks before are told apart: a run that goes back oftener in a row is not looked for. */
const BACK_KEPT = 1

/** Bank, layer and foot, as one text; the banks before only where a switch goes back. */
export function placeOf(rig: Rig, state: FloorState): string {
  const { bankId, layer, heldBy, back } = state.known
  const held = heldFoot(state)
  const foot = held === null ? null : state.feet[held]!.fired
  return JSON.stringify([bankId, layer, heldBy, goesBack(rig) ? back.slice(-BACK_KEPT) : [], held, foot])
}

/** Whether anything leads to the bank before: then that is part of where the foot is. */
export const goesBack = perTables(['switches', 'macros', 'banks'], (rig: Rig): boolean =>
  leadsOf(rig, allActions(rig)).includes('back'),
)

const allActions = (rig: Rig): Action[] => [
  ...Object.values(rig.switches).flatMap((one) => actionLists(one).flatMap(({ actions }) => actions)),
  ...Object.values(rig.macros).flatMap(({ actions }) => actions),
  ...Object.values(rig.banks).flatMap(({ enter, leave }) => [...enter, ...leave]),
]

const blank = perTables(FLOOR_TABLES, floorAtPowerOn)

/** A floor at rest with some parts as given, and all others as nothing was there. Inverse of {@link partOf} for those. */
export function floorOf(rig: Rig, place: string, parts: ReadonlyMap<Part, PartValue>): FloorState {
  const [bankId, layer, heldBy, back, held, fired] = JSON.parse(place)
  const known: { -readonly [Field in keyof Known]: Known[Field] } = {
    ...NOTHING_KNOWN,
    bankId,
    layer,
    heldBy,
    back,
    sound: LEFT_SOUND as never,
  }
  const tables: { [table: string]: { [id: string]: PartValue } } = { v: {}, p: {}, k: {}, n: {}, d: {} }
  const devices: { [id: string]: typeof DEVICE_AT_POWER_ON } = {}
  const alter = (id: string, fields: Partial<typeof DEVICE_AT_POWER_ON>) =>
    (devices[id] = { ...(own(devices, id) ?? DEVICE_AT_POWER_ON), ...fields })
  for (const [part, value] of parts) {
    const id = part.slice(2)
    const [deviceId = '', inner = ''] = id.split('/')
    if (part === 'S') known.sound = (value ?? null) as never
    else if (part === 'T') known.tuner = value === true
    else if (part === 'C') known.clock = value === true
    else if (part === 'H') known.showAt = value === undefined ? null : JSON.parse(String(value))
    else if (value === undefined) continue
    else if (part[0]! in tables) tables[part[0]!]![id] = value
    else if (part[0] === 'D')
      alter(deviceId, { controls: { ...own(devices, deviceId)?.controls, [inner]: value as number } })
    else if (part[0] === 'P') alter(id, { preset: value as number })
    else if (part[0] === 'B')
      alter(id, { bankMsb: ((value as number) >> 7) as never, bankLsb: ((value as number) & 127) as never })
    else if (part[0] === 'N') alter(id, { parameter: value as never })
    else alter(deviceId, { contacts: { ...own(devices, deviceId)?.contacts, [inner]: value as boolean } })
  }
  known.values = tables['v'] as never
  known.presets = tables['p'] as never
  known.contacts = tables['k'] as never
  known.next = tables['n'] as never
  known.done = tables['d'] as never
  return {
    ...blank(rig),
    known,
    devices,
    feet: held === null ? {} : { [held]: { isDown: true, id: 0, fired, isWaiting: false } },
  }
}

/** A controller that takes one thing of the devices to be so, and knows nothing else. */
export function knownWith(part: Part, value: PartValue): Known {
  const [kind, id] = [part[0], part.slice(2)]
  if (value === undefined) return NOTHING_KNOWN
  if (kind === 'v') return { ...NOTHING_KNOWN, values: { [id]: value as number } }
  if (kind === 'p') return { ...NOTHING_KNOWN, presets: { [id]: value as number } }
  return { ...NOTHING_KNOWN, contacts: { [id]: value as boolean } }
}

/** What a part has where nothing is put into it by {@link floorOf} and something could be. */
export function leftValue(part: Part): PartValue {
  if (part === 'S') return LEFT_SOUND
  if (part === 'T' || part === 'C') return false
  return part[0] === 'n' || part[0] === 'B' ? 0 : undefined
}

/** The parts of the devices themselves. */
export const presetPart = (deviceId: string): Part => `P/${deviceId}`
/** The part that is a contact of a device. */
export const contactPart = (deviceId: string, contactId: string): Part => `K/${deviceId}/${contactId}`
/** The part that is the value of a control. */
export const controlPart = (rig: Rig, controlId: string): Part =>
  `D/${own(rig.controls, controlId)?.deviceId ?? ''}/${controlId}`

/** What of a device a part is; null for what only the controller knows, and for what no player speaks of. */
export function readPart(part: Part): DeviceThing | null {
  const [kind, deviceId = '', inner = ''] = part.split('/')
  if (kind === 'P') return { kind: 'preset', deviceId }
  if (kind === 'D') return { kind: 'control', deviceId, controlId: inner as ControlId }
  return kind === 'K' ? { kind: 'contact', deviceId, contactId: inner } : null
}

export type DeviceThing = { readonly deviceId: string } & (
  | { readonly kind: 'preset' }
  | { readonly kind: 'control'; readonly controlId: ControlId }
  | { readonly kind: 'contact'; readonly contactId: string }
)

/** The pair of parts a claim is about: what the controller takes to be so, and what is. */
export function claimParts(rig: Rig, claim: Claim): readonly [belief: Part, truth: Part] {
  switch (claim.kind) {
    case 'preset':
      return [`p/${claim.deviceId}`, presetPart(claim.deviceId)]
    case 'contact':
      return [
        `k/${contactKey(claim.deviceId, claim.contactId)}`,
        contactPart(claim.deviceId, claim.contactId),
      ]
    default:
      return [`v/${claim.controlId}`, controlPart(rig, claim.controlId)]
  }
}

/** What a controller believes of the devices, by the parts that hold it. */
export const beliefsAt = (valueAt: (part: Part) => PartValue): Facts => ({
  preset: (deviceId) => valueAt(`p/${deviceId}`) as number | undefined,
  value: (controlId) => valueAt(`v/${controlId}`) as number | undefined,
  contact: (deviceId, contactId) => valueAt(`k/${contactKey(deviceId, contactId)}`) as boolean | undefined,
})

const touched = new WeakMap<Op, readonly Part[]>()

/** The parts that something done may put elsewhere. What is done where stays the same object as long as that is so. */
export function touchedBy(rig: Rig, op: Op): readonly Part[] {
  let parts = touched.get(op)
  if (!parts) touched.set(op, (parts = partsTouched(rig, op)))
  return parts
}

const DEVICE_PART = { preset: 'P', bank: 'B', parameter: 'N' }

function partsTouched(rig: Rig, op: Op): Part[] {
  switch (op.kind) {
    case 'message':
      return op.hearers.flatMap(({ id, chart }) =>
        mayChange(op.message, chart).map((one) =>
          one.kind === 'control' ? `D/${id}/${one.controlId}` : `${DEVICE_PART[one.kind]}/${id}`,
        ),
      )
    case 'contact':
      return [
        contactPart(op.contact.deviceId, op.contact.contactId),
        ...op.calls.map(({ controlId }) => controlPart(rig, controlId)),
      ]
    case 'know':
      return learnedParts(op.learned)
    case 'start':
      return op.ops.flatMap((inner) => touchedBy(rig, inner))
    default:
      return []
  }
}

const learnedParts = ({
  values = {},
  presets = {},
  contacts = {},
  sound,
  tuner,
  clock,
  showAt,
}: Learned): Part[] => [
  ...Object.keys(values).map((id) => `v/${id}`),
  ...Object.keys(presets).map((id) => `p/${id}`),
  ...Object.keys(contacts).map((key) => `k/${key}`),
  ...(sound === undefined ? [] : ['S']),
  ...(tuner === undefined ? [] : ['T']),
  ...(clock === undefined ? [] : ['C']),
  ...(showAt === undefined ? [] : ['H']),
]

const ASKED: { readonly [field: string]: string } = { values: 'v', presets: 'p', contacts: 'k' }

export function askedPart(asked: string): Part | null {
  const slash = asked.indexOf('/')
  if (slash > 0) return `${ASKED[asked.slice(0, slash)]}/${asked.slice(slash + 1)}`
  return asked === 'tuner' ? 'T' : asked === 'clock' ? 'C' : asked === 'show' ? 'H' : null
}

/** A switch that does as turning banks by the controller's own switches does: what banks do as the foot comes and goes. */
export const turningSwitch = perTables(['banks'], (rig: Rig): Footswitch => {
  const [bank] = Object.values(rig.banks)
  return {
    ...BLANK_SWITCH,
    id: 'turning' as Footswitch['id'],
    bankId: bank?.id ?? ('' as Footswitch['bankId']),
    number: 1,
    positions: [[{ kind: 'travel', to: 'next', bankId: null }]],
  }
})

/** What of the device itself decides what something done makes of a part of it. */
export function partsBehind(rig: Rig, op: Op, part: Part): readonly Part[] {
  if (op.kind !== 'message') return NOTHING_BEHIND
  const [kind, deviceId = '', controlId = ''] = part.split('/')
  const device = own(rig.devices, deviceId)
  if (!device || (kind !== 'D' && kind !== 'P')) return NOTHING_BEHIND
  if (op.message.kind === 'program')
    return device.numbering.bankSelect === 'none' ? NOTHING_BEHIND : [`B/${deviceId}`]
  const control = own(rig.controls, controlId)
  return [
    ...(control?.map === 'preset' ? [`P/${deviceId}`] : []),
    ...(control?.address.kind === 'nrpn' ? [`N/${deviceId}`] : []),
  ]
}

const NOTHING_BEHIND: readonly Part[] = []

/** Whether what becomes of a part hangs on what is there: it changes over, takes steps, or is put together of two bytes. */
export function isStateful(rig: Rig, part: Part): boolean {
  if ('nTCNHB'.includes(part[0]!)) return true
  if (part[0] !== 'D') return false
  const control = own(rig.controls, part.split('/')[2] ?? '')
  if (!control) return false
  const { reading, address, map } = control
  return (
    reading.kind === 'toggle' || reading.kind === 'increment' || address.kind === 'nrpn' || map === 'preset'
  )
}
