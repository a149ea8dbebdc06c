import { own } from '#core/base'
import {
  heldContacts,
  isSwitchedByBox,
  isSoundLead,
  CABLING,
  perTables,
  inOrder,
  type Rig,
  type Device,
  type DeviceId,
  type Cell,
  type Sound,
} from '#core/rig'

/** A cell with the sound that says it: the sound itself, or the ancestor it follows. */
export interface Spoken {
  readonly cell: Cell
  readonly by: Sound
}

/** What a sound says of devices, with what it inherits. A device it does not speak of has no entry. */
export type SpokenCells = ReadonlyMap<DeviceId, Spoken>

const NONE: SpokenCells = new Map()
const known = new WeakMap<Sound, { readonly above: SpokenCells; readonly cells: SpokenCells }>()

/**
 * What a sound says: its parent's cells with its own over them. The same object for as long as neither the
 * sound nor any it follows has changed. A sound that is its own ancestor, which no rig holds, inherits nothing.
 */
export function spokenCells(rig: Rig, sound: Sound): SpokenCells {
  const line = new Set<Sound>()
  let next: Sound | undefined = sound
  while (next && !line.has(next)) {
    line.add(next)
    next = own(rig.sounds, next.parentId ?? '')
  }
  return [...line].reduceRight(withOwn, NONE)
}

function withOwn(above: SpokenCells, sound: Sound): SpokenCells {
  const before = known.get(sound)
  if (before?.above === above) return before.cells
  const cells = new Map(above)
  for (const { deviceId, cell } of sound.cells) cells.set(deviceId, { cell, by: sound })
  known.set(sound, { above, cells })
  return cells
}

/** The devices a sound can speak of, in their order: those that answer, and those a foot or a contact switches. */
export const soundDevices = perTables(CABLING, (rig: Rig): readonly Device[] =>
  inOrder(rig.devices).filter(
    (device) =>
      device.kind === 'receiver' ||
      (device.kind === 'plain' && !isSoundLead(device) && !isSwitchedByBox(rig, device)),
  ),
)

/** How a device is reached: by messages, by contacts only, or by nothing but a foot. */
export function reachedBy(rig: Rig, device: Device): 'midi' | 'contact' | 'foot' {
  if (device.kind === 'receiver' && device.channel !== 'none') return 'midi'
  return heldContacts(rig, device).some(({ output }) => output !== null) ? 'contact' : 'foot'
}
