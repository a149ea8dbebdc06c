import { own } from '#core/base'
import {
  referencesOf,
  rowKey,
  byIndex,
  inOrder,
  type Rig,
  type TableName,
  type Tables,
  type Bank,
  type Controller,
  type Device,
  type Macro,
  type Never,
  type Pedal,
  type Pair,
  type Preset,
  type Run,
  type Song,
  type Cell,
  type Sound,
  isProgrammed,
  type Footswitch,
} from '#core/rig'
import { spokenCells } from './cells'

/** What a change to a row touches, each list in the player's order. */
export interface Use {
  readonly sounds: readonly Sound[]
  readonly switches: readonly Footswitch[]
  readonly macros: readonly Macro[]
  /** Banks that do something with it on coming or leaving. */
  readonly banks: readonly Bank[]
  /** Controllers that do something with it as they are switched on. */
  readonly controllers: readonly Controller[]
  /** Songs a part of which is played with it. */
  readonly songs: readonly Song[]
  /** Devices that are switched off, tapped or looped by it, or have it in their rest. */
  readonly devices: readonly Device[]
  /** Presets that recall it. */
  readonly recalledBy: readonly Preset[]
  /** Pairs that hold it, and must be learned again. */
  readonly pairs: readonly Pair[]
  /** Presets whose map must be entered again. */
  readonly presets: readonly Preset[]
  /** Pedals that lead it, or switch it off, or hang on it. */
  readonly pedals: readonly Pedal[]
  /** Checks of the player's own that name it. */
  readonly nevers: readonly Never[]
  /** Recorded runs with it. */
  readonly runs: readonly Run[]
}

/** Tables whose rows sounds and switches use. */
export type UsedTable = 'devices' | 'presets' | 'controls' | 'pairs' | 'sounds'

/**
 * What uses a preset, control, pair, device or sound: sounds that say it or inherit it, and whatever names it or one of
 * those, by way of macros or not. What belongs to a device (its own controls, presets, pairs, cables) is no use of it.
 */
export function usedBy(rig: Rig, table: UsedTable, id: string): Use {
  const sounds = inOrder(rig.sounds).filter((sound) =>
    table === 'sounds'
      ? follows(rig, sound, id)
      : [...spokenCells(rig, sound)].some(([deviceId, { cell }]) => speaks(rig, table, id, cell, deviceId)),
  )
  const mine = new Set([rowKey(table, id), ...(table === 'devices' ? ownedBy(rig, id) : [])])
  const named = new Set([...mine, ...sounds.map((sound) => rowKey('sounds', sound.id))])
  withMacros(rig, named)
  const users = <Table extends TableName>(of: Table, keys: ReadonlySet<string> = named): Tables[Table][] =>
    Object.values<Tables[Table]>(rig[of] as Record<string, Tables[Table]>).filter(
      (row) =>
        !mine.has(rowKey(of, row.id)) &&
        referencesOf(of, row).some((one) => keys.has(rowKey(one.table, one.id))),
    )
  const bankOrder = new Map(byIndex(rig.banks).map((bank, n) => [bank.id, n]))
  const played = new Set(users('parts').map(({ songId }) => songId))
  return {
    sounds,
    switches: users('switches')
      .filter(isProgrammed)
      .sort((a, b) => bankOrder.get(a.bankId)! - bankOrder.get(b.bankId)! || a.number - b.number),
    macros: inOrder(rig.macros).filter((one) => named.has(rowKey('macros', one.id))),
    banks: users('banks').sort((a, b) => a.index - b.index),
    controllers: users('controllers'),
    songs: inOrder(rig.songs).filter((one) => played.has(one.id)),
    devices: users('devices', mine),
    recalledBy: byIndex(rig.presets).filter(
      (one) => table === 'controls' && one.recalls.some(({ controlId }) => controlId === id),
    ),
    pairs: inOrder(rig.pairs).filter(({ deviceId, a, b }) =>
      table === 'devices'
        ? deviceId === id
        : table === 'controls' && [...a, ...b].some(({ controlId }) => controlId === id),
    ),
    presets:
      table === 'controls' && own(rig.controls, id)?.map === 'preset'
        ? byIndex(rig.presets).filter(({ entered }) => entered.some((one) => one === id))
        : [],
    pedals: users('pedals', mine).toSorted((a, b) => a.order - b.order),
    nevers: users('nevers', mine).toSorted((a, b) => a.order - b.order),
    runs: users('runs', mine),
  }
}

function speaks(rig: Rig, table: UsedTable, id: string, cell: Cell, deviceId: string): boolean {
  if (table === 'devices') return deviceId === id && cell.kind !== 'leave'
  if (table === 'presets') return cell.kind === 'preset' && cell.presetId === id
  if (table === 'pairs') return cell.kind === 'pair' && cell.pairId === id
  const control = own(rig.controls, id)
  const device = own(rig.devices, deviceId)
  if (!control || control.deviceId !== deviceId || !device) return false
  return (
    ('values' in cell && cell.values.some(({ controlId }) => controlId === id)) ||
    (cell.kind === 'off' && device.bypass.kind === 'control' && device.bypass.controlId === id) ||
    (cell.kind === 'rest' && !!device.rest?.values.some(({ controlId }) => controlId === id))
  )
}

/** What is a device's own: its chart, presets, pairs. */
const ownedBy = (rig: Rig, deviceId: string): string[] =>
  (['controls', 'presets', 'pairs'] as const).flatMap((table) =>
    Object.values(rig[table]).flatMap((one) => (one.deviceId === deviceId ? [rowKey(table, one.id)] : [])),
  )

/** Adds the macros that name any of it, and those that run these. */
function withMacros(rig: Rig, named: Set<string>): void {
  for (let size = -1; size !== named.size;) {
    size = named.size
    for (const one of Object.values(rig.macros))
      if (referencesOf('macros', one).some((ref) => named.has(rowKey(ref.table, ref.id))))
        named.add(rowKey('macros', one.id))
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
export const useCount = (use: Use): number =>
  Object.values(use).reduce((sum: number, { length }) => sum + length, 0)
