import { cutText } from '#core/base'
import { readChart, recogniseColumns, type ColumnKind } from '#core/chart'
import type { ReadChart } from './questions'
import { splitTable } from './splitTable'

const SAMPLE_LINES = 4

/**
 * Reads a pasted chart, on the page and in its tests alike. `columns`: as the player says; null to go by what the cutting
 * told, and else to recognise them.
 */
export function readPaste(text: string, columns: readonly ColumnKind[] | null): ReadChart {
  const { lines, columns: told } = splitTable(text)
  const known = columns ?? told ?? recogniseColumns(lines.map(({ cells }) => cells))
  return {
    columns: known,
    rows: readChart(lines, known),
    sample: lines
      .filter(({ cells }) => cells.length > 1)
      .slice(0, SAMPLE_LINES)
      .map(({ cells }) => cells.map((cell) => cutText(cell, 40))),
  }
}
