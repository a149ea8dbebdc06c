import { own } from '#core/base'
import type { MidiMessage } from '#core/midi'
import {
  sendChannel,
  change,
  type Change,
  type Edit,
  actionsAt,
  putActions,
  type ListPlace,
  putSwitch,
  switchAt,
  type SwitchSlot,
  recallMessages,
  type Rig,
  naming,
  type Action,
  BLANK_PRESET,
  type Preset,
  type PresetId,
} from '#core/rig'
import { heldInVain, isHeld, readingsOf } from '../action'
import type { Doing } from '../action/actionDoes'
import { listSteps, messagesAmong } from '../compile'
import { phraseOf, type PhraseReading } from './phrase'

/** So many are offered. */
const OFFERED = 12

/** What a typed phrase can mean in a list, the likeliest first: whole, in any order, in half words. */
export function readPhrase(rig: Rig, typed: string, doing: Doing): PhraseReading[] {
  const seen = new Set<string>()
  return readingsOf(rig, phraseOf(typed, doing.controller?.id ?? null))
    .filter(({ action, makes }) => {
      const key = JSON.stringify([action, makes])
      return !seen.has(key) && seen.add(key) !== undefined
    })
    .slice(0, OFFERED)
}

/**
 * What Enter takes of what a phrase can mean: the likeliest. Null where there is none, and where only a number was said
 * that several devices can be sent.
 */
export function likeliest(readings: readonly PhraseReading[]): PhraseReading | null {
  const [first, ...others] = readings
  if (!first) return null
  const isOpen = first.byNumber && others.some((one) => one.byNumber && one.sureness === first.sureness)
  return isOpen ? null : first
}

/** What a phrase that says "hold" would do without it, where nothing of it can be held; null otherwise. */
export const cannotHold = (rig: Rig, typed: string, doing: Doing): PhraseReading | null =>
  heldInVain(rig, phraseOf(typed, doing.controller?.id ?? null))

/** What a phrase in parts can mean, "drive / clean": one press after the other. Null where a part means nothing. */
export function readTurns(rig: Rig, typed: string, doing: Doing): readonly PhraseReading[] | null {
  const parts = typed.split(/\s*\/\s*/)
  const readings = parts.flatMap((part) => likeliest(readPhrase(rig, part, doing)) ?? [])
  // What is held goes back as the foot comes off, in no turn.
  return parts.length > 1 &&
    parts.length <= POSITIONS_MAX &&
    readings.length === parts.length &&
    !readings.some(isHeld)
    ? readings
    : null
}

/** What a reading does, and the preset that is made for it; null where its rows are all there. */
export function withPreset(
  { action, makes }: PhraseReading,
  id: PresetId | (() => PresetId),
): { readonly action: Action; readonly preset: Preset | null } {
  if (!makes) return { action, preset: null }
  const preset: Preset = { ...BLANK_PRESET, id: typeof id === 'function' ? id() : id, ...makes }
  return { action: naming(action, 'presets', preset.id), preset }
}

/** As many positions as a switch has. */
const POSITIONS_MAX = 16

/** Makes a switch do one thing after the other, press by press, over what its presses did. */
export function setTurns(
  rig: Rig,
  slot: SwitchSlot,
  readings: readonly PhraseReading[],
  newPresetId: () => PresetId,
): Edit {
  const presets = new Map<string, Preset>()
  const positions = readings.map((reading): Action[] => {
    const key = reading.makes ? `${reading.makes.deviceId}/${reading.makes.index}` : ''
    const made = withPreset(reading, presets.get(key)?.id ?? newPresetId)
    if (made.preset) presets.set(key, made.preset)
    return [made.action]
  })
  const before = switchAt(rig, slot)
  return {
    label: 'setPositions',
    changes: [
      ...[...presets.values()].map((row): Change => change('presets', row.id, null, row)),
      putSwitch(rig, { ...before, positions, lamps: before.lamps.slice(0, positions.length) }),
    ],
  }
}

/** What a reading would send. */
export function readingSends(
  rig: Rig,
  { action, makes }: PhraseReading,
  doing: Doing,
): readonly MidiMessage[] {
  if (!makes) return messagesAmong(listSteps(rig, [action], doing)).map(({ message }) => message)
  const device = own(rig.devices, makes.deviceId)
  const channel = device ? sendChannel(rig, device) : null
  return device && channel !== null ? recallMessages(device.numbering, channel, makes.index) : []
}

/** Adds a reading behind what a list does; what undoes it goes to the foot's coming off. A preset is made where it must be. */
export function addReading(
  rig: Rig,
  place: ListPlace,
  reading: PhraseReading,
  newPresetId: PresetId,
): Edit | null {
  const { release } = reading
  const { action, preset } = withPreset(reading, newPresetId)
  const first: Change[] = preset ? [change('presets', preset.id, null, preset)] : []
  const edit = putActions(rig, place, 'addAction', [...actionsAt(rig, place), action], first)
  if (!edit || !release || place.of !== 'switch' || place.event === 'release') return edit
  const before = switchAt(rig, place.slot)
  const last = edit.changes.at(-1)!
  if (last.table !== 'switches' || !last.after) return edit
  const after = { ...last.after, release: [...before.release, release] }
  return { ...edit, changes: [...edit.changes.slice(0, -1), putSwitch(rig, after)] }
}
