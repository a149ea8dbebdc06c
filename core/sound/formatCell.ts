import { own } from '#core/base'
import {
  heldContacts,
  shownText,
  findPreset,
  formatDisplay,
  perTables,
  type Rig,
  highestValue,
  type Control,
  type Device,
  type SetValue,
  type Cell,
} from '#core/rig'

/** A cell as typed: a preset by its index, since the device may have no row there yet. */
export type TypedCell =
  | Exclude<Cell, { kind: 'preset' }>
  | { readonly kind: 'preset'; readonly index: number; readonly values: readonly SetValue[] }

/** The names of a device's controls, each different from all others: "Mix", "Tape Wow", "CC 21". */
const labels = perTables(['controls'], (rig: Rig): ReadonlyMap<string, ReadonlyMap<string, Control>> => {
  const all = new Map<string, Control[]>()
  for (const control of Object.values(rig.controls)) {
    const ours = all.get(control.deviceId)
    if (ours) ours.push(control)
    else all.set(control.deviceId, [control])
  }
  return new Map(
    [...all].map(([deviceId, controls]) => [
      deviceId,
      new Map(labelled(controls.sort((a, b) => a.order - b.order))),
    ]),
  )
})

function labelled(controls: readonly Control[]): [string, Control][] {
  const ways: ((control: Control) => string)[] = [
    ({ name }) => name,
    ({ section, name }) => `${section} ${name}`.trim(),
    ({ address }) => (address.kind === 'cc' ? `CC ${address.number}` : `NRPN ${address.parameter}`),
  ]
  const counts = ways.map((way) => {
    const seen = new Map<string, number>()
    for (const control of controls) {
      const key = way(control).toLowerCase()
      seen.set(key, (seen.get(key) ?? 0) + 1)
    }
    return seen
  })
  return controls.map((control) => {
    const n = ways.findIndex((way, at) => counts[at]!.get(way(control).toLowerCase()) === 1)
    const label = n < 0 ? `${ways[2]!(control)} ${control.id}` : ways[n]!(control)
    // One space between words, as typed text is read.
    return [label.replace(/\s+/g, ' ').trim(), control]
  })
}

/** The controls of a device by what they are called, each otherwise. */
export const labelsOf = (rig: Rig, device: Device): ReadonlyMap<string, Control> =>
  labels(rig).get(device.id) ?? new Map()

/** What a control is called among its device's. */
export const labelOf = (rig: Rig, device: Device, controlId: string): string =>
  [...labelsOf(rig, device)].find(([, { id }]) => id === controlId)?.[0] ?? controlId

/** "Mix 35 %". */
export function setText(rig: Rig, device: Device, { controlId, value }: SetValue): string {
  const control = own(rig.controls, controlId)
  if (!control) return 'a control that is gone'
  const highest = highestValue(control.address)
  return `${labelOf(rig, device, controlId)} ${shownText(control.reading, Math.min(value, highest), highest)}`
}

/** "B4 Dotted eighth". */
export const presetText = (rig: Rig, device: Device, index: number): string =>
  `${formatDisplay(device.numbering, index)} ${findPreset(rig, device.id, index)?.name ?? ''}`.trim()

/** A cell in one line, in the device's own terms; {@link parseCell} reads it back. */
export function formatCell(rig: Rig, device: Device, cell: Cell | TypedCell): string {
  switch (cell.kind) {
    case 'preset': {
      const index = 'index' in cell ? cell.index : own(rig.presets, cell.presetId)?.index
      const first = index === undefined ? 'a preset that is gone' : presetText(rig, device, index)
      return [first, ...cell.values.map((one) => setText(rig, device, one))].join(' + ')
    }
    case 'values':
      return cell.values.map((one) => setText(rig, device, one)).join(' + ')
    case 'off':
    case 'rest':
    case 'leave':
      return cell.kind
    case 'foot':
      return cell.does === '' ? 'by foot' : `by foot: ${cell.does}`
    case 'contacts':
      return contactsText(rig, device, cell.closes)
    case 'pair':
      return `pair ${own(rig.pairs, cell.pairId)?.name ?? 'that is gone'}: ${cell.state.toUpperCase()}`
  }
}

function contactsText(rig: Rig, device: Device, closes: readonly string[]): string {
  const all = heldContacts(rig, device)
  if (closes.length === 0) return 'open'
  if (all.length === 1) return 'closed'
  return `closed: ${closes.map((id) => all.find((one) => one.id === id)?.name ?? id).join(' + ')}`
}
