import { own } from '../base/own'
import { referencesOf, rowKey } from '../rig/references'
import { byIndex, inOrder, type Rig } from '../rig/rig'
import type { Pedal } from '../rig/table/pedal'
import type { Pair } from '../rig/table/pair'
import type { Preset } from '../rig/table/preset'
import type { Cell, Sound } from '../rig/table/sound'
import { isProgrammed, type Footswitch } from '../rig/table/switch'
import { spokenCells } from './cells'

/** What a change to a row touches. */
export interface Use {
  readonly sounds: readonly Sound[]
  readonly switches: readonly Footswitch[]
  /** Pairs that hold it, and must be learned again. */
  readonly pairs: readonly Pair[]
  /** Presets whose map must be entered again. */
  readonly presets: readonly Preset[]
  /** Pedals that lead it, or switch it off. */
  readonly pedals: readonly Pedal[]
}

export type UsedTable = 'devices' | 'presets' | 'controls' | 'sounds'

/** What uses a preset, control, device or sound: sounds that say it or inherit it, switches that recall those. */
export function usedBy(rig: Rig, table: UsedTable, id: string): Use {
  const speaks = (cell: Cell, deviceId: string): boolean => {
    if (table === 'devices') return deviceId === id && cell.kind !== 'leave'
    if (table === 'presets') return cell.kind === 'preset' && cell.presetId === id
    const control = own(rig.controls, id)
    const device = own(rig.devices, deviceId)
    if (!control || control.deviceId !== deviceId || !device) return false
    return (
      ('values' in cell && cell.values.some(({ controlId }) => controlId === id)) ||
      (cell.kind === 'off' && device.bypass.kind === 'control' && device.bypass.controlId === id) ||
      (cell.kind === 'rest' && !!device.rest?.values.some(({ controlId }) => controlId === id))
    )
  }
  const sounds = inOrder(rig.sounds).filter((sound) =>
    table === 'sounds'
      ? follows(rig, sound, id)
      : [...spokenCells(rig, sound)].some(([deviceId, { cell }]) => speaks(cell, deviceId)),
  )
  const named = new Set([
    ...(table === 'sounds' ? [rowKey('sounds', id)] : sounds.map((sound) => rowKey('sounds', sound.id))),
    ...sounds.map((sound) => rowKey('sounds', sound.id)),
    ...(table === 'presets' ? [rowKey('presets', id)] : []),
    ...(table === 'devices'
      ? Object.values(rig.presets).flatMap((one) => (one.deviceId === id ? [rowKey('presets', one.id)] : []))
      : []),
  ])
  const bankOrder = new Map(byIndex(rig.banks).map((bank, n) => [bank.id, n]))
  return {
    sounds,
    switches: Object.values(rig.switches)
      .filter(
        (one) =>
          isProgrammed(one) &&
          referencesOf('switches', one).some((ref) => named.has(rowKey(ref.table, ref.id))),
      )
      .sort((a, b) => bankOrder.get(a.bankId)! - bankOrder.get(b.bankId)! || a.number - b.number),
    pairs: inOrder(rig.pairs).filter(({ deviceId, a, b }) =>
      table === 'devices'
        ? deviceId === id
        : table === 'controls' && [...a, ...b].some(({ controlId }) => controlId === id),
    ),
    presets:
      table === 'controls' && own(rig.controls, id)?.map === 'preset'
        ? byIndex(rig.presets).filter(({ entered }) => entered.some((one) => one === id))
        : [],
    pedals: inOrder(rig.pedals).filter((pedal) =>
      referencesOf('pedals', pedal).some(
        (ref) =>
          ref.table === 'controls' &&
          (table === 'controls'
            ? ref.id === id
            : table === 'devices' && own(rig.controls, ref.id)?.deviceId === id),
      ),
    ),
  }
}

/** Whether a sound is a variant of another, by way of others or not. */
function follows(rig: Rig, sound: Sound, id: string): boolean {
  const seen = new Set<string>()
  for (let at = sound.parentId; at !== null && !seen.has(at); at = own(rig.sounds, at)?.parentId ?? null) {
    if (at === id) return true
    seen.add(at)
  }
  return false
}

/** How many things a change touches. */
export const useCount = ({ sounds, switches, pairs, presets, pedals }: Use): number =>
  sounds.length + switches.length + pairs.length + presets.length + pedals.length
