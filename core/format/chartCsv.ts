import { controlsOf } from '../chart/takeChart'
import type { Rig } from '../rig/rig'
import { highestValue, type Control, type Reading } from '../rig/table/control'
import { assertNever } from '../base/assertNever'

/** The columns of a chart as CSV; docs/formats.md describes them. Its heads are read by the same reader as any pasted chart. */
const HEADS = ['CC', 'Name', 'Section', 'Values', 'Unit', 'Note'] as const

/** A device's chart as lines of cells, the heads first; what reads them makes the same controls. */
export const chartRows = (rig: Rig, deviceId: string): string[][] => [
  [...HEADS],
  ...controlsOf(rig, deviceId).map((control) => [
    numberText(control),
    control.name,
    control.section,
    valuesText(control.reading, highestValue(control.address)),
    control.reading.kind === 'range' ? control.reading.unit : '',
    control.note,
  ]),
]

function numberText({ address }: Control): string {
  if (address.kind === 'cc') return String(address.number)
  return `NRPN ${address.parameter >> 7}/${address.parameter & 127}`
}

function valuesText(reading: Reading, highest: number): string {
  switch (reading.kind) {
    case 'switch':
      return reading.isStrict ? `0: Off, ${highest}: On` : '0-63: Off, 64-127: On'
    case 'range':
      return reading.unit === ''
        ? `${reading.from}..${reading.to}`
        : `${reading.low} to ${reading.high} ${reading.unit}`
    case 'named':
      return reading.names.map(({ value, name }) => `${value}: ${name}`).join(', ')
    case 'trigger':
      return 'trigger'
    case 'toggle':
      return 'toggle'
    case 'increment':
      return `${reading.down}: Down, ${reading.up}: Up`
    default:
      return assertNever(reading)
  }
}
