import Papa from 'papaparse'
import {
  CHART_HEADS,
  COLUMNS_MAX,
  LOOSE_COLUMNS,
  isSurelyNumber,
  looseLines,
  spacedTable,
  withoutLeaders,
} from '#core/chart'
import type { ColumnKind, TableLine } from '#core/chart'

/** What stands between the cells of a pasted table; `words` is running text. */
export type Delimiter = '\t' | ',' | ';' | '|' | 'spaces' | 'words'

const DELIMITERS: readonly Exclude<Delimiter, 'spaces' | 'words'>[] = ['\t', '|', ';', ',']

/** A line longer than this is no line of a chart: it is not cut, only told. */
const LINE_MAX = 20_000

/** Rules of tables drawn with letters: "|---|:--:|", "+----+----+", "====  ===". */
const RULE = /^[\s|+:=_─━═┼╪╋├┤│┌┐└┘┬┴╔╗╚╝╠╣╬║-]*$/u

interface Text {
  readonly line: number
  readonly text: string
}

export interface CutTable {
  readonly delimiter: Delimiter
  readonly lines: TableLine[]
  /** What the columns hold, where the cutting has already told; null where it has to be recognised. */
  readonly columns: readonly ColumnKind[] | null
}

/** Cuts pasted text or a CSV file into lines of cells, counted from 1; quoted cells may hold line ends. */
export function splitTable(text: string): CutTable {
  const texts = text
    .replace(/^\ufeff/, '')
    .split(/\r\n|\r|\n/)
    .map((one, n): Text => ({ line: n + 1, text: one }))
  const isOurs = texts[0]!.text === CHART_HEADS.join(',')
  for (const delimiter of isOurs ? ([','] as const) : likely(texts)) {
    const lines = cut(texts, delimiter)
    // A comma in running text cuts no table.
    if (isOurs || isTable(lines)) return { delimiter, lines: unfolded(lines), columns: null }
  }
  const spaced = spacedTable(texts.map((one) => (isLong(one) ? { ...one, text: '' } : one)))
  if (spaced) return { delimiter: 'spaces', lines: unfolded(withLong(spaced, texts)), columns: null }
  const lines = looseLines(
    texts.map((one) => ({ line: one.line, cells: isLong(one) ? [''] : [flat(one.text)] })),
  )
  const isStacked = lines.length < texts.length
  return {
    delimiter: 'words',
    lines: withLong(lines, texts),
    columns: isStacked ? null : LOOSE_COLUMNS,
  }
}

const flat = (text: string): string => withoutLeaders(text.trim()).replace(/ {2,}/g, '\t')

const isLong = ({ text }: Text): boolean => text.length > LINE_MAX

const longLine = ({ line, text }: Text): TableLine => ({ line, cells: [], letters: text.length })

const withLong = (lines: readonly TableLine[], texts: readonly Text[]): TableLine[] => {
  const long = new Map(texts.filter(isLong).map((one) => [one.line, longLine(one)]))
  return lines.map((one) => long.get(one.line) ?? one)
}

/** Delimiters that stand in at least half of the lines; a tab is never part of a cell, a comma often is. */
function likely(texts: readonly Text[]): Exclude<Delimiter, 'spaces' | 'words'>[] {
  const looked = texts
    .filter((one) => one.text.trim() !== '' && !isLong(one) && !RULE.test(one.text))
    .slice(0, 60)
  return DELIMITERS.filter(
    (delimiter) =>
      looked.filter(({ text }) => drawn(text).includes(delimiter)).length * 2 >= looked.length &&
      looked.length > 0,
  )
}

/** Lines of tables drawn with box characters, as with "|". */
const drawn = (text: string): string => text.replace(/[│┃║]/g, '|')

const isTable = (lines: readonly TableLine[]): boolean => {
  const several = lines.filter(({ cells }) => cells.filter((cell) => cell.trim() !== '').length > 1)
  const numbered = several.filter(({ cells }) =>
    cells.some((cell) => isSurelyNumber(cell) || /^[0-9a-f]{2}$/i.test(cell.trim())),
  )
  return several.length > 0 && numbered.length * 2 >= several.length - 1 && numbered.length > 0
}

/** A table set in two or three groups of equal columns side by side: a line for each group. */
function unfolded(lines: readonly TableLine[]): TableLine[] {
  const head = lines.find(({ cells }) => cells.filter((cell) => cell.trim() !== '').length > 1)?.cells ?? []
  const words = head.map((cell) => cell.trim().toLowerCase())
  const period = [2, 3, 4, 5, 6].find(
    (width) =>
      words.length >= width * 2 &&
      words.length % width === 0 &&
      words.every((word, n) => /\p{L}/u.test(word) && word === words[n % width]),
  )
  if (period === undefined) return [...lines]
  return lines.flatMap((one) =>
    Array.from({ length: Math.max(1, Math.ceil(one.cells.length / period)) }, (_, n) => ({
      ...one,
      cells: one.cells.slice(n * period, (n + 1) * period),
    })).filter(({ cells }, n) => n === 0 || cells.some((cell) => cell.trim() !== '')),
  )
}

function cut(texts: readonly Text[], delimiter: Exclude<Delimiter, 'spaces' | 'words'>): TableLine[] {
  const lines: TableLine[] = []
  let run: Text[] = []
  const flush = () => {
    lines.push(...cutRun(run, delimiter))
    run = []
  }
  for (const one of texts) {
    if (!isLong(one)) run.push(one)
    else {
      flush()
      lines.push(longLine(one))
    }
  }
  flush()
  return lines
}

function cutRun(texts: readonly Text[], delimiter: Exclude<Delimiter, 'spaces' | 'words'>): TableLine[] {
  if (texts.length === 0) return []
  if (delimiter === '|')
    return texts.map(({ line, text }) => ({ line, cells: RULE.test(text) ? [''] : barred(text) }))
  const { data, errors } = Papa.parse<string[]>(texts.map(({ text }) => text).join('\n'), {
    delimiter,
    newline: '\n',
  })
  // A quote that is never closed would take all lines behind it into one cell: each line is then cut by itself.
  if (errors.some(({ type }) => type === 'Quotes'))
    return texts.map(({ line, text }) => ({ line, cells: cutLine(text, delimiter) }))
  let line = texts[0]!.line
  return data.map((cells) => {
    const here = { line, cells: limited(cells.map(disarmed)) }
    line += 1 + cells.reduce((sum, cell) => sum + cell.split('\n').length - 1, 0)
    return here
  })
}

function cutLine(text: string, delimiter: string): string[] {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter, newline: '\n' })
  return limited(errors.some(({ type }) => type === 'Quotes') ? text.split(delimiter) : (data[0] ?? ['']))
}

/** "| 21 | Mix \\| wet |": the cells between the bars, without those outside. */
const barred = (text: string): string[] =>
  limited(
    drawn(text)
      .trim()
      .replace(/^\||(?<!\\)\|$/g, '')
      .split(/(?<!\\)\|/)
      .map((cell) =>
        cell
          .replaceAll('\\|', '|')
          .trim()
          .replace(/^(\*\*|__|`)(.*)\1$/, '$2'),
      ),
  )

/** Our own files, like others, put an apostrophe before what a spreadsheet would run as a formula. */
const disarmed = (cell: string): string => cell.replace(/^'(?='*[=+\-@\t\r])/, '')

/** Cells beyond the widest chart go into one. */
const limited = (cells: string[]): string[] =>
  cells.length <= COLUMNS_MAX ? cells : [...cells.slice(0, COLUMNS_MAX), cells.slice(COLUMNS_MAX).join(' ')]
