import * as z from 'zod/mini'
import { dequal } from 'dequal/lite'
import { cutText, keepable, letterCount, splitU14, type U14, type U7 } from '#core/base'
import { controlSchema, type ControlAddress, NAME_MAX } from '#core/rig'
import { addressKey } from './addressKey'
import type { BadCell, ChartRow, DraftControl, RowDoubt, TableLine } from './chartRow'
import { headsOf } from './columns'
import type { ColumnKind } from './headWords'
import { joinBroken, type Line } from './joinBroken'
import { OTHER_MESSAGE, parseNumber, readNumberCell } from './numberCell'
import { rangeNames } from './rangeNames'
import { readValues } from './valuesCell'

/** Longer than this is no cell of a chart: 128 names of 60 letters are less. */
const CELL_MAX = 16_000
const NOTE_MAX = 400

// oxlint-disable-next-line no-control-regex -- exactly those are to go
const UNPRINTABLE = /[\u0000-\u001f\u007f\u200b-\u200f\u2028-\u202e\ufeff]/g

const clean = (cell: string): string =>
  keepable(cell.replace(UNPRINTABLE, ' ').replaceAll('\u00a0', ' ')).trim()

/**
 * Reads table lines as controls. A line with one filled cell and no number names the section of those below, or
 * goes on with the line above it where that was broken; what stands behind the last control without a number is a
 * footnote. What a line says and is not understood goes to its note, and is told. Nothing throws; every line comes
 * back, in order, and one that names several numbers as often.
 */
