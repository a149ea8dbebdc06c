import type { ColumnKind } from './headWords'
import type { BadCell } from './chartRow'
import { readValues } from './valuesCell'

/** A line of a pasted table on its way to be read. */
export interface Line {
  readonly line: number
  readonly cells: readonly string[]
  /** The cells that hold something. */
  readonly filled: readonly string[]
  readonly isHead: boolean
  readonly isBlank: boolean
  readonly hasNumber: boolean
  readonly isFootnote: boolean
  /** Its words were taken to the line above. */
  readonly goesOn: boolean
  /** It has words of lines below. */
  readonly isJoined: boolean
  readonly bad?: BadCell
}

/** How a cell goes on: named values one below the other are several, a word cut at a hyphen is one. */
const glued = (kind: ColumnKind, first: string, more: string): string =>
  kind === 'values' && /\d\s*[:=]/.test(more)
    ? `${first}, ${more}`.replace(/,\s*,/, ',')
    : /\p{L}-$/u.test(first) && /^\p{Ll}/u.test(more)
      ? `${first.slice(0, -1)}${more}`
      : `${first} ${more}`.trim()

/**
 * Lines that were broken, by a PDF or by a cell with several lines, put together again: a line without a number
 * right below one with a number goes on with it where it holds only values or remarks, begins in small letters, or
 * brings the values that line lacks.
 */
export function joinBroken(lines: readonly Line[], columns: readonly ColumnKind[]): Line[] {
  const at = (kind: ColumnKind) => columns.indexOf(kind)
  const [name, values] = [at('name'), at('values')]
  const numbered = lines.filter(({ hasNumber }) => hasNumber)
  const haveValues =
    values >= 0 && numbered.filter(({ cells }) => (cells[values] ?? '') !== '').length * 2 >= numbered.length
  const out = [...lines]
  let open = -1
  lines.forEach((line, n) => {
    if (line.hasNumber && !line.bad) open = n
    else if (line.isBlank || line.isHead || line.isFootnote || line.bad) open = -1
    else if (open >= 0) {
      const above = out[open]!
      const into = placesOf(line, above)
      if (into) {
        out[open] = { ...above, cells: joinedCells(above.cells, into), isJoined: true }
        out[n] = { ...line, goesOn: true }
      } else open = -1
    }
  })
  return out

  /** Where the words of a line belong in the one above; null where it is a line of its own. */
  function placesOf(line: Line, above: Line): ReadonlyMap<number, string> | null {
    const filled = line.cells.flatMap((cell, n) => (cell === '' ? [] : [{ cell, n }]))
    const lacksValues = haveValues && (above.cells[values] ?? '') === ''
    const [only] = filled
    if (filled.length === 1) {
      const { cell, n } = only!
      const kind = columns[n]
      if (kind === 'values' || kind === 'note' || kind === 'default' || kind === 'unit')
        return new Map([[n, cell]])
      if (lacksValues && isValues(cell)) return new Map([[values, cell]])
      const isCut = /[-/,&(]$|\b(?:and|of|the|for|und|et|y)$/i.test(above.cells[name] ?? '')
      if ((/^[\p{Ll}(]/u.test(cell) || isCut) && name >= 0) return new Map([[name, cell]])
      return null
    }
    // Words and the values that were lacking: the line was cut in two.
    const words = filled.filter(({ n }) => columns[n] !== 'values')
    const rest = filled.find(({ n }) => columns[n] === 'values')
    const fits = words.every(({ n }) => columns[n] === 'name' || columns[n] === 'note')
    return lacksValues && rest && fits ? new Map(filled.map(({ cell, n }) => [n, cell])) : null
  }

  function joinedCells(above: readonly string[], into: ReadonlyMap<number, string>): string[] {
    const width = Math.max(above.length, ...[...into.keys()].map((n) => n + 1))
    return Array.from({ length: width }, (_, n) => {
      const [first, more] = [above[n] ?? '', into.get(n)]
      return more === undefined ? first : first === '' ? more : glued(columns[n] ?? 'note', first, more)
    })
  }
}

const isValues = (text: string): boolean =>
  readValues(text, '', { kind: 'cc', number: 0 as never }).doubt !== 'unclearValues'
