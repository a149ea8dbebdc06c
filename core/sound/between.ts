import { own } from '#core/base'
import {
  perTables,
  type Rig,
  type ControlId,
  type Controller,
  type Device,
  type DeviceId,
  type Gap,
  type Sound,
} from '#core/rig'
import { leftBetween, seen, type Leftover, type Seen } from './leftover'
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
  const [first, second] = [seen(rig, device, from), seen(rig, device, to)]
  const leftovers = leftBetween(first, second)
  if (to.kind !== 'be') return { ...SAME, leftovers, isByFoot: to.kind === 'foot' }
  const before = from.kind === 'be' ? from : null
  const changes = [...presetChange(before, to), ...controlChanges(before, to), ...contactChanges(before, to)]
  const said = (to.preset === null ? 0 : 1) + to.holds.size + to.contacts.length
  return {
    changes,
    stays: said - changes.length,
    leftovers,
    unknown: before ? unknownAfter(before, to) : [],
    gap: gapBetween(device, before, to),
    jump: jumpBetween(first, second),
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

/** A recall resets what its preset holds; where that is not written down, nobody here knows to what. */
const unknownAfter = (before: Be, to: Be): ControlId[] =>
  to.preset === null
    ? []
    : before.sets.flatMap(({ controlId }) => (to.holds.has(controlId) ? [] : [controlId]))

function jumpBetween(from: Seen, to: Seen): number | null {
  const isBoth =
    from.want.kind === 'be' && from.want.preset !== null && to.want.kind === 'be' && to.want.preset !== null
  const [before, after] = [from.traits?.level ?? null, to.traits?.level ?? null]
  return !isBoth || before === null || after === null ? null : after - before
}

/** The part of what happens to a device that makes a change rough, in numbers. */
export interface Outline {
  readonly leftovers: number
  readonly unknown: number
  readonly gap: Gap | null
  readonly jump: number | null
}

/** As {@link deviceBetween} says it, without the rest: done for every pair of sounds, and so without making lists. */
export function outlineBetween(
  device: Device,
  from: Seen,
  to: Seen,
  into: { -readonly [Key in keyof Outline]: Outline[Key] },
): void {
  into.leftovers = leftBetween(from, to).length
  const before = from.want.kind === 'be' ? from.want : null
  const after = to.want.kind === 'be' ? to.want : null
  into.unknown = before && after ? countUnknown(before, after) : 0
  into.gap = after ? gapBetween(device, before, after) : null
  into.jump = jumpBetween(from, to)
}

/** How many {@link unknownAfter} finds, without finding them. */
function countUnknown({ sets }: Be, to: Be): number {
  if (to.preset === null || sets.length === 0) return 0
  let count = 0
  for (const { controlId } of sets) if (!to.holds.has(controlId)) count++
  return count
}

/** What is heard when it changes presets, or may. */
const gapBetween = (device: Device, before: Be | null, to: Be): Gap | null =>
  to.preset !== null && to.preset !== before?.preset && device.gap.heard !== 'none' ? device.gap : null

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
  /** 0 for none of it, 1 for as rough as it gets; see {@link roughOf}. */
  readonly rough: number
}

/** What happens to all devices from one sound to another, as `controller` sends it. */
export function between(rig: Rig, from: Sound, to: Sound, controller?: Controller): Between {
  const before = wantsOf(rig, from)
  const devices = new Map(
    [...wantsOf(rig, to)].map(([id, want]) => [
      id,
      deviceBetween(rig, own(rig.devices, id)!, before.get(id)!, want),
    ]),
  )
  const sending = sendingOf(rig, to, controller)
  const outlines = [...devices].map(([id, { leftovers, unknown, gap, jump }]): [DeviceId, Outline] => [
    id,
    { leftovers: leftovers.length, unknown: unknown.length, gap, jump },
  ])
  return {
    devices,
    ready: sending.ready,
    changes: [...devices.values()].reduce((sum, { changes }) => sum + changes.length, 0),
    ...tally(outlines, sending.lost.length),
  }
}

/** What happens to devices, put together; `lost` is how many lose controls. */
function tally(
  devices: Iterable<readonly [DeviceId, Outline]>,
  lost: number,
): Omit<Between, 'devices' | 'ready' | 'changes'> {
  let [hole, jump]: [Between['hole'], Between['jump']] = [null, null]
  let [leftovers, unknown] = [0, 0]
  for (const [id, one] of devices) {
    leftovers += one.leftovers
    unknown += one.unknown
    if (one.gap && weightOf(one.gap) > weightOf(hole?.gap ?? null)) hole = { deviceId: id, gap: one.gap }
    if (one.jump !== null && !(Math.abs(one.jump) <= Math.abs(jump?.by ?? Number.NaN)))
      jump = { deviceId: id, by: one.jump }
  }
  const rough = roughOf(weightOf(hole?.gap ?? null), jump?.by ?? 0, leftovers + lost, unknown)
  return { hole, jump, leftovers, unknown, lost, rough }
}

/** A clear hole counts whole, a slight dip a quarter. */
export const weightOf = (gap: Gap | null): number =>
  gap === null || gap.heard === 'none' ? 0 : gap.ms * (gap.heard === 'clear' ? 1 : 0.25)

/** From rhythm at 8 to a lead at 10 on the player's own scale is what there is room for (common practice). */
export const HEADROOM = 2

/**
 * How rough a change is to hear, 0 to 1: a clear hole of 200 ms, four points of level beyond the room of
 * a lead, or four things left over or lost are each as rough as can be; together they add up. Ours: nobody
 * publishes such a measure.
 */
export const roughOf = (weight: number, jump: number, left: number, unknown: number): number =>
  Math.min(1, weight / 200 + Math.max(0, Math.abs(jump) - HEADROOM) / 4 + left / 4 + unknown / 16)
