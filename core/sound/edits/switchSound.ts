import { own } from '#core/base'
import {
  change,
  type Edit,
  putSwitch,
  switchAt,
  type SwitchSlot,
  lastOrder,
  type Rig,
  namedIn,
  soundOf,
  type Action,
  type DeviceId,
  BLANK_SOUND,
  type Said,
  type Sound,
  type SoundId,
  findPreset,
} from '#core/rig'
import { wantsOf } from '../want'

/** Makes one position of a switch recall a sound and nothing else. Null when it does already. */
export function setSwitchSound(rig: Rig, slot: SwitchSlot, position: number, soundId: SoundId): Edit | null {
  const before = switchAt(rig, slot)
  const now = before.positions[position]
  const [only] = now ?? []
  if (!now || (now.length === 1 && only && soundOf(only) === soundId)) return null
  const positions = before.positions.with(position, [{ kind: 'recallSound', soundId }])
  return { label: 'setSwitchSound', changes: [putSwitch(rig, { ...before, positions })] }
}

/**
 * Makes a sound of the presets one position of a switch recalls, and lets the switch recall that. Null when the
 * position recalls none, or a sound already.
 */
export function soundFromSwitch(
  rig: Rig,
  slot: SwitchSlot,
  position: number,
  id: SoundId,
  name: string,
): Edit | null {
  const before = switchAt(rig, slot)
  const actions = before.positions[position] ?? []
  const said = new Map<DeviceId, Said>()
  for (const action of actions) {
    const presetId = namedIn(action, 'presets')
    if (presetId === null) return null
    const preset = own(rig.presets, presetId)
    // Of two recalls on one device the later one holds.
    if (preset)
      said.set(preset.deviceId, {
        deviceId: preset.deviceId,
        cell: { kind: 'preset', presetId: preset.id, values: [] },
      })
  }
  if (said.size === 0) return null
  const sound: Sound = { ...BLANK_SOUND, id, order: lastOrder(rig.sounds), name, cells: [...said.values()] }
  const positions = before.positions.with(position, [{ kind: 'recallSound', soundId: id }])
  return {
    label: 'soundFromSwitch',
    changes: [change('sounds', id, null, sound), putSwitch(rig, { ...before, positions })],
  }
}

/** A switch given the presets of its sound instead; `left` are devices that need more than a preset, or other than one. */
export interface PresetsOfSound {
  readonly edit: Edit
  readonly left: readonly DeviceId[]
}

/** Null when the position recalls no sound alone. */
export function presetsFromSound(rig: Rig, slot: SwitchSlot, position: number): PresetsOfSound | null {
  const before = switchAt(rig, slot)
  const [action, ...others] = before.positions[position] ?? []
  const sound = action && own(rig.sounds, soundOf(action) ?? '')
  if (!sound || others.length > 0) return null
  const left: DeviceId[] = []
  const recalls = [...wantsOf(rig, sound)].flatMap(([deviceId, want]): Action[] => {
    const preset = want.kind === 'be' && want.preset !== null ? findPreset(rig, deviceId, want.preset) : null
    const isMore =
      want.kind === 'be' ? want.sets.length + want.contacts.length > 0 || !preset : want.kind === 'foot'
    if (isMore) left.push(deviceId)
    return preset ? [{ kind: 'recallPreset', presetId: preset.id }] : []
  })
  const positions = before.positions.with(position, recalls)
  return {
    edit: { label: 'presetsFromSound', changes: [putSwitch(rig, { ...before, positions })] },
    left,
  }
}
