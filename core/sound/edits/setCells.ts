import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  type EditLabel,
  findPreset,
  type Rig,
  type Device,
  type DeviceId,
  BLANK_PRESET,
  type PresetId,
  type Cell,
  type Sound,
  type SoundId,
} from '#core/rig'
import type { TypedCell } from '../formatCell'

/** A cell to be written; null takes what the sound says of the device away, so that it inherits or says nothing. */
export interface CellWrite {
  readonly soundId: SoundId
  readonly deviceId: DeviceId
  readonly cell: TypedCell | null
}

/** Names rows that do not exist yet; a new id at every call. */
export interface NewIds {
  readonly preset: () => PresetId
  readonly sound: () => SoundId
}

/** Collects what several cells change, with the presets they name for the first time. */
export class CellWriter {
  readonly #rig: Rig
  readonly #ids: NewIds
  readonly #sounds = new Map<string, Sound>()
  readonly #presets = new Map<string, Change>()

  constructor(rig: Rig, ids: NewIds) {
    this.#rig = rig
    this.#ids = ids
  }

  soundAt(id: string): Sound | undefined {
    return this.#sounds.get(id) ?? own(this.#rig.sounds, id)
  }

  putSound(sound: Sound): void {
    this.#sounds.set(sound.id, sound)
  }

  write({ soundId, deviceId, cell }: CellWrite): void {
    const sound = this.soundAt(soundId)
    const device = own(this.#rig.devices, deviceId)
    if (!sound || !device) return
    const others = sound.cells.filter((said) => said.deviceId !== deviceId)
    const at = sound.cells.findIndex((said) => said.deviceId === deviceId)
    const cells =
      cell === null
        ? others
        : others.toSpliced(at < 0 ? others.length : at, 0, { deviceId, cell: this.#stored(device, cell) })
    this.putSound({ ...sound, cells })
  }

  /** The cell as a sound holds it: its preset by row, which is made when the device has none there yet. */
  #stored(device: Device, cell: TypedCell): Cell {
    if (cell.kind !== 'preset') return cell
    const { index, values } = cell
    const key = `${device.id}/${index}`
    const known = findPreset(this.#rig, device.id, index)?.id ?? this.#presets.get(key)?.id
    const presetId = (known ?? this.#ids.preset()) as PresetId
    if (!known)
      this.#presets.set(
        key,
        change('presets', presetId, null, { ...BLANK_PRESET, id: presetId, deviceId: device.id, index }),
      )
    return { kind: 'preset', presetId, values: [...values] }
  }

  /** Null when nothing changes. */
  edit(label: EditLabel): Edit | null {
    const sounds = [...this.#sounds.values()].flatMap((after): Change[] => {
      const before = own(this.#rig.sounds, after.id) ?? null
      return dequal(before, after) ? [] : [change('sounds', after.id, before, after)]
    })
    return sounds.length === 0 ? null : { label, changes: [...this.#presets.values(), ...sounds] }
  }
}

/** Writes cells of sounds, in one edit. Null when nothing changes. */
export function setCells(rig: Rig, writes: readonly CellWrite[], ids: NewIds): Edit | null {
  const writer = new CellWriter(rig, ids)
  for (const one of writes) writer.write(one)
  return writer.edit('setCell')
}
