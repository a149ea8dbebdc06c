import { own } from '#core/base'
import {
  heldContacts,
  type Contact,
  findPreset,
  CABLING,
  perTables,
  type Rig,
  type TableName,
  ABOUT_ID,
  highestValue,
  type Control,
  type ControlId,
  type Device,
  type DeviceId,
  type SetValue,
  type Cell,
  type CellOf,
  type Sound,
  isMappedIn,
  storedValue,
  jackOfContact,
  isOffPreset,
} from '#core/rig'
import { reachedBy, soundDevices, spokenCells, type SpokenCells } from './cells'

/** Why what a cell asks cannot be done, or is not sure to be. */
export type Doubt =
  /** The device has no way of being switched off, or no rest, that is known. */
  | { readonly code: 'noBypass' | 'noRest' }
  /** It listens on no channel, or a message or contact is asked of what has neither. */
  | { readonly code: 'noWay' }
  /** No program of the relay box closes these contacts and no others. */
  | { readonly code: 'noProgram' }
  /** What is named belongs to another device. */
  | { readonly code: 'otherDevice' }
  /** It changes over, steps or fires at each message: no message sets it. */
  | { readonly code: 'cannotBeSet'; readonly controlId: ControlId }
  /** Its map is kept in each preset: in this preset, or in whichever it is in, it may do nothing. */
  | { readonly code: 'notMapped'; readonly controlId: ControlId }
  /** It is set not to obey program changes: no recall reaches it. */
  | { readonly code: 'ignoresPrograms' }
  /** The contact's jack wants pulses: one more changes it over, none sets it. */
  | { readonly code: 'pulsed' }

/** A contact and what it should be. */
export interface ContactWant {
  readonly contact: Contact
  readonly isClosed: boolean
}

/** What a device should be. */
export type Want =
  /** As it is. `isSaid` unless nobody said so. */
  | { readonly kind: 'leave'; readonly isSaid: boolean }
  /** The foot does it; nothing is claimed of the device. */
  | { readonly kind: 'foot'; readonly does: string }
  /** Cannot be done, so nothing is sent. */
  | { readonly kind: 'cannot'; readonly doubt: Doubt }
  | Be

/** A device should be in a preset, or at values, or with contacts so. */
export interface Be {
  readonly kind: 'be'
  /** The preset recalled, counted from 0; null to stay in whichever it is in. */
  readonly preset: number | null
  /** Controls set behind the recall, in the order they are sent. */
  readonly sets: readonly SetValue[]
  /** All that is known to hold afterwards: what the preset recalls, with `sets` over it. */
  readonly holds: ReadonlyMap<ControlId, number>
  readonly contacts: readonly ContactWant[]
  /** Parts that are not sure. Empty: sent over a sound wire with time to load, it is so. */
  readonly doubts: readonly Doubt[]
}

/** What decides what a cell comes to. */
export const WANT_TABLES = [
  ...CABLING,
  'about',
  'controls',
  'presets',
  'pairs',
] as const satisfies TableName[]

export type Wants = ReadonlyMap<DeviceId, Want>

interface Known {
  /** By device and cell as text: equal cells come to one and the same want. */
  readonly byCell: Map<string, Want>
  readonly bySound: WeakMap<SpokenCells, Wants>
}

const knownWants = perTables(WANT_TABLES, (): Known => ({ byCell: new Map(), bySound: new WeakMap() }))

/** What a sound wants of every device a sound can speak of, in the order of the devices. */
export function wantsOf(rig: Rig, sound: Sound): Wants {
  const cells = spokenCells(rig, sound)
  const { bySound } = knownWants(rig)
  let wants = bySound.get(cells)
  if (!wants)
    bySound.set(
      cells,
      (wants = new Map(
        soundDevices(rig).map((device) => [
          device.id,
          wantOf(rig, device, cells.get(device.id)?.cell ?? null),
        ]),
      )),
    )
  return wants
}

