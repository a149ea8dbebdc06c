import Papa from 'papaparse'
import type { TableLine } from '#core'

/** What stands between the cells of a pasted table. */
export type Delimiter = '\t' | ',' | ';' | '|' | 'spaces'

const DELIMITERS: readonly Exclude<Delimiter, 'spaces'>[] = ['\t', ';', '|', ',']

/** The delimiter that cuts most lines into the same number of cells; columns set with spaces when none does. */
function guessDelimiter(text: string): Delimiter {
  const lines = text
    .slice(0, 20_000)
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, 60)
  const scores = DELIMITERS.map((delimiter) => {
    const counts = lines.map((line) => line.split(delimiter).length).filter((count) => count > 1)
    return { delimiter, share: counts.length / Math.max(1, lines.length) }
  })
  // In the order of the list: a tab is never part of a cell, a comma often is.
  return scores.find(({ share }) => share >= 0.5)?.delimiter ?? 'spaces'
}

/** Cuts pasted text or a CSV file into lines of cells, counted from 1; quoted cells may hold line ends. */
export function splitTable(text: string): { delimiter: Delimiter; lines: TableLine[] } {
  const delimiter = guessDelimiter(text)
  if (delimiter === 'spaces') {
    const lines = text.split(/\r?\n/).map((line, n) => ({ line: n + 1, cells: line.trim().split(/\s{2,}/) }))
    return { delimiter, lines: oneSpaced(lines) }
  }
  const { data } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: false })
  return { delimiter, lines: data.map((cells, n) => ({ line: n + 1, cells })) }
}

/** "21 Mix 0-127": where nothing but single spaces is left, the number stands first and the values last. */
function oneSpaced(lines: TableLine[]): TableLine[] {
  if (lines.some(({ cells }) => cells.length > 1)) return lines
  return lines.map(({ line, cells }) => {
    const parts = /^((?:CC\s*#?\s*)?\d{1,3})\s+(.*?)(?:\s+(\d{1,5}\s*(?:-|\.\.)\s*\d{1,5}))?$/i.exec(
      cells[0] ?? '',
    )
    return { line, cells: parts ? [parts[1]!, parts[2]!, parts[3] ?? ''] : cells }
  })
}