export function readChart(lines: readonly TableLine[], columns: readonly ColumnKind[]): ChartRow[] {
  const heads = headsOf(lines.map(({ cells }) => cells))
  const isHex = isHexTable(lines, columns)
  const saysNrpn =
    headSaysNrpn(heads.head, columns) ||
    lines.some(({ cells }) => cells.some((cell) => cell.length < 200 && /\bnrpn\b/i.test(cell)))
  const table = { columns, isHex, saysNrpn }
  const cut = lines.map((line, n) => lineOf(line, table, heads.at.has(n)))
  const joined = joinBroken(cut, columns)
  const lastNumbered = joined.findLastIndex(({ hasNumber }) => hasNumber)
  const firstHead = heads.at.size === 0 ? -1 : Math.min(...heads.at)
  let section = ''
  const rows = joined.flatMap((one, n): ChartRow[] => {
    const { line } = one
    if (one.bad) return [{ line, kind: 'bad', bad: one.bad }]
    if (one.isBlank) return [{ line, kind: 'passed', why: 'blank' }]
    if (one.isHead) return [{ line, kind: 'passed', why: 'head' }]
    if (one.goesOn) return [{ line, kind: 'passed', why: 'joined' }]
    if ((lastNumbered >= 0 && n > lastNumbered) || one.isFootnote)
      return [{ line, kind: 'passed', why: 'footnote' }]
    if (one.filled.length === 1 && !one.hasNumber) {
      // What stands above the heads is the title of the whole.
      if (!isTitle(one.filled[0]!) || (n < firstHead && !/\bnrpn\b/i.test(one.filled[0]!)))
        return [{ line, kind: 'passed', why: 'footnote' }]
      section = cutText(one.filled[0]!.replace(/^#+\s+/, '').replace(/[\s:–-]+$/, ''), NAME_MAX).trim()
      return [{ line, kind: 'section', name: section }]
    }
    return readLine(one, section, table)
  })
  return withTwins(rows)
}

/** Whether words on their own can be what a section is called, and no sentence. */
const isTitle = (text: string): boolean =>
  text.length <= 50 && text.split(/\s+/).length <= 6 && !/[.!?]$/.test(text) && /\p{L}/u.test(text)

interface Table {
  readonly columns: readonly ColumnKind[]
  readonly isHex: boolean
  readonly saysNrpn: boolean
}

/** "CC 99" and "CC 98" over two columns: the numbers an NRPN is chosen with (M1 v4.2.1; from memory). */
const headSaysNrpn = (head: readonly string[], columns: readonly ColumnKind[]): boolean =>
  columns.includes('msb') && head.some((cell, n) => columns[n] === 'msb' && /99/.test(cell))

function lineOf(raw: TableLine, { columns, isHex }: Table, isHead: boolean): Line {
  const { line } = raw
  const nothing = {
    line,
    cells: [],
    filled: [],
    isHead: false,
    isBlank: false,
    hasNumber: false,
    isFootnote: false,
    goesOn: false,
    isJoined: false,
  }
  const long = raw.letters ?? raw.cells.find((cell) => cell.length > CELL_MAX)?.length
  if (long !== undefined) return { ...nothing, bad: { why: 'tooLong', letters: long } }
  const cells = raw.cells.map(clean)
  const filled = cells.filter((cell) => cell !== '')
  const at = (kind: ColumnKind) =>
    columns.findIndex((one, n) => one === kind && cells[n] !== undefined && cells[n] !== '')
  const numbered = (['number', 'hex', 'nrpn', 'msb'] as const).some(
    (kind) => at(kind) >= 0 && isNumbered(cells[at(kind)]!, isHex || kind === 'hex'),
  )
  return {
    ...nothing,
    cells,
    filled,
    isHead,
    isBlank: filled.length === 0,
    hasNumber: !isHead && numbered,
    isFootnote:
      filled.length === 1 &&
      /^(?:[*†‡§]|note\b|\d+\)\s|page\b|seite\b|- ?\d+ ?-$)/i.test(filled[0]!) &&
      !numbered,
    ...(raw.unclear && !isHead && { bad: { why: 'unclearColumns' as const } }),
  }
}

const isNumbered = (cell: string, isHex: boolean): boolean =>
  readNumberCell(cell, isHex).kind !== 'none' || /^\W*\d/.test(cell)

/**
 * A number column in bare hex has letters among its digits more than once, and nothing that is no controller number in
 * two digits of hex, 00 to 7F: "C4" in it is a note, one "7a" a footnote. Lines of other messages have no say.
 */
function isHexTable(lines: readonly TableLine[], columns: readonly ColumnKind[]): boolean {
  if (columns.includes('hex') && !columns.includes('number')) return true
  const n = columns.indexOf('number')
  const cells = lines
    .filter((line) => !line.cells.some((cell) => cell.length < 40 && OTHER_MESSAGE.test(clean(cell))))
    .map((line) => clean((line.cells[n] ?? '').slice(0, 8)))
    .filter((cell) => /\d/.test(cell) && /^[0-9a-f]{1,3}$/i.test(cell))
  const lettered = cells.filter((cell) => /[a-f]/i.test(cell))
  return lettered.length > 1 && cells.every((cell) => /^[0-7][0-9a-f]$/i.test(cell))
}

/** Cells of a line by what their columns hold. */
const reader =
  (cells: readonly string[], columns: readonly ColumnKind[]) =>
  (kind: ColumnKind): string[] =>
    cells.filter((cell, n) => columns[n] === kind && cell !== '')

const sentence = (parts: readonly string[]): string => parts.filter((part) => part !== '').join('; ')

function readLine(one: Line, section: string, table: Table): ChartRow[] {
  const { line, cells } = one
  const of = reader(cells, table.columns)
  const bad = (why: BadCell): ChartRow[] => [{ line, kind: 'bad', bad: why }]
  const sections = of('section')
  const found = addressesOf(of, [...cells, section], table)
  if ('why' in found) return bad(found)
  const [name = '', ...described] = of('name')
  if (name === '') return bad({ why: 'noName' })
  if (isFooter(name) && of('values').length === 0) return [{ line, kind: 'passed', why: 'footnote' }]
  const [min, max] = [of('min')[0] ?? '', of('max')[0] ?? '']
  const ends = min === '' && max === '' ? '' : `${min} to ${max}`
  const values = [...of('values'), ends].filter(Boolean)
  const names = found.addresses.length === 1 ? [name] : rangeNames(name, found.addresses.length)
  if (!names) return bad({ why: 'severalNumbers', cell: sentence([found.cell, name]) })
  const byDefault = of('default').map((text) => `default ${text}`)
  return found.addresses.map((address, n): ChartRow => {
    const read = valuesOf(values, of('unit').join(' '), address, table.isHex)
    const note = sentence([read.left, ...found.notes, ...described, ...byDefault, ...of('note')])
    const draft: DraftControl = {
      name: cutText(names[n]!, NAME_MAX).trim(),
      section: cutText(sections.join(', ') || section, NAME_MAX).trim(),
      address,
      reading: read.reading,
      note: cutText(note, NOTE_MAX),
    }
    if (!draftSchema.safeParse(draft).success)
      return { line, kind: 'bad', bad: { why: 'outsideLimits', cell: cutText(values.join(' '), 80) } }
    const doubts: RowDoubt[] = [
      ...(read.doubt ? [read.doubt] : []),
      ...(one.isJoined ? (['joined'] as const) : []),
      ...(letterCount(names[n]!) > NAME_MAX ? (['nameCut'] as const) : []),
      ...(letterCount(note) > NOTE_MAX ? (['noteCut'] as const) : []),
    ]
    return { line, kind: 'control', draft, doubts, twins: [] }
  })
}

/** "Owner's manual    37": the foot of a page, whose number is the page's. */
const isFooter = (name: string): boolean =>
  /\b(?:manual|page|chapter|appendix|seite|kapitel|anhang|handbuch|página|chapitre|implementation)\b/i.test(
    name,
  )

const draftSchema = z.pick(controlSchema, {
  name: true,
  section: true,
  address: true,
  reading: true,
  note: true,
})

/** One cell about values, or two that say what is sent and what is shown. */
function valuesOf(cells: readonly string[], unit: string, address: ControlAddress, isHex: boolean) {
  if (cells.length <= 1) return readValues(cells[0] ?? '', unit, address, isHex)
  for (const way of [cells.join(' = '), `${cells[0]!} (${cells.slice(1).join(', ')})`]) {
    const whole = readValues(way, unit, address, isHex)
    if (whole.doubt === null && whole.left === '') return whole
  }
  const whole = { ...readValues('?', unit, address, isHex), doubt: 'unclearValues' as const }
  const understood = cells.filter((cell) => readValues(cell, unit, address, isHex).doubt !== 'unclearValues')
  if (understood.length !== 1) return { ...whole, left: sentence([...cells, unit]) }
  const read = readValues(understood[0]!, unit, address, isHex)
  return { ...read, left: sentence([read.left, ...cells.filter((cell) => cell !== understood[0])]) }
}

interface Found {
  readonly addresses: readonly ControlAddress[]
  readonly notes: readonly string[]
  readonly cell: string
}

/** What a line sends: controller numbers, or an NRPN; a bad cell where that is not said. */
function addressesOf(
  of: (kind: ColumnKind) => string[],
  said: readonly string[],
  { isHex, saysNrpn }: Table,
): Found | BadCell {
  const [type = ''] = of('type')
  const [msb, lsb] = [of('msb')[0] ?? '', of('lsb')[0] ?? '']
  const [nrpnCell = ''] = of('nrpn')
  const [hexCell = ''] = of('hex')
  const number = of('number').join(' ') || hexCell
  const lineSays = said.some((cell) => /\bnrpn\b/i.test(cell))
  const typeIsNrpn = /^nrpn/i.test(type)
  if (OTHER_MESSAGE.test(type)) return { why: 'otherMessage', cell: type }
  const pair = msb !== '' && lsb !== '' ? `${msb}/${lsb}` : ''
  // What is not said to be a CC, in a line or a table that speaks of NRPN.
  if (pair !== '' && (typeIsNrpn || number === '')) {
    if (typeIsNrpn || lineSays || saysNrpn) return nrpnOf(`NRPN ${decimalPair(msb, lsb) ?? pair}`)
    return { why: 'unclearPair', cell: pair }
  }
  if (nrpnCell !== '' && (typeIsNrpn || number === ''))
    return nrpnOf(/^nrpn/i.test(nrpnCell) ? nrpnCell : `NRPN ${nrpnCell}`)
  if (typeIsNrpn && !/^nrpn/i.test(number)) return nrpnOf(`NRPN ${number}`)
  const cell = readNumberCell(number, isHex)
  switch (cell.kind) {
    case 'nrpn':
      return nrpnOf(number)
    case 'other':
      return { why: 'otherMessage', cell: number }
    case 'none':
      return { why: 'noNumber', cell: number }
    case 'cc': {
      if (lineSays && !cell.isExplicit && !/^(?:cc|control)/i.test(type))
        return { why: 'saysNrpn', cell: number }
      const outside = cell.numbers.find((one) => one > 127)
      if (outside !== undefined) return { why: 'numberOutside', number: outside }
      const inHex = of('number').length > 0 && hexCell !== '' ? parseNumber(hexCell, true) : null
      if (inHex !== null && cell.numbers.length === 1 && inHex !== cell.numbers[0])
        return { why: 'numbersDiffer', cell: `${number}, ${hexCell}` }
      return {
        addresses: cell.numbers.map((one): ControlAddress => ({ kind: 'cc', number: one as U7 })),
        notes: [pair && `NRPN ${pair}`, nrpnCell && `NRPN ${nrpnCell}`],
        cell: number,
      }
    }
  }
}

const decimalPair = (msb: string, lsb: string): string | null => {
  const [a, b] = [parseNumber(msb), parseNumber(lsb)]
  return a === null || b === null ? null : `${a}/${b}`
}

function nrpnOf(text: string): Found | BadCell {
  const cell = readNumberCell(text, false)
  if (cell.kind !== 'nrpn') return { why: 'noNumber', cell: text }
  const { readings, isWide, nullAfter } = cell.nrpn
  // Two ways to read it: the player must say which.
  if (readings.length !== 1) return { why: 'unclearNrpn', cell: text }
  const { parameter, written } = readings[0]!
  return {
    addresses: [
      { kind: 'nrpn', parameter: parameter as U14, written, value: isWide ? 'both' : 'msb', nullAfter },
    ],
    notes: [],
    cell: text,
  }
}

/** Lines with one number: those that say the same are one, those that differ each name the others. */
function withTwins(rows: readonly ChartRow[]): ChartRow[] {
  const byKey = new Map<string, (ChartRow & { kind: 'control' })[]>()
  const out = rows.map((row): ChartRow => {
    if (row.kind !== 'control') return row
    const key = addressKey(row.draft.address)
    const before = byKey.get(key)
    if (before?.some(({ draft }) => dequal(draft, row.draft)))
      return { line: row.line, kind: 'passed', why: 'repeated' }
    if (before) before.push(row)
    else byKey.set(key, [row])
    return row
  })
  return out.map((row) => {
    const same = row.kind === 'control' ? byKey.get(addressKey(row.draft.address))! : []
    return row.kind === 'control' && same.length > 1
      ? { ...row, twins: same.filter((one) => one !== row).map(({ line }) => line) }
      : row
  })
}

/** What is sent for a control, as a chart writes an NRPN; {@link readNumberCell} reads it back. */
export function addressCell(address: ControlAddress): string {
  if (address.kind === 'cc') return `CC ${address.number}`
  const { msb, lsb } = splitU14(address.parameter)
  return [
    `NRPN ${msb}/${lsb}`,
    ...(address.value === 'both' ? ['14 bit'] : []),
    ...(address.nullAfter ? [] : ['no null']),
    ...(address.written === 'number' ? ['as one number'] : []),
  ].join(', ')
}