/** What a cell comes to; null for a device the sound does not speak of. The same object for equal cells. */
export function wantOf(rig: Rig, device: Device, cell: Cell | null): Want {
  const { byCell } = knownWants(rig)
  const key = `${device.id} ${JSON.stringify(cell)}`
  let want = byCell.get(key)
  if (!want) byCell.set(key, (want = work(rig, device, cell)))
  return want
}

const UNSAID: Want = { kind: 'leave', isSaid: false }
const LEAVE: Want = { kind: 'leave', isSaid: true }
const cannot = (code: 'noBypass' | 'noRest' | 'noWay' | 'noProgram' | 'otherDevice' | 'pulsed'): Want => ({
  kind: 'cannot',
  doubt: { code },
})

function work(rig: Rig, device: Device, cell: Cell | null): Want {
  if (cell === null) {
    const goesToRest = own(rig.about, ABOUT_ID)?.unsaid === 'rest' && device.rest !== null
    const rest = goesToRest ? atRest(rig, device) : UNSAID
    return rest.kind === 'cannot' ? UNSAID : rest
  }
  switch (cell.kind) {
    case 'leave':
      return LEAVE
    case 'foot':
      return { kind: 'foot', does: cell.does }
    case 'preset': {
      const preset = own(rig.presets, cell.presetId)
      return preset?.deviceId === device.id
        ? be(rig, device, preset.index, cell.values)
        : cannot('otherDevice')
    }
    case 'values':
      return be(rig, device, null, cell.values)
    case 'off':
      return off(rig, device)
    case 'rest':
      return device.rest ? atRest(rig, device) : cannot('noRest')
    case 'contacts':
      return closing(rig, device, cell.closes)
    case 'pair':
      return learned(rig, device, cell)
  }
}

function off(rig: Rig, device: Device): Want {
  const { bypass } = device
  switch (bypass.kind) {
    case 'none':
      return reachedBy(rig, device) === 'foot' ? { kind: 'foot', does: '' } : cannot('noBypass')
    case 'preset':
      return be(rig, device, bypass.index, [])
    case 'control':
      return be(rig, device, null, [{ controlId: bypass.controlId, value: bypass.off }])
    case 'contact':
      return outputsOf(rig, device).length === 0
        ? cannot('noWay')
        : settled(rig, device, { contacts: contactsAt(rig, device, () => bypass.off === 'closed') })
  }
}

function atRest(rig: Rig, device: Device): Want {
  const { preset, values, closes } = device.rest!
  if (reachedBy(rig, device) === 'foot') return { kind: 'foot', does: '' }
  if (preset === null && values.length === 0)
    return device.relays.length > 0 || outputsOf(rig, device).length > 0
      ? closing(rig, device, closes)
      : cannot('noRest')
  return be(rig, device, preset, values)
}

/** Contacts by their ids: of a relay box through the program that closes just these, else through outputs. */
function closing(rig: Rig, device: Device, closes: readonly string[]): Want {
  if (device.relays.length > 0) {
    const wanted = device.relays.map(({ id }) => closes.includes(id)).join()
    const preset = Object.values(rig.presets)
      .filter((one) => one.deviceId === device.id)
      .sort((a, b) => a.index - b.index)
      .find((one) => device.relays.map(({ id }) => one.closes.includes(id)).join() === wanted)
    return preset ? be(rig, device, preset.index, []) : cannot('noProgram')
  }
  if (outputsOf(rig, device).length === 0) return cannot('noWay')
  return settled(rig, device, { contacts: contactsAt(rig, device, ({ id }) => closes.includes(id)) })
}

