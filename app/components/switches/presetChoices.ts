import { formatDisplay, parseDisplay, type Device, type Rig } from '#core/rig'
import { sentText } from '~/text/presets'

/** One preset a player can choose, named or not. */
export interface PresetChoice {
  readonly index: number
  /** As the device shows it. */
  readonly display: string
  readonly name: string
  readonly sent: string
  /** What stands in the field once it is chosen. */
  readonly text: string
}

export function presetChoice(device: Device, index: number, name: string): PresetChoice {
  const display = formatDisplay(device.numbering, index)
  return { index, display, name, sent: sentText(device, index), text: name ? `${display} ${name}` : display }
}

/** Choices shown at once; a number typed out is always found. */
const LIMIT = 100

/**
 * What fits the typed text: the preset of that very number first, then named ones by number or name,
 * then the rest of the device in order.
 */
export function presetChoices(rig: Rig, device: Device, typed: string): PresetChoice[] {
  const wanted = typed.trim().toLowerCase()
  const named = new Map(
    Object.values(rig.presets)
      .filter(({ deviceId }) => deviceId === device.id)
      .sort((a, b) => a.index - b.index)
      .map(({ index, name }) => [index, name]),
  )
  const exact = wanted === '' ? null : parseDisplay(device.numbering, wanted)
  const order = new Set<number>()
  if (exact?.ok) order.add(exact.value)
  for (const [index, name] of named) if (fits(device, index, name, wanted)) order.add(index)
  for (let index = 0; index < device.numbering.count && order.size < LIMIT; index++)
    if (fits(device, index, '', wanted)) order.add(index)
  return Array.from(order, (index) => presetChoice(device, index, named.get(index) ?? ''))
}

const fits = (device: Device, index: number, name: string, wanted: string): boolean =>
  name.toLowerCase().includes(wanted) ||
  formatDisplay(device.numbering, index).toLowerCase().startsWith(wanted)
