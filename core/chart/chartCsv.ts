import { controlsOf } from './takeChart'
import { type Rig, highestValue } from '#core/rig'
import { addressCell } from './readChart'
import { valuesText } from './ownCell'

/** The columns of a chart as CSV; docs/formats.md describes them. Its heads are read by the same reader as any pasted chart. */
export const CHART_HEADS = ['CC', 'Name', 'Section', 'Values', 'Unit', 'Note'] as const

/** A device's chart as lines of cells, the heads first; what reads them makes the same controls. */
export const chartRows = (rig: Rig, deviceId: string): string[][] => [
  [...CHART_HEADS],
  ...controlsOf(rig, deviceId).map((control) => [
    addressCell(control.address),
    control.name,
    control.section,
    valuesText(control.reading, highestValue(control.address)),
    control.reading.kind === 'range' ? control.reading.unit : '',
    control.note,
  ]),
]