/** A learned state is reached by the switch it was learned for: an output's contact, or the foot. */
function learned(rig: Rig, device: Device, { pairId, state }: CellOf<'pair'>): Want {
  const pair = own(rig.pairs, pairId)
  if (pair?.deviceId !== device.id) return cannot('otherDevice')
  const pairs = Object.values(rig.pairs).filter(({ deviceId }) => deviceId === device.id)
  const [contact, ...others] = outputsOf(rig, device)
  // Which contact works which pair is written nowhere: only where there is one of each is it plain.
  if (!contact || others.length > 0 || pairs.length > 1)
    return { kind: 'foot', does: `${pair.by === '' ? pair.name : pair.by}: ${state.toUpperCase()}` }
  return settled(rig, device, {
    contacts: [{ contact, isClosed: state === 'b' }],
    sets: [],
    holds: new Map(pair[state].map(({ controlId, value }) => [controlId, value])),
  })
}

const outputsOf = (rig: Rig, device: Device): Contact[] =>
  heldContacts(rig, device).filter(({ output }) => output !== null)

const contactsAt = (rig: Rig, device: Device, isClosed: (contact: Contact) => boolean): ContactWant[] =>
  outputsOf(rig, device).map((contact) => ({ contact, isClosed: isClosed(contact) }))

/** A preset, or none, and values behind it; a device that a control or contact switches off is switched on as well. */
function be(rig: Rig, device: Device, preset: number | null, values: readonly SetValue[]): Want {
  if (reachedBy(rig, device) !== 'midi') return cannot('noWay')
  const row = preset === null ? null : findPreset(rig, device.id, preset)
  const { bypass } = device
  const isForeign = values.some(({ controlId }) => own(rig.controls, controlId)?.deviceId !== device.id)
  if (isForeign) return cannot('otherDevice')
  const speaksOf = (id: string) =>
    values.some(({ controlId }) => controlId === id) || storedValue(row, id) !== null
  const sets =
    bypass.kind === 'control' && !speaksOf(bypass.controlId)
      ? [{ controlId: bypass.controlId, value: bypass.on }, ...values]
      : values
  const isOff = isOffPreset(device, preset)
  return settled(rig, device, {
    preset,
    sets,
    holds: new Map([...(row?.recalls ?? []), ...sets].map(({ controlId, value }) => [controlId, value])),
    contacts: bypass.kind === 'contact' && !isOff ? contactsAt(rig, device, () => bypass.off === 'open') : [],
  })
}

/** A want with what is doubtful about it worked out. */
function settled(rig: Rig, device: Device, parts: Partial<Omit<Be, 'kind' | 'doubts'>>): Want {
  const want = { preset: null, sets: [], holds: new Map<ControlId, number>(), contacts: [], ...parts }
  const row = want.preset === null ? null : findPreset(rig, device.id, want.preset)
  const doubts = want.sets.flatMap(({ controlId, value }): Doubt[] => {
    const control = own(rig.controls, controlId)
    if (!control || !canBeSet(control, value)) return [{ code: 'cannotBeSet', controlId }]
    return isMappedIn(control, row) ? [] : [{ code: 'notMapped', controlId }]
  })
  if (want.preset !== null && !device.receivesPrograms) doubts.push({ code: 'ignoresPrograms' })
  const isPulsed = want.contacts.some(({ contact }) => isMomentary(device, contact))
  if (isPulsed) doubts.push({ code: 'pulsed' })
  // What is not sure to be set is not claimed.
  const isDeaf = doubts.some(({ code }) => code === 'ignoresPrograms')
  const holds = new Map(isDeaf ? want.sets.map(({ controlId, value }) => [controlId, value]) : want.holds)
  for (const doubt of doubts) if ('controlId' in doubt) holds.delete(doubt.controlId)
  return { kind: 'be', ...want, holds, doubts }
}

const isMomentary = (device: Device, { id }: Contact): boolean =>
  jackOfContact(device, id)?.role.action === 'momentary'

/** Whether one message puts a control at a value, whatever it was at. */
export const canBeSet = ({ reading, address }: Control, value: number): boolean =>
  (reading.kind === 'switch' || reading.kind === 'range' || reading.kind === 'named') &&
  value <= highestValue(address)
