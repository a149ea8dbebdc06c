import {
  heldContacts,
  perTables,
  storedValue,
  findPreset,
  type ControlId,
  type Device,
  type Rig,
  isOffContact,
  isOffPreset,
  isOffValue,
} from '#core/rig'
import { presetText, setText } from './formatCell'
import { wantOf, WANT_TABLES, type Be, type Want } from './want'

/** Something of a device that stays as a sound left it, where the next one neither sets nor recalls it. */
export type Leftover =
  | { readonly kind: 'preset'; readonly index: number }
  | { readonly kind: 'control'; readonly controlId: ControlId; readonly value: number }
  | { readonly kind: 'contact'; readonly contactId: string; readonly isClosed: boolean }

/** A thing of a device that has a state, whatever that is. */
export type LastingThing =
  | { readonly kind: 'preset' }
  | { readonly kind: 'control'; readonly controlId: ControlId }
  | { readonly kind: 'contact'; readonly contactId: string }

/** What there is to know of a want before it is held against another; worked out once for each. */
interface Traits {
  /** The planned level of the preset it recalls. */
  readonly level: number | null
  /** What may be left over of it for a sound that speaks of the device and recalls nothing. */
  readonly leaves: readonly Leftover[]
  /** The same for a sound that does not speak of the device. */
  readonly leavesUnsaid: readonly Leftover[]
  /** It switches the device off, by control, preset or contact. */
  readonly isOff: boolean
}

/** A want with its traits: looked up once where it is held against many. */
export interface Seen {
  readonly want: Want
  /** Null for what is not sent. */
  readonly traits: Traits | null
}

const knownTraits = perTables(WANT_TABLES, () => new WeakMap<Be, Traits>())

/** The same object parts for the same want. */
export function seen(rig: Rig, device: Device, want: Want): Seen {
  if (want.kind !== 'be') return { want, traits: null }
  const all = knownTraits(rig)
  let traits = all.get(want)
  if (!traits) all.set(want, (traits = workTraits(rig, device, want)))
  return { want, traits }
}

/** What was at rest anyway, or is so by the preset it came with, is not left over. */
function workTraits(rig: Rig, device: Device, want: Be): Traits {
  const { bypass, rest, powerOn } = device
  const row = want.preset === null ? null : findPreset(rig, device.id, want.preset)
  const atRest = rest === null ? null : wantOf(rig, device, { kind: 'rest' })
  const isAtRest = (controlId: ControlId, value: number) =>
    (atRest?.kind === 'be' && atRest.holds.get(controlId) === value) || storedValue(row, controlId) === value
  const switching = bypass.kind === 'control' ? bypass : null
  const isBlank = isOffPreset(device, want.preset)
  const isOff =
    isBlank ||
    (switching !== null && isOffValue(device, switching.controlId, want.holds.get(switching.controlId))) ||
    (want.contacts.length > 0 && want.contacts.every(({ isClosed }) => isOffContact(device, isClosed)))
  const special = want.sets.flatMap(({ controlId, value }): Leftover[] =>
    // Whether it is on is a thing by itself.
    !want.holds.has(controlId) || controlId === switching?.controlId || isAtRest(controlId, value)
      ? []
      : [{ kind: 'control', controlId, value }],
  )
  const contacts = want.contacts.flatMap(({ contact: { id }, isClosed }): Leftover[] =>
    (rest ? isClosed !== rest.closes.includes(id) : isClosed || isOffContact(device, isClosed))
      ? [{ kind: 'contact', contactId: id, isClosed }]
      : [],
  )
  // Of a device that is switched on to be something, that something says it.
  const isSwitchedAlone = isOff || (want.preset === null && special.length === 0 && contacts.length === 0)
  const switched = (isSwitchedAlone && switching ? [switching.controlId] : []).flatMap(
    (controlId): Leftover[] => {
      const value = want.holds.get(controlId)
      return value === undefined || isAtRest(controlId, value) ? [] : [{ kind: 'control', controlId, value }]
    },
  )
  const preset: Leftover[] = want.preset === null ? [] : [{ kind: 'preset', index: want.preset }]
  const others = [...special, ...contacts, ...switched]
  return {
    level: row?.level ?? null,
    // A device in its empty preset hears controls and stays silent.
    leaves: isBlank ? [...preset, ...others] : others,
    leavesUnsaid: want.preset === (rest?.preset ?? powerOn ?? -1) ? others : [...preset, ...others],
    isOff,
  }
}

const NONE: readonly Leftover[] = []

/** All that a sound might leave behind for one that speaks of the device and recalls nothing. */
export const mayBeLeft = ({ traits }: Seen): readonly Leftover[] => traits?.leaves ?? NONE

/**
 * Whether a sound leaves a thing of a device as it finds it: all of one it does not speak of, and of one it speaks of what it
 * neither sets nor recalls. A recall leaves no control as it was, what is off may hold what it likes, and to stay in whichever
 * preset it is in is what a sound without one says.
 */
export function leavesAsFound({ want, traits }: Seen, thing: LastingThing): boolean {
  if (want.kind === 'leave') return !want.isSaid
  if (want.kind !== 'be' || traits === null) return false
  switch (thing.kind) {
    case 'preset':
      return want.preset === null
    case 'control':
      return (
        want.preset === null &&
        !traits.isOff &&
        !want.holds.has(thing.controlId) &&
        // Set, though not surely: that is a doubt of its own.
        !want.sets.some(({ controlId }) => controlId === thing.controlId)
      )
    case 'contact':
      return !want.contacts.some(({ contact }) => contact.id === thing.contactId)
  }
}

/** What `from` did that `to` leaves as it is: by not speaking of it, or not of all of it. */
export function leftBetween(from: Seen, to: Seen): readonly Leftover[] {
  if (from.traits === null) return NONE
  const all = to.want.kind === 'be' ? from.traits.leaves : from.traits.leavesUnsaid
  return all.length === 0 ? NONE : all.filter((left) => leavesAsFound(to, left))
}

/** "Mix 35 %", "12 Slap", "Channel closed". */
export function leftoverText(rig: Rig, device: Device, left: Leftover): string {
  if (left.kind === 'preset') return presetText(rig, device, left.index)
  if (left.kind === 'control') return setText(rig, device, left)
  const contact = heldContacts(rig, device).find(({ id }) => id === left.contactId)
  return `${contact?.name ?? 'a contact'} ${left.isClosed ? 'closed' : 'open'}`
}
