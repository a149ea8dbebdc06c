import { own } from '#core/base'
import {
  parseDisplay,
  sendChannel,
  findPreset,
  recallMessages,
  type Rig,
  type Device,
  type PresetId,
  type ActionOf,
} from '#core/rig'
import { devicesMeant } from '../phrase/controls'
import { take, without, type PhraseReading } from '../phrase/phrase'
import type { ActionStep } from '../step'
import type { ActionDoes } from './actionDoes'

/** Bank select as the device takes it, and the program change. */
export const recallPreset: ActionDoes<ActionOf<'recallPreset'>> = {
  sets: 'outright',
  further: (rig, action, { series, n, preset }) => {
    if (series !== 'preset') return action
    const before = own(rig.presets, action.presetId)
    const device = own(rig.devices, before?.deviceId ?? '')
    if (!before || !device || before.index + n >= device.numbering.count) return null
    return { ...action, presetId: preset(device.id, before.index + n) }
  },
  steps: (rig, { presetId }) => {
    const preset = own(rig.presets, presetId)
    const device = own(rig.devices, preset?.deviceId ?? '')
    const channel = device ? sendChannel(rig, device) : null
    if (!preset || !device || channel === null) return []
    return [
      ...recallMessages(device.numbering, channel, preset.index).map((message): ActionStep => ({
        kind: 'send',
        message,
        deviceId: device.id,
      })),
      { kind: 'know', learned: { sound: null, presets: { [device.id]: preset.index } } },
    ]
  },
  recalls: (rig, { presetId }) => {
    const preset = own(rig.presets, presetId)
    return preset ? [{ deviceId: preset.deviceId, index: preset.index }] : []
  },
  isLit: (rig, { presetId }, { presets }) => {
    const preset = own(rig.presets, presetId)
    return preset !== undefined && own(presets, preset.deviceId) === preset.index
  },
  claims: (rig, { presetId }) => {
    const preset = own(rig.presets, presetId)
    return preset ? [{ kind: 'preset', deviceId: preset.deviceId, index: preset.index }] : []
  },
  reads: (rig, { words }) =>
    devicesMeant(rig, without(words, 'preset') ?? words).flatMap(({ device, left, fit }): PhraseReading[] => [
      ...unnamed(rig, device, left, fit),
      ...Object.values(rig.presets).flatMap((preset): PhraseReading[] => {
        if (preset.deviceId !== device.id) return []
        const name = take(left, preset.name)
        const isShown = name.left.length === 1 && saysIndex(device.numbering, name.left[0]!, preset.index)
        if ((name.left.length > 0 && !isShown) || (name.fit === 0 && !(isShown && fit > 0))) return []
        return [
          {
            action: { kind: 'recallPreset', presetId: preset.id },
            sureness: fit + name.fit + (isShown ? 4 : 0),
          },
        ]
      }),
    ]),
}

/** "echo b7", where nothing is known of B7 yet. */
function unnamed(rig: Rig, device: Device, left: readonly string[], fit: number): PhraseReading[] {
  const read = left.length === 1 && fit > 0 ? parseDisplay(device.numbering, left[0]!) : null
  if (device.kind !== 'receiver' || !read?.ok || findPreset(rig, device.id, read.value)) return []
  return [
    {
      action: { kind: 'recallPreset', presetId: NOT_MADE },
      makes: { deviceId: device.id, index: read.value },
      sureness: fit + 3,
    },
  ]
}

const NOT_MADE = 'not-made' as PresetId

function saysIndex(numbering: Parameters<typeof parseDisplay>[0], word: string, index: number): boolean {
  const read = parseDisplay(numbering, word)
  return read.ok && read.value === index
}
