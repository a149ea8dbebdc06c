import { own } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  perTables,
  inOrder,
  lastOrder,
  type Rig,
  type Control,
  type ControlId,
  type DeviceId,
} from '#core/rig'
import { dequal } from 'dequal/lite'
import { addressKey } from './addressKey'
import type { DraftControl } from './chartRow'

/** What taking a line would do to the device's chart. */
export type Taking = 'new' | 'changes' | 'same'

/** The device's controls by what is sent for them; of several with one number the first in order. */
export function controlsByAddress(rig: Rig, deviceId: string): Map<string, Control> {
  const found = new Map<string, Control>()
  for (const control of controlsOf(rig, deviceId)) {
    const key = addressKey(control.address)
    if (!found.has(key)) found.set(key, control)
  }
  return found
}

/** Every line of every chart, in their order. */
export const allControls = perTables(['controls'], (rig: Rig): readonly Control[] => inOrder(rig.controls))

const charts = perTables(['controls'], (rig: Rig): ReadonlyMap<string, readonly Control[]> => {
  const all = new Map<string, Control[]>()
  for (const control of allControls(rig)) {
    const chart = all.get(control.deviceId)
    if (chart) chart.push(control)
    else all.set(control.deviceId, [control])
  }
  return all
})

/** A device's chart in its order. */
export const controlsOf = (rig: Rig, deviceId: string): readonly Control[] => charts(rig).get(deviceId) ?? []

const withDraft = (control: Control, draft: DraftControl): Control => {
  const { address } = draft
  // How an NRPN's value is sent is seldom said by a chart's line.
  const isSaid =
    address.kind === 'nrpn' &&
    (address.value === 'both' || !address.nullAfter || address.written === 'number')
  return { ...control, ...draft, address: isSaid || address.kind === 'cc' ? address : control.address }
}

/** What taking a line of a chart would do to the controls there are, by their addresses: make one, change one, or nothing. */
export function takingOf(existing: ReadonlyMap<string, Control>, draft: DraftControl): Taking {
  const control = existing.get(addressKey(draft.address))
  if (!control) return 'new'
  return dequal(withDraft(control, draft), control) ? 'same' : 'changes'
}

/**
 * Takes chart lines into a device: one edit, undone in one step. A line whose number the device has already
 * changes that control; of two lines with one number the later holds. Null when nothing changes.
 */
export function takeChart(
  rig: Rig,
  deviceId: DeviceId,
  drafts: readonly DraftControl[],
  newId: () => ControlId,
  origin = '',
): Edit | null {
  const existing = controlsByAddress(rig, deviceId)
  const after = new Map<string, Control>()
  let order = lastOrder(rig.controls)
  for (const draft of drafts) {
    const key = addressKey(draft.address)
    const before = after.get(key) ?? existing.get(key)
    after.set(
      key,
      before
        ? withDraft(before, draft)
        : {
            ...draft,
            id: newId(),
            deviceId,
            order: order++,
            kind: 'fixed',
            map: 'device',
            division: null,
            source: 'maker',
            origin,
          },
    )
  }
  const changes: Change[] = [...after.values()].flatMap((control) => {
    const before = own(rig.controls, control.id) ?? null
    return before && dequal(before, control) ? [] : [change('controls', control.id, before, control)]
  })
  return changes.length === 0 ? null : { label: 'takeChart', changes }
}

/** A device's chart as lines to be taken by another device or rig. */
export const draftsOf = (rig: Rig, deviceId: string): DraftControl[] =>
  controlsOf(rig, deviceId).map(({ name, section, address, reading, note }) => ({
    name,
    section,
    address,
    reading,
    note,
  }))
