import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import { change, type Change, type Edit } from '../edit'
import { perTables } from '../perTables'
import type { Rig } from '../rig'
import type { DeviceId } from '../table/device'
import { BLANK_PRESET, type Preset, type PresetId } from '../table/preset'
import { namedIn, type Action } from '../table/action'
import { putSwitch, switchAt, type SwitchSlot } from './switchSlot'

export interface Recall {
  readonly deviceId: DeviceId
  /** Counted from 0 over the device's range. */
  readonly index: number
  /** Names the preset row should the device have none there yet. */
  readonly newPresetId: PresetId
}

const byPlace = perTables(
  ['presets'],
  (rig): ReadonlyMap<string, Preset> =>
    new Map(Object.values(rig.presets).map((preset) => [`${preset.deviceId}/${preset.index}`, preset])),
)

/** The preset of a device at an index, counted from 0; null where none is written down. */
export const findPreset = (rig: Rig, deviceId: string, index: number): Preset | null =>
  byPlace(rig).get(`${deviceId}/${index}`) ?? null

/**
 * Makes one position of a switch recall a preset on a device: in place when the position already
 * recalls one there, else last. Makes the switch, the position and the preset when they are not there
 * yet. Null when nothing changes.
 */
export function setRecall(rig: Rig, slot: SwitchSlot, position: number, recall: Recall): Edit | null {
  const preset = findPreset(rig, recall.deviceId, recall.index)
  const made: Preset = preset ?? {
    ...BLANK_PRESET,
    id: recall.newPresetId,
    deviceId: recall.deviceId,
    index: recall.index,
  }
  const before = switchAt(rig, slot)
  const positions = before.positions.map((actions, n) =>
    n === position
      ? withRecall(rig, actions, { kind: 'recallPreset', presetId: made.id }, recall.deviceId)
      : actions,
  )
  if (positions.every((actions, n) => actions === before.positions[n])) return null
  const changes: Change[] = preset ? [] : [change('presets', made.id, null, made)]
  return { label: 'setRecall', changes: [...changes, putSwitch(rig, { ...before, positions })] }
}

function withRecall(rig: Rig, actions: readonly Action[], action: Action, deviceId: DeviceId): Action[] {
  const at = actions.findIndex(
    (one) => own(rig.presets, namedIn(one, 'presets') ?? '')?.deviceId === deviceId,
  )
  if (at < 0) return [...actions, action]
  return dequal(actions[at], action) ? (actions as Action[]) : actions.with(at, action)
}
