import { own } from '../base/own'
import { findPreset } from '../rig/edits/setRecall'
import { perTables } from '../rig/perTables'
import type { Rig } from '../rig/rig'
import type { ControlId } from '../rig/table/control'
import type { Controller } from '../rig/table/controller'
import type { Device, DeviceId, Gap } from '../rig/table/device'
import type { Sound } from '../rig/table/sound'
import { sendingOf } from './sending'
import { WANT_TABLES, wantsOf, type Be, type Want } from './want'

/** One thing about a device that the second sound gives another value, or none. */
export type Difference =
  /** Presets counted from 0; null where neither sound says which. */
  | { readonly kind: 'preset'; readonly before: number | null; readonly after: number }
  | {
      readonly kind: 'control'
      readonly controlId: ControlId
      readonly before: number | null
      readonly after: number
    }
  | {
      readonly kind: 'contact'
      readonly contactId: string
      readonly before: boolean | null
      readonly after: boolean
    }

/** Something the first sound set and the second neither sets nor recalls: it stays. */
export type Leftover =
  | { readonly kind: 'preset'; readonly index: number }
  | { readonly kind: 'control'; readonly controlId: ControlId; readonly value: number }
  | { readonly kind: 'contact'; readonly contactId: string; readonly isClosed: boolean }

/** What happens to one device from one sound to another. */
export interface DeviceBetween {
  readonly changes: readonly Difference[]
  /** How many things both sounds say alike. */
  readonly stays: number
  readonly leftovers: readonly Leftover[]
  /** Controls the first sound set whose value in the recalled preset is written down nowhere. */
  readonly unknown: readonly ControlId[]
  /** What is heard, when it changes presets or may; null when it stays in its preset. */
  readonly gap: Gap | null
  /** Planned level of the second preset less that of the first; null when one of them is not planned. */
  readonly jump: number | null
  /** The foot, or nothing, must do it: nothing is claimed. */
  readonly isByFoot: boolean
}

const SAME: DeviceBetween = {
  changes: [],
  stays: 0,
  leftovers: [],
  unknown: [],
  gap: null,
  jump: null,
  isByFoot: false,
}

/** Pairs of wants of one device are few, however many sounds there are: each is compared once. */
const known = perTables(WANT_TABLES, () => new WeakMap<Want, WeakMap<Want, DeviceBetween>>())

/** What happens to a device that should be `from` and then `to`. The same object for the same wants. */
export function deviceBetween(rig: Rig, device: Device, from: Want, to: Want): DeviceBetween {
  const all = known(rig)
  let behind = all.get(from)
  if (!behind) all.set(from, (behind = new WeakMap()))
  let found = behind.get(to)
  if (!found) behind.set(to, (found = compare(rig, device, from, to)))
  return found
}

function compare(rig: Rig, device: Device, from: Want, to: Want): DeviceBetween {
  if (to.kind === 'foot' || to.kind === 'cannot') return { ...SAME, isByFoot: to.kind === 'foot' }
  if (to.kind === 'leave')
    return from.kind === 'be' && !to.isSaid ? { ...SAME, leftovers: leftBy(rig, device, from, null) } : SAME
  const before = from.kind === 'be' ? from : null
  const changes = [...presetChange(before, to), ...controlChanges(before, to), ...contactChanges(before, to)]
  const said = (to.preset === null ? 0 : 1) + to.holds.size + to.contacts.length
  const isLoading = to.preset !== null && to.preset !== before?.preset && device.gap.heard !== 'none'
  return {
    changes,
    stays: said - changes.length,
    leftovers: before ? leftBy(rig, device, before, to) : [],
    unknown: before ? unknownAfter(before, to) : [],
    gap: isLoading ? device.gap : null,
    jump: jumpBetween(rig, device, before, to),
    isByFoot: false,
  }
}

const presetChange = (before: Be | null, to: Be): Difference[] =>
  to.preset === null || to.preset === before?.preset
    ? []
    : [{ kind: 'preset', before: before?.preset ?? null, after: to.preset }]

const controlChanges = (before: Be | null, to: Be): Difference[] =>
  [...to.holds].flatMap(([controlId, after]): Difference[] => {
    const held = before?.holds.get(controlId) ?? null
    return held === after ? [] : [{ kind: 'control', controlId, before: held, after }]
  })

const contactChanges = (from: Be | null, to: Be): Difference[] =>
  to.contacts.flatMap(({ contact, isClosed }): Difference[] => {
    const before = from?.contacts.find((one) => one.contact.id === contact.id)?.isClosed ?? null
    return before === isClosed ? [] : [{ kind: 'contact', contactId: contact.id, before, after: isClosed }]
  })

