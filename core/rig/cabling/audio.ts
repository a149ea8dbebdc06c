import { CABLING, perTables } from '../perTables'
import { inOrder, type Rig } from '../rig'
import type { Device } from '../table/device'
import type { Port, RoleOf } from '../table/port'
import { asRoles, links, type Link } from './link'

/** A cable the sound goes over. */
export interface SoundWay {
  readonly link: Link
  readonly from: RoleOf<'audioOut'>
  readonly to: RoleOf<'audioIn'>
}

/**
 * Where a box stands on the sound's way: in front of the preamp, in a loop of it, behind it, or at an end. A preamp is
 * the first box on the way with a loop in use; without one the amp is.
 */
export type SoundPlace = 'source' | 'front' | 'preamp' | 'loop' | 'behind' | 'end'

/** A box on the way of the sound. */
export interface SoundStop {
  readonly device: Device
  readonly place: SoundPlace
  /** The box whose loop it is in; null elsewhere. */
  readonly loopOf: Device | null
}

/** The way of one instrument's sound, the boxes in the order they are heard through; branches one behind the other. */
export interface SoundPath {
  readonly source: Device
  readonly stops: readonly SoundStop[]
  /** The boxes the sound ends at: amps, mixers. */
  readonly ends: readonly Device[]
}

/** Every way the sound goes from box to box, lead by lead. */
export const soundWays = perTables(CABLING, (rig: Rig): readonly SoundWay[] =>
  links(rig).flatMap((link): SoundWay[] => {
    const roles = asRoles(link, 'audioOut', 'audioIn')
    return roles && link.isSet ? [{ link, ...roles }] : []
  }),
)

/** The same by the box they start at. */
export const soundWaysFrom = perTables(CABLING, (rig: Rig): ReadonlyMap<string, readonly SoundWay[]> => {
  const all = new Map<string, SoundWay[]>()
  for (const way of soundWays(rig)) {
    const { id } = way.link.from.end
    all.set(id, [...(all.get(id) ?? []), way])
  }
  return all
})

const rolesOf = ({ ports }: { readonly ports: readonly Port[] }) => ports.flatMap(({ roles }) => roles)

/** Where a sound begins. */
const isInstrument = (device: Device): boolean =>
  rolesOf(device).some((role) => role.kind === 'audioOut' && role.use === 'instrument')

/** Where a sound ends: it has an amp's or a mixer's input. */
export const isSoundEnd = (device: Device): boolean =>
  rolesOf(device).some((role) => role.kind === 'audioIn' && (role.use === 'amp' || role.use === 'mixer'))

/** Whether a box has any jack for sound: what has none was put in before sound was, or passes on only messages. */
export const hasSoundJacks = (device: Device): boolean =>
  rolesOf(device).some(({ kind }) => kind === 'audioIn' || kind === 'audioOut')

/** Only leads sound from one place to another: nothing in it is ever switched. */
export const isSoundLead = (device: Device): boolean =>
  isInstrument(device) ||
  rolesOf(device).some((role) => role.kind === 'audioIn' && role.use === 'mixer') ||
  rolesOf(device).some((role) => role.kind === 'audioOut' && role.isolated)

/** The way of a loop: what it goes through from a send, and the box whose return it comes to; null where it comes to none. */
export interface SoundLoop {
  readonly of: Device
  readonly through: readonly Device[]
  readonly endsAt: Device | null
}

/** Every loop whose send has a cable. */
export const soundLoops = perTables(CABLING, (rig: Rig): readonly SoundLoop[] =>
  inOrder(rig.devices).flatMap((device) => {
    const send = (soundWaysFrom(rig).get(device.id) ?? []).find(({ from }) => from.use === 'send')
    return send ? [loopFrom(rig, device, send)] : []
  }),
)

function loopFrom(rig: Rig, device: Device, send: SoundWay): SoundLoop {
  const through: Device[] = []
  const seen = new Set<string>()
  let way: SoundWay | undefined = send
  while (way && !seen.has(way.link.cable.id)) {
    seen.add(way.link.cable.id)
    const box = way.link.to.box as Device
    if (way.to.use === 'return') return { of: device, through, endsAt: box }
    through.push(box)
    way = mainWays(rig, box.id)[0]
  }
  return { of: device, through, endsAt: null }
}

const mainWays = (rig: Rig, boxId: string): readonly SoundWay[] =>
  (soundWaysFrom(rig).get(boxId) ?? []).filter(({ from }) => from.use === 'main' || from.use === 'instrument')

/** The ways of all instruments, each from its jack to the ends. */
export const soundPaths = perTables(CABLING, (rig: Rig): readonly SoundPath[] =>
  inOrder(rig.devices)
    .filter((device) => isInstrument(device) && (soundWaysFrom(rig).get(device.id) ?? []).length > 0)
    .map((source) => pathOf(rig, source)),
)

function pathOf(rig: Rig, source: Device): SoundPath {
  const stops: SoundStop[] = [{ device: source, place: 'source', loopOf: null }]
  const ends: Device[] = []
  const seen = new Set<string>([source.id])
  const visit = (device: Device, isBehind: boolean): void => {
    if (seen.has(device.id)) return
    seen.add(device.id)
    const loop = soundLoops(rig).find(({ of }) => of.id === device.id)
    const isEnd = isSoundEnd(device)
    const isPreamp = loop !== undefined && !isBehind
    if (isEnd) ends.push(device)
    stops.push({
      device,
      place: isEnd ? 'end' : isPreamp ? 'preamp' : isBehind ? 'behind' : 'front',
      loopOf: null,
    })
    for (const one of loop?.through ?? []) {
      if (seen.has(one.id)) continue
      seen.add(one.id)
      stops.push({ device: one, place: 'loop', loopOf: device })
    }
    for (const way of mainWays(rig, device.id)) visit(way.link.to.box as Device, isBehind || isPreamp)
  }
  for (const way of mainWays(rig, source.id)) visit(way.link.to.box as Device, false)
  return { source, stops, ends }
}

/** Whether both sides of a sound come to a box. */
function isStereoAt(rig: Rig, boxId: string, seen: ReadonlySet<string> = new Set()): boolean {
  if (seen.has(boxId)) return false
  return soundWays(rig).some(
    (way) =>
      way.link.to.end.id === boxId &&
      carriesStereo(rig, way) &&
      hasStereo(rig, way.link.from.box as Device, new Set([...seen, boxId])),
  )
}

/** Whether two sides leave a box: it makes them of one, or both come to it. */
export const hasStereo = (rig: Rig, device: Device, seen: ReadonlySet<string> = new Set()): boolean =>
  makesStereo(device) || isStereoAt(rig, device.id, seen)

/** Whether a cable carries both sides: two stereo jacks and a lead for both, or a pair of cables between the same boxes. */
export function carriesStereo(rig: Rig, { link, from, to }: SoundWay): boolean {
  const pair = soundWays(rig).filter(
    (other) => other.link.from.end.id === link.from.end.id && other.link.to.end.id === link.to.end.id,
  )
  return pair.length > 1 || (from.sound === 'stereo' && to.sound === 'stereo' && link.cable.lead === 'trs')
}

const hasWide = (device: Device, kind: 'audioIn' | 'audioOut'): boolean =>
  rolesOf(device).some((role) => role.kind === kind && role.use === 'main' && role.sound === 'stereo')

/** A box that makes two sides of one, as a reverb with one input does. One with two inputs may only pass them on. */
const makesStereo = (device: Device): boolean => hasWide(device, 'audioOut') && !hasWide(device, 'audioIn')
