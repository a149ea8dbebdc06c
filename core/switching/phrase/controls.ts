import { own } from '#core/base'
import {
  valueBehindNumber,
  valueFor,
  sendChannel,
  perTables,
  type Rig,
  highestValue,
  type Control,
} from '#core/rig'
import { numberSaid, type NumberSaid } from './numberSaid'
import { take } from './phrase'

/** A control that typed words name, with the words left over for its value. */
export interface Meant {
  readonly control: Control
  readonly left: readonly string[]
  readonly fit: number
  /** It was named by its number: a bare number behind it is the value that is sent. */
  readonly byNumber: boolean
}

const ordered = perTables(['controls', 'devices'], (rig: Rig) =>
  Object.values(rig.controls)
    .filter(({ kind, deviceId }) => kind !== 'reserved' && own(rig.devices, deviceId))
    .sort((a, b) => a.order - b.order),
)

/** Every control some of the words name: by its own name, its section, its device. */
export function controlsMeant(rig: Rig, words: readonly string[]): Meant[] {
  const said = numberSaid(words, 'cc')
  return ordered(rig).flatMap((control) => {
    // "CC 21" names it too, and nothing else that the words may begin.
    const byNumber = said && isNumbered(rig, control, said) ? { left: said.left, fit: NUMBERED_FIT } : null
    const name = take(words, control.name)
    const first = byNumber ?? (name.fit > 0 ? name : null)
    if (!first) return []
    const section = take(first.left, control.section)
    const device = take(section.left, own(rig.devices, control.deviceId)!.name)
    const fit = first.fit * 2 + section.fit + device.fit
    return [{ control, left: device.left, fit, byNumber: byNumber !== null }]
  })
}

const NUMBERED_FIT = 4

function isNumbered(rig: Rig, { address, deviceId }: Control, said: NumberSaid): boolean {
  if (address.kind !== 'cc' || address.number !== said.number) return false
  return said.channel === null || sendChannel(rig, own(rig.devices, deviceId)!) === said.channel
}

/** The value words say for a control: "35", "35 %", "on", "dotted eighth"; null when they say none. */
export function valueMeant(
  { control, byNumber }: Pick<Meant, 'control' | 'byNumber'>,
  words: readonly string[],
): number | null {
  const { reading, address } = control
  // What does its thing or changes over needs no value said.
  if (words.length === 0) return 'value' in reading ? reading.value : null
  if (byNumber) return valueBehindNumber(control, words.join(' '))
  const read = valueFor(reading, words.join(' '), highestValue(address))
  return read.ok ? read.value : null
}

/** Devices some of the words name, with what is left of them. */
export const devicesMeant = (rig: Rig, words: readonly string[]) =>
  Object.values(rig.devices)
    .sort((a, b) => a.order - b.order)
    .map((device) => ({ device, ...take(words, device.name) }))
