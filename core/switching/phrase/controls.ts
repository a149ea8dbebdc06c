import { own } from '../../base/own'
import { valueFor } from '../../rig/chart/reading'
import { perTables } from '../../rig/perTables'
import type { Rig } from '../../rig/rig'
import { highestValue, type Control } from '../../rig/table/control'
import { take } from './phrase'

/** A control that typed words name, with the words left over for its value. */
export interface Meant {
  readonly control: Control
  readonly left: readonly string[]
  readonly fit: number
}

const ordered = perTables(['controls', 'devices'], (rig: Rig) =>
  Object.values(rig.controls)
    .filter(({ kind, deviceId }) => kind !== 'reserved' && own(rig.devices, deviceId))
    .sort((a, b) => a.order - b.order),
)

/** Every control some of the words name: by its own name, its section, its device. */
export function controlsMeant(rig: Rig, words: readonly string[]): Meant[] {
  return ordered(rig).flatMap((control) => {
    const name = take(words, control.name)
    // "CC 21" names it too.
    const byNumber = control.address.kind === 'cc' ? numbered(words, control.address.number) : null
    const first = name.fit > 0 ? name : byNumber
    if (!first) return []
    const section = take(first.left, control.section)
    const device = take(section.left, own(rig.devices, control.deviceId)!.name)
    return [{ control, left: device.left, fit: first.fit * 2 + section.fit + device.fit }]
  })
}

function numbered(words: readonly string[], number: number) {
  const at = words.findIndex((word, n) => word === 'cc' && words[n + 1] === String(number))
  return at < 0 ? null : { left: words.toSpliced(at, 2), fit: 4 }
}

/** The value words say for a control: "35", "35 %", "on", "dotted eighth"; null when they say none. */
export function valueMeant({ reading, address }: Control, words: readonly string[]): number | null {
  // What does its thing or changes over needs no value said.
  if (words.length === 0) return 'value' in reading ? reading.value : null
  const read = valueFor(reading, words.join(' '), highestValue(address))
  return read.ok ? read.value : null
}

/** Devices some of the words name, with what is left of them. */
export const devicesMeant = (rig: Rig, words: readonly string[]) =>
  Object.values(rig.devices)
    .sort((a, b) => a.order - b.order)
    .map((device) => ({ device, ...take(words, device.name) }))