/** What `from` did that `to`, or nothing at all, leaves as it is. What was at rest anyway is not left over. */
function leftBy(rig: Rig, device: Device, from: Be, to: Be | null): Leftover[] {
  const recalls = to !== null && to.preset !== null
  const rest = device.rest
  const atRest = (controlId: ControlId) => rest?.values.find((one) => one.controlId === controlId)?.value
  const isBlank = (index: number) => device.bypass.kind === 'preset' && device.bypass.index === index
  const all: Leftover[] = []
  // A device in its empty preset hears controls and stays silent.
  if (from.preset !== null) {
    const isOn = to === null && !isAtRest(device, from) && !isBlank(from.preset)
    const isStuck = to !== null && !recalls && isBlank(from.preset)
    if (isOn || isStuck) all.push({ kind: 'preset', index: from.preset })
  }
  // What is switched off may hold what it likes.
  if (!recalls && !isOff(device, to))
    for (const { controlId, value } of from.sets)
      if (
        from.holds.has(controlId) &&
        !to?.holds.has(controlId) &&
        // Set, though not surely: that is a doubt of its own.
        !to?.sets.some((one) => one.controlId === controlId) &&
        value !== atRest(controlId) &&
        value !== recalledValue(rig, device, from.preset, controlId) &&
        !isSwitching(device, controlId)
      )
        all.push({ kind: 'control', controlId, value })
  for (const { contact, isClosed } of from.contacts)
    if (
      isClosed !== (rest?.closes.includes(contact.id) ?? false) &&
      !to?.contacts.some((one) => one.contact.id === contact.id)
    )
      all.push({ kind: 'contact', contactId: contact.id, isClosed })
  return all
}

const isAtRest = ({ rest, powerOn }: Device, { preset }: Be): boolean =>
  preset === (rest?.preset ?? powerOn ?? -1)

const isOff = ({ bypass }: Device, to: Be | null): boolean =>
  bypass.kind === 'control' && to?.holds.get(bypass.controlId) === bypass.off

/** Switching a device on or off is no special thing to have done: whoever speaks of it does so again. */
const isSwitching = ({ bypass }: Device, controlId: ControlId): boolean =>
  bypass.kind === 'control' && bypass.controlId === controlId

const recalledValue = (rig: Rig, device: Device, preset: number | null, controlId: ControlId) =>
  preset === null
    ? undefined
    : findPreset(rig, device.id, preset)?.recalls.find((one) => one.controlId === controlId)?.value

/** A recall resets what its preset holds; where that is not written down, nobody here knows to what. */
const unknownAfter = (before: Be, to: Be): ControlId[] =>
  to.preset === null
    ? []
    : before.sets.flatMap(({ controlId }) => (to.holds.has(controlId) ? [] : [controlId]))

function jumpBetween(rig: Rig, device: Device, before: Be | null, to: Be): number | null {
  const level = (preset: number | null | undefined) =>
    preset === null || preset === undefined ? null : (findPreset(rig, device.id, preset)?.level ?? null)
  const [from, after] = [level(before?.preset), level(to.preset)]
  return from === null || after === null ? null : after - from
}

/** What happens from one sound to another, over all devices. */
export interface Between {
  readonly devices: ReadonlyMap<DeviceId, DeviceBetween>
  /** The longest silence or dip; null when no device changes presets audibly. */
  readonly hole: { readonly deviceId: DeviceId; readonly gap: Gap } | null
  /** The largest change of level, up or down; null when none is known. */
  readonly jump: { readonly deviceId: DeviceId; readonly by: number } | null
  readonly changes: number
  readonly leftovers: number
  readonly unknown: number
  /** When every device is ready, in µs from the press. */
  readonly ready: number
  /** Controls that come too early and are lost. */
  readonly lost: number
  /** 0 for none of it, 1 for as rough as it gets; see {@link roughness}. */
  readonly rough: number
}

export function between(rig: Rig, from: Sound, to: Sound, controller?: Controller): Between {
  const before = wantsOf(rig, from)
  const devices = new Map(
    [...wantsOf(rig, to)].map(([id, want]) => [
      id,
      deviceBetween(rig, own(rig.devices, id)!, before.get(id)!, want),
    ]),
  )
  const sending = sendingOf(rig, to, controller)
  return { devices, ready: sending.ready, ...tally([...devices], sending.lost.length) }
}

/** What happens to devices, put together; `lost` is how many lose controls. */
export function tally(
  devices: readonly (readonly [DeviceId, DeviceBetween])[],
  lost: number,
): Omit<Between, 'devices' | 'ready'> {
  let [hole, jump]: [Between['hole'], Between['jump']] = [null, null]
  let [changes, leftovers, unknown] = [0, 0, 0]
  for (const [id, one] of devices) {
    changes += one.changes.length
    leftovers += one.leftovers.length
    unknown += one.unknown.length
    if (one.gap && weightOf(one.gap) > weightOf(hole?.gap ?? null)) hole = { deviceId: id, gap: one.gap }
    if (one.jump !== null && Math.abs(one.jump) > Math.abs(jump?.by ?? 0))
      jump = { deviceId: id, by: one.jump }
  }
  const parts = { hole, jump, changes, leftovers, unknown, lost }
  return { ...parts, rough: roughness(parts) }
}

/** A clear hole counts whole, a slight dip a quarter. */
const weightOf = (gap: Gap | null): number =>
  gap === null || gap.heard === 'none' ? 0 : gap.ms * (gap.heard === 'clear' ? 1 : 0.25)

/**
 * How rough a change is to hear, 0 to 1: a clear hole of 200 ms, a jump of 4 on the player's own scale of
 * levels, or four things left over or lost are each as rough as can be; together they add up. Ours: nobody
 * publishes such a measure.
 */
export const roughness = ({
  hole,
  jump,
  leftovers,
  unknown,
  lost,
}: Pick<Between, 'hole' | 'jump' | 'leftovers' | 'unknown' | 'lost'>): number =>
  Math.min(
    1,
    weightOf(hole?.gap ?? null) / 200 + Math.abs(jump?.by ?? 0) / 4 + (leftovers + lost) / 4 + unknown / 16,
  )
