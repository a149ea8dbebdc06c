import {
  referencesOf,
  inOrder,
  TABLE_NAMES,
  type Rig,
  type TableName,
  type Tables,
  type Control,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type UnsentControl = FindingOf<
  'unsentControl',
  { readonly device: string; readonly controls: readonly string[] }
>

const named = new WeakMap<object, readonly string[]>()

/** The controls a row names; a row never changes, so it is looked through once. */
function controlsNamed<Table extends TableName>(table: Table, row: Tables[Table]): readonly string[] {
  let ids = named.get(row)
  if (!ids)
    named.set(
      row,
      (ids = referencesOf(table, row).flatMap((one) => (one.table === 'controls' ? [one.id] : []))),
    )
  return ids
}

/** Controls a player has entered in a device's map or tried out, and that neither a switch nor a sound sends. */
export function unsentControl(rig: Rig): UnsentControl[] {
  const used = new Set<string>()
  for (const table of TABLE_NAMES) {
    // A preset recalls a control without its being sent; that it is entered there is no use of it.
    if (table === 'presets' || table === 'pairs') continue
    for (const row of Object.values(rig[table])) for (const id of controlsNamed(table, row)) used.add(id)
  }
  const entered = new Set(Object.values(rig.presets).flatMap((preset) => preset.entered as readonly string[]))
  const unsent = new Map<string, Control[]>()
  for (const control of Object.values(rig.controls)) {
    const { id, deviceId, kind, source } = control
    if (kind === 'reserved' || used.has(id) || !(entered.has(id) || source === 'tested')) continue
    const ours = unsent.get(deviceId)
    if (ours) ours.push(control)
    else unsent.set(deviceId, [control])
  }
  return inOrder(rig.devices).flatMap((device): UnsentControl[] => {
    const controls = unsent.get(device.id)?.sort((a, b) => a.order - b.order)
    return controls
      ? [
          {
            code: 'unsentControl',
            severity: 'hint',
            about: { table: 'devices', id: device.id },
            facts: { device: device.name, controls: controls.map(({ name }) => name) },
          },
        ]
      : []
  })
}
