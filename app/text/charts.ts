import type { BadCell, ColumnKind, RowDoubt, Taken } from '#core/chart'
import {
  stepAt,
  type Control,
  type ControlAddress,
  type Purpose,
  type Reading,
  type ShownRefusal,
} from '#core/rig'

/** "CC 21", "NRPN 12588 (98, 44)". */
export const addressText = (address: ControlAddress): string =>
  address.kind === 'cc'
    ? `CC ${address.number}`
    : `NRPN ${address.parameter} (${address.parameter >> 7}, ${address.parameter & 127})`

/** "0 to 100 %, steps of 0.8", "off below 64", "Scene 1, Scene 2": how it reads values, on one line. */
export function readingText(reading: Reading, highest: number): string {
  switch (reading.kind) {
    case 'switch':
      return reading.isStrict ? `0 off, ${highest} on, nothing else` : 'off below the middle, on from it'
    case 'range': {
      const ends = `${reading.low} to ${reading.high} ${reading.unit}`
      const step = stepAt(reading, Math.floor((reading.from + reading.to) / 2), highest)!
      const kind = reading.scale === 'logarithmic' ? ', logarithmic' : ''
      return reading.unit === ''
        ? `${reading.from} to ${reading.to}`
        : `${ends}${kind}, steps of ${Number(step.toPrecision(2))}`
    }
    case 'named':
      return reading.names.map(({ name }) => name).join(', ')
    case 'trigger':
      return `does it at ${reading.value}`
    case 'toggle':
      return reading.at === 'value' ? `changes over at ${reading.value}` : 'changes over at each message'
    case 'increment':
      return `${reading.up} up, ${reading.down} down`
  }
}

export const READING_TEXT: Record<Reading['kind'], string> = {
  switch: 'Off and on',
  range: 'A range',
  named: 'Named values',
  trigger: 'A trigger',
  toggle: 'Changes over each time',
  increment: 'Up and down',
}

export const KIND_TEXT: Record<Control['kind'], string> = {
  fixed: 'Fixed by the maker',
  assignable: 'Can be assigned',
  reserved: 'Kept by the device',
}

export const SOURCE_TEXT: Record<Control['source'], string> = {
  maker: 'Maker’s chart',
  heard: 'Heard, not tested',
  tested: 'Tested by me',
}

export const PURPOSE_TEXT: Record<Purpose, string> = {
  '': 'Not said',
  clean: 'Clean',
  crunch: 'Crunch',
  drive: 'Drive',
  lead: 'Lead',
  rhythm: 'Rhythm',
  pad: 'Pad',
  effect: 'Effect',
  blank: 'Blank, for bypass',
}

export const COLUMN_TEXT: Record<ColumnKind, string> = {
  number: 'Number',
  hex: 'Number in hex',
  nrpn: 'NRPN',
  msb: 'NRPN, first half',
  lsb: 'NRPN, second half',
  type: 'Kind of message',
  name: 'Name',
  section: 'Section',
  values: 'Values',
  min: 'Lowest',
  max: 'Highest',
  unit: 'Unit',
  default: 'As it comes',
  note: 'Note',
  ignore: 'Leave out',
}

/** Why a pasted line is not taken, and how to mend it. */
export function badCellText(bad: BadCell): string {
  switch (bad.why) {
    case 'noNumber':
      return bad.cell === ''
        ? 'It has no number.'
        : `"${bad.cell}" is no controller number. Write 21, CC 21 or 15h.`
    case 'numberOutside':
      return `${bad.number} is no controller number: they go from 0 to 127.`
    case 'noName':
      return 'It has no name. Say which column holds the names.'
    case 'unclearNrpn':
      return `"${bad.cell}" can be read as one number or as a pair. Write the pair with a slash: 98/44.`
    case 'saysNrpn':
      return `The line speaks of NRPN, and "${bad.cell}" may be one. Write NRPN 98/44, or CC ${bad.cell} if it is a CC.`
    case 'unclearPair':
      return `"${bad.cell}" are two halves of a number, and nothing says of what. Write NRPN ${bad.cell} if they are one.`
    case 'otherMessage':
      return `"${bad.cell}" is no control change and no NRPN, so it is no line of a chart.`
    case 'severalNumbers':
      return `"${bad.cell}": several numbers, and not as many names. Write a line for each.`
    case 'numbersDiffer':
      return `"${bad.cell}" are two different numbers. Leave one of the columns out.`
    case 'unclearColumns':
      return 'Its cells do not stand under the columns. Put a tab or a comma between them.'
    case 'tooLong':
      return `A line of ${bad.letters.toLocaleString('en')} letters is not part of a chart.`
    case 'outsideLimits':
      return `"${bad.cell}" is more than a control can hold. Put it in by hand.`
  }
}

/** What was assumed of a pasted line, to be looked at. */
export const DOUBT_TEXT: Record<RowDoubt, string> = {
  unclearValues: 'values not understood: all are taken, what it says is in the note',
  rawOrShown: 'taken as the values sent; if the display shows these, change it after',
  scale: 'taken as even steps; the chart does not say',
  joined: 'put together from several lines',
  nameCut: 'its name is cut',
  noteCut: 'its note is cut',
}

/** Why a typed value cannot be sent. */
export const shownRefusalText = (refusal: ShownRefusal): string =>
  refusal.code === 'outside'
    ? `${refusal.text} is outside ${refusal.low} to ${refusal.high}${refusal.unit && ` ${refusal.unit}`}.`
    : `"${refusal.text}" is not a value here. Write ${refusal.allowed}.`

export function takenText(taken: Taken): string {
  if (taken.why === 'used') return `${taken.control} on ${taken.device}`
  return {
    mode: 'all sound off and the like',
    bankSelect: 'bank select',
    parameterNumbers: 'NRPN and data entry',
  }[taken.what]
}
