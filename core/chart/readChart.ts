import { cutText, keepable } from '../base/text'
import type { U14 } from '../base/u14'
import type { U7 } from '../base/u7'
import type { ControlAddress, Reading } from '../rig/table/control'
import { NAME_MAX } from '../rig/table/scalars'
import { parseNrpn, parseNumber, parseReading } from './cells'
import { isHead, type ColumnKind } from './columns'

/** What a line of a chart says, before it is a row of the rig. */
export interface DraftControl {
  readonly name: string
  readonly section: string
  readonly address: ControlAddress
  readonly reading: Reading
  readonly note: string
}

/** Why a line of a table is no control. */
export type BadCell =
  | { readonly why: 'noNumber'; readonly cell: string }
  | { readonly why: 'numberOutside'; readonly number: number }
  | { readonly why: 'noName' }
  | { readonly why: 'unclearValues'; readonly cell: string }
  | { readonly why: 'unclearNrpn'; readonly cell: string }
  | { readonly why: 'tooLong'; readonly letters: number }

/** `line` counts from 1 in the text as it was pasted. */
export type ChartRow = { readonly line: number } & (
  | { readonly kind: 'control'; readonly draft: DraftControl }
  | { readonly kind: 'section'; readonly name: string }
  | { readonly kind: 'passed'; readonly why: 'head' | 'blank' | 'footnote' }
  | { readonly kind: 'bad'; readonly bad: BadCell }
)

export interface TableLine {
  readonly line: number
  readonly cells: readonly string[]
}

/** Longer than this is no cell of a chart. */
const CELL_MAX = 400

// eslint-disable-next-line no-control-regex -- exactly those are to go
const UNPRINTABLE = /[\u0000-\u001f\u007f\u200b-\u200f\u2028-\u202e\ufeff]/g

const clean = (cell: string | undefined): string => keepable((cell ?? '').replace(UNPRINTABLE, ' ')).trim()

/**
 * Reads table lines as controls. A line with one filled cell and no number names the section of those
 * below; what stands behind the last control without a number is a footnote. Nothing throws; every line
 * comes back, in order.
 */
export function readChart(lines: readonly TableLine[], columns: readonly ColumnKind[]): ChartRow[] {
  const lastNumbered = lines.findLastIndex(({ cells }) => hasNumber(cells, columns))
  const isHex = isHexColumn(lines, columns)
  let section = ''
  return lines.map(({ line, cells: raw }, n): ChartRow => {
    const long = raw.find((cell) => cell.length > CELL_MAX)
    if (long !== undefined) return { line, kind: 'bad', bad: { why: 'tooLong', letters: long.length } }
    const cells = raw.map(clean)
    const filled = cells.filter((cell) => cell !== '')
    if (filled.length === 0) return { line, kind: 'passed', why: 'blank' }
    if (isHead(cells)) return { line, kind: 'passed', why: 'head' }
    if (n > lastNumbered) return { line, kind: 'passed', why: 'footnote' }
    if (filled.length === 1 && !hasNumber(cells, columns)) {
      section = cutText(filled[0]!.replace(/[:–-]+$/, '').trim(), NAME_MAX)
      return { line, kind: 'section', name: section }
    }
    return { line, ...readLine(cells, columns, section, isHex) }
  })
}

const cellOf = (cells: readonly string[], columns: readonly ColumnKind[], kind: ColumnKind): string =>
  cells
    .filter((_, n) => columns[n] === kind)
    .join(' ')
    .trim()

const hasNumber = (cells: readonly string[], columns: readonly ColumnKind[]): boolean => {
  const cell = clean(cellOf(cells, columns, 'number'))
  return /\d|^[0-9a-f]{2}$/i.test(cell)
}

/** A number column in bare hex has letters among its digits somewhere, and nothing that is not hex. */
function isHexColumn(lines: readonly TableLine[], columns: readonly ColumnKind[]): boolean {
  const cells = lines
    .map((line) => clean(cellOf(line.cells, columns, 'number')))
    .filter((cell) => /^[0-9a-f]{2}$/i.test(cell))
  return cells.some((cell) => /[a-f]/i.test(cell) && /\d/.test(cell))
}

type Read = { kind: 'control'; draft: DraftControl } | { kind: 'bad'; bad: BadCell }

function readLine(
  cells: readonly string[],
  columns: readonly ColumnKind[],
  section: string,
  isHex: boolean,
): Read {
  const bad = (one: BadCell): Read => ({ kind: 'bad', bad: one })
  const number = cellOf(cells, columns, 'number')
  const address = addressOf(number, isHex)
  if ('why' in address) return bad(address)
  const name = cutText(cellOf(cells, columns, 'name'), NAME_MAX).trim()
  if (name === '') return bad({ why: 'noName' })
  const values = cellOf(cells, columns, 'values')
  const reading = parseReading(values, cutText(cellOf(cells, columns, 'unit'), 20), address)
  if (!reading) return bad({ why: 'unclearValues', cell: values })
  return {
    kind: 'control',
    draft: {
      name,
      section: cutText(cellOf(cells, columns, 'section'), NAME_MAX) || section,
      address,
      reading,
      note: cutText(cellOf(cells, columns, 'note'), CELL_MAX),
    },
  }
}

function addressOf(cell: string, isHex: boolean): ControlAddress | BadCell {
  const nrpn = parseNrpn(cell)
  if (nrpn) {
    // Two ways to read it: the player must say which.
    if (nrpn.length !== 1) return { why: 'unclearNrpn', cell }
    const { parameter, written } = nrpn[0]!
    return { kind: 'nrpn', parameter: parameter as U14, written, value: 'msb', nullAfter: true }
  }
  const number = parseNumber(cell, isHex)
  if (number === null) return { why: 'noNumber', cell }
  return number > 127 ? { why: 'numberOutside', number } : { kind: 'cc', number: number as U7 }
}
