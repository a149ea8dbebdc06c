import { own } from '#core/base'
import {
  change,
  type Edit,
  inOrder,
  type Rig,
  type Device,
  type Preset,
  type Cell,
  type Sound,
} from '#core/rig'
import { setText, sendingOf, wantsOf } from '#core/sound'
import { soundCells } from './soundCells'
import { withCell } from './withCell'
import type { FindingOf } from '../finding'

export type LostControls = FindingOf<
  'lostControls',
  {
    readonly sound: string
    readonly device: string
    readonly controls: readonly string[]
    readonly deafMs: number
    readonly controller: string
    /** What the fix does: the values are stored in the preset, or the device stays in its preset. */
    readonly fixIs: 'store' | 'stay' | null
    readonly preset: string
  }
>

/** Controls that reach a device while it loads, from a controller that cannot wait long enough. */
export function lostControls(rig: Rig): LostControls[] {
  const [controller] = inOrder(rig.controllers)
  if (!controller) return []
  return inOrder(rig.sounds).flatMap((sound) =>
    sendingOf(rig, sound, controller).lost.flatMap(({ deviceId }): LostControls[] => {
      const device = own(rig.devices, deviceId)
      const want = wantsOf(rig, sound).get(deviceId)
      if (!device || want?.kind !== 'be') return []
      const mended = mend(rig, sound, device)
      return [
        {
          code: 'lostControls',
          severity: 'error',
          about: { table: 'sounds', id: sound.id, field: `cells.${deviceId}` },
          facts: {
            sound: sound.name,
            device: device.name,
            controls: want.sets.map((one) => setText(rig, device, one)),
            deafMs: device.deafMs,
            controller: controller.name,
            fixIs: mended?.kind ?? null,
            preset: mended?.preset ?? '',
          },
          ...(mended && { fix: mended.edit }),
        },
      ]
    }),
  )
}

interface Mend {
  readonly kind: 'store' | 'stay'
  readonly preset: string
  readonly edit: Edit
}

/** Stores the values in the preset where no other sound uses it; else leaves the preset to the sound before. */
function mend(rig: Rig, sound: Sound, device: Device): Mend | null {
  const said = sound.cells.find(({ deviceId }) => deviceId === device.id)?.cell
  if (said?.kind !== 'preset' || said.values.length === 0) return null
  const preset = own(rig.presets, said.presetId)
  if (!preset) return null
  const isShared = soundCells(rig).some(
    (one) =>
      one.sound !== sound &&
      one.device.id === device.id &&
      one.want.kind === 'be' &&
      one.want.preset === preset.index,
  )
  return isShared
    ? {
        kind: 'stay',
        preset: preset.name,
        edit: withCell(rig, sound, device.id, { kind: 'values', values: said.values }),
      }
    : { kind: 'store', preset: preset.name, edit: stored(rig, sound, preset, said) }
}

function stored(rig: Rig, sound: Sound, preset: Preset, { values }: Extract<Cell, { kind: 'preset' }>): Edit {
  const kept = preset.recalls.filter(({ controlId }) => !values.some((one) => one.controlId === controlId))
  const edit = withCell(rig, sound, preset.deviceId, { kind: 'preset', presetId: preset.id, values: [] })
  return {
    label: 'changePreset',
    changes: [
      change('presets', preset.id, preset, { ...preset, recalls: [...kept, ...values] }),
      ...edit.changes,
    ],
  }
}
