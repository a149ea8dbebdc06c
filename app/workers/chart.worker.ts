import { cutText, readChart, recogniseColumns, type ColumnKind } from '#core'
import type { ReadChart } from '~/platform/chartReader'
import { splitTable } from './splitTable'

export interface ReadRequest {
  readonly id: number
  readonly text: string
  /** Null: recognise them. */
  readonly columns: readonly ColumnKind[] | null
}

export interface ReadReply {
  readonly id: number
  readonly chart: ReadChart
}

const SAMPLE_LINES = 4

addEventListener('message', ({ data: { id, text, columns } }: MessageEvent<ReadRequest>) => {
  const { lines } = splitTable(text)
  const known = columns ?? recogniseColumns(lines.map(({ cells }) => cells))
  const chart: ReadChart = {
    columns: known,
    rows: readChart(lines, known),
    sample: lines
      .filter(({ cells }) => cells.length > 1)
      .slice(0, SAMPLE_LINES)
      .map(({ cells }) => cells.map((cell) => cutText(cell, 40))),
  }
  postMessage({ id, chart } satisfies ReadReply)
})
