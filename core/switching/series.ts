import { own } from '../base/own'
import { encodeMessage } from '../midi/encode'
import { hexOf, readBytes } from '../midi/hexBytes'
import type { MidiMessage } from '../midi/message'
import { change, type Change, type Edit } from '../rig/edit'
import { putSwitch, switchAt, type SwitchSlot } from '../rig/edits/switchSlot'
import { findPreset } from '../rig/edits/setRecall'
import { inOrder, type Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import { highestValue } from '../rig/table/control'
import { BLANK_PRESET, type Preset, type PresetId } from '../rig/table/preset'
import type { Footswitch } from '../rig/table/switch'

/** What goes up by one from copy to copy. */
export const SERIES = ['same', 'preset', 'sound', 'controller', 'value', 'channel'] as const
export type Series = (typeof SERIES)[number]

interface Made {
  readonly actions: readonly Action[]
  readonly presets: readonly Preset[]
}

/** The actions of the `n`th copy; null where the series ends before. Presets without a row yet are made. */
function nth(
  rig: Rig,
  actions: readonly Action[],
  series: Series,
  n: number,
  newId: (n: number) => PresetId,
): Made | null {
  const presets: Preset[] = []
  const after: Action[] = []
  for (const action of actions) {
    const next = further(rig, action, series, n, (deviceId, index) => {
      const row: Preset = { ...BLANK_PRESET, id: newId(presets.length), deviceId, index }
      presets.push(row)
      return row.id
    })
    if (!next) return null
    after.push(next)
  }
  return { actions: after, presets }
}

/** An action moved on by `n` in a series; the same where the series does not touch it; null beyond the end. */
function further(
  rig: Rig,
  action: Action,
  series: Series,
  n: number,
  make: (deviceId: Preset['deviceId'], index: number) => PresetId,
): Action | null {
  if (series === 'preset' && action.kind === 'recallPreset') {
    const preset = own(rig.presets, action.presetId)
    const device = own(rig.devices, preset?.deviceId ?? '')
    if (!preset || !device || preset.index + n >= device.numbering.count) return null
    const row = findPreset(rig, device.id, preset.index + n)
    return { ...action, presetId: row?.id ?? make(device.id, preset.index + n) }
  }
  if (series === 'sound' && action.kind === 'recallSound') {
    const sounds = inOrder(rig.sounds)
    const at = sounds.findIndex(({ id }) => id === action.soundId)
    const next = sounds[at + n]
    return at < 0 || !next ? null : { ...action, soundId: next.id }
  }
  if (series === 'controller' && 'controlId' in action && action.controlId !== null) {
    const control = own(rig.controls, action.controlId)
    if (control?.address.kind !== 'cc') return null
    const { number } = control.address
    const next = Object.values(rig.controls).find(
      ({ deviceId, address }) =>
        deviceId === control.deviceId && address.kind === 'cc' && address.number === number + n,
    )
    return next ? ({ ...action, controlId: next.id } as Action) : null
  }
  if (series === 'value') return withValue(rig, action, n)
  if ((series === 'controller' || series === 'channel') && action.kind === 'raw')
    return movedBytes(action, series, n)
  return action
}

function withValue(rig: Rig, action: Action, n: number): Action | null {
  if (action.kind === 'raw') return movedBytes(action, 'value', n)
  if (action.kind === 'note')
    return action.note + n > 127 ? null : { ...action, note: (action.note + n) as never }
  if (action.kind !== 'setControl' && !(action.kind === 'scene' && action.move === 'to')) return action
  const control = own(rig.controls, action.controlId)
  if (!control) return null
  if (control.reading.kind === 'named') {
    const names = control.reading.names.toSorted((a, b) => a.value - b.value)
    const at = names.findLastIndex(({ value }) => value <= action.value)
    const next = names[at + n]
    return next ? { ...action, value: next.value } : null
  }
  return action.value + n > highestValue(control.address) ? null : { ...action, value: action.value + n }
}

/** The first message of the bytes moved on; the others with it where they are of the channel. */
function movedBytes(
  action: Extract<Action, { kind: 'raw' }>,
  what: 'controller' | 'value' | 'channel',
  n: number,
): Action | null {
  const read = readBytes(action.hex)
  if (!read.ok) return null
  const moved: MidiMessage[] = []
  for (const message of read.value.messages) {
    const one = movedMessage(message, what, n)
    if (!one) return null
    moved.push(one)
  }
  return { ...action, hex: hexOf(moved.flatMap((message) => [...encodeMessage(message)])) }
}

function movedMessage(
  message: MidiMessage,
  what: 'controller' | 'value' | 'channel',
  n: number,
): MidiMessage | null {
  const up = (value: number, most: number) => (value + n > most ? null : value + n)
  const put = (field: string, value: number | null) =>
    value === null ? null : ({ ...message, [field]: value } as MidiMessage)
  if (what === 'channel') return 'channel' in message ? put('channel', up(message.channel, 16)) : message
  if (what === 'controller')
    return message.kind === 'control' ? put('controller', up(message.controller, 127)) : message
  if (message.kind === 'control') return put('value', up(message.value, 127))
  if (message.kind === 'program') return put('program', up(message.program, 127))
  return message
}

/** One copy of a series, as it would be made. */
export interface SeriesCopy {
  readonly slot: SwitchSlot
  readonly after: Footswitch
  /** What stands there now; null for nothing. */
  readonly over: Footswitch | null
}

/** A switch copied onto others, each a step further; it stops where the series ends. */
export interface SeriesPlan {
  readonly copies: readonly SeriesCopy[]
  /** How many of the slots were not reached. */
  readonly missing: number
  readonly edit: Edit | null
}

/** Plans copies of a switch onto slots, in their order. `newPresetId` names presets that have no row yet. */
export function copySeries(
  rig: Rig,
  source: Footswitch,
  slots: readonly SwitchSlot[],
  series: Series,
  newPresetId: () => PresetId,
): SeriesPlan {
  const copies: SeriesCopy[] = []
  const made = new Map<string, Preset>()
  for (const [n, slot] of slots.entries()) {
    const lists = everyList(rig, source, series, n + 1, newPresetId, made)
    if (!lists) break
    const target = switchAt(rig, slot)
    const { id, bankId, number, jack, layer, everywhere } = target
    const label = series === 'same' ? source.label : ''
    const after = { ...source, ...lists, id, bankId, number, jack, layer, everywhere, label }
    copies.push({ slot, after, over: own(rig.switches, target.id) ?? null })
  }
  const presets = [...made.values()].map((row): Change => change('presets', row.id, null, row))
  return {
    copies,
    missing: slots.length - copies.length,
    edit:
      copies.length === 0
        ? null
        : { label: 'copySeries', changes: [...presets, ...copies.map(({ after }) => putSwitch(rig, after))] },
  }
}

function everyList(
  rig: Rig,
  source: Footswitch,
  series: Series,
  n: number,
  newPresetId: () => PresetId,
  made: Map<string, Preset>,
): Pick<Footswitch, 'positions' | 'release' | 'longPress' | 'doublePress'> | null {
  const of = (actions: readonly Action[]): Action[] | null => {
    const one = nth(rig, actions, series, n, newPresetId)
    if (!one) return null
    // Two copies, or two lists, that want one preset that has no row share the one made first.
    const ids = new Map<string, PresetId>()
    for (const preset of one.presets) {
      const key = `${preset.deviceId}/${preset.index}`
      const known = made.get(key)
      if (!known) made.set(key, preset)
      ids.set(preset.id, known?.id ?? preset.id)
    }
    return one.actions.map((action) =>
      action.kind === 'recallPreset'
        ? { ...action, presetId: ids.get(action.presetId) ?? action.presetId }
        : action,
    )
  }
  const positions = source.positions.map(of)
  const [release, longPress, doublePress] = [source.release, source.longPress, source.doublePress].map(of)
  if (positions.some((one) => one === null) || !release || !longPress || !doublePress) return null
  return { positions: positions as Action[][], release, longPress, doublePress }
}
